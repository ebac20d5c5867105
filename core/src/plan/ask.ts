import { z } from 'zod';

/** Most bowls that one plan is made for: more than any kitchen's day, less than a slip of the keys. */
export const MOST_BOWLS = 20_000;

/** What a cook asks for: this soup, so many bowls of so many grams, in that pot. */
export const AskSchema = z.strictObject({
  bowls: z.number().gt(0).max(MOST_BOWLS),
  bowlG: z.number().min(20).max(2000),
  potId: z.string().min(1).max(60),
});
export type Ask = z.infer<typeof AskSchema>;
