import { Matrix } from 'ml-matrix';

/** A matrix that is symmetric but for rounding, made so exactly: decompositions ask for it. */
export function symmetric(matrix: Matrix): Matrix {
  return Matrix.add(matrix, matrix.transpose()).mul(0.5);
}
