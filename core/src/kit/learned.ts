import { z } from 'zod';

/**
 * What a kitchen's own batches have shown of one figure: by how much it lies off its default, on the log, or on the logit
 * where it is a share, how well that is known, and from how many batches.
 */
export const LearnedFigureSchema = z.strictObject({
  /** A model parameter, alone or `@pot:…`, `@soup:…`; `trim:<ingredient>:<way>`; `salt:<ingredient>`; `measure:…`; `bias:<device>`. */
  key: z.string().min(1).max(140),
  by: z.number().min(-5).max(5),
  /** 1 sd of `by`. */
  sd: z.number().min(0).max(5),
  batches: z.int().min(0).max(1e6),
});
export type LearnedFigure = z.infer<typeof LearnedFigureSchema>;

/** All that is learnt, with what is known of two figures together: places in the list, and their correlation. */
export const LearnedSchema = z.strictObject({
  figures: z.array(LearnedFigureSchema).max(2000),
  together: z.array(z.tuple([z.int().min(0), z.int().min(0), z.number().min(-1).max(1)])).max(40_000),
});
export type Learned = z.infer<typeof LearnedSchema>;

/** A learnt figure of a key; undefined where nothing is learnt of it. */
export function learnedOf(learned: Learned | undefined, key: string): LearnedFigure | undefined {
  return learned?.figures.find((figure) => figure.key === key);
}
