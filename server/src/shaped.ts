import { readShape, type Shape, type ShapeProblem } from '@tureen/core/shape';
import { customType } from 'drizzle-orm/sqlite-core';

/** What the kitchen's file holds can't be read: by somebody's hand, a fault of the disk, or a newer version. */
export class Unreadable extends Error {
  constructor(readonly problem: ShapeProblem) {
    super(`${problem.name}, shape ${String(problem.shape)}, ${problem.path}: ${problem.why}`);
  }
}

interface Written {
  readonly shape: number;
  readonly value: unknown;
}

/** Text written before columns carried a number is shape 1, and all of it the value. */
function written(text: string): Written {
  const parsed: unknown = JSON.parse(text);
  const isNumbered =
    typeof parsed === 'object' && parsed !== null && 'shape' in parsed && 'value' in parsed && Object.keys(parsed).length === 2;
  return isNumbered ? (parsed as Written) : { shape: 1, value: parsed };
}

/** A column's builder as Drizzle infers it. */
type Column<T> = ReturnType<ReturnType<typeof customType<{ data: T; driverData: string }>>>;

/**
 * A JSON column that says in which shape it was written: lifted and checked whenever it is read, so that what the types
 * promise is so.
 */
export function shaped<T>(name: string, of: Shape<T>): Column<T> {
  return customType<{ data: T; driverData: string }>({
    dataType: () => 'text',
    toDriver: (value) => JSON.stringify({ shape: of.lifts.length + 1, value } satisfies Written),
    fromDriver: (text) => {
      const { shape, value } = written(text);
      const read = readShape(of, shape, value);
      if (!read.ok) throw new Unreadable(read.problem);
      return read.value;
    },
  })(name);
}
