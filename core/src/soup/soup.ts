import { z } from 'zod';
import { renamed } from '../shape/index.js';
import { bodySchema } from '../steps/index.js';
import { LineSchema, MethodChoicesSchema, type Line, type MethodChoices } from './line.js';
import { BranchSchema, type Branch } from './step.js';
import { VariantSchema, type Variant } from './variant.js';

/** The master: what we make and how. Amounts are as written for so many bowls. */
export interface Soup {
  readonly $schema?: string | undefined;
  readonly id: string;
  readonly name: string;
  readonly lead: string;
  readonly school: 'roast' | 'sweat' | 'raw';
  readonly served: 'hot' | 'cold';
  readonly note?: string | undefined;
  readonly writtenFor: { readonly bowls: number; readonly bowlG: number };
  readonly methodChoices?: MethodChoices | undefined;
  readonly lines: Line[];
  readonly root: Branch;
  /** Body in the bowl that was judged right, mPa·s, where no step of it asks for one. */
  readonly rightMPas?: number | undefined;
  /** Cards whose outcomes its lines take: house stock, roasted garlic, a spice mix. */
  readonly cards?: Soup[] | undefined;
  /** The same soup in other directions. */
  readonly variants?: Variant[] | undefined;
}

/** The shape of a soup's file. What it is not protected from is nesting without end: `SoupSchema` is. */
export const SoupShape: z.ZodType<Soup> = z.strictObject({
  $schema: z.string().max(200).optional(),
  id: z
    .string()
    .regex(/^[a-z0-9-]+$/)
    .min(1)
    .max(60),
  name: z.string().min(1).max(80),
  lead: z.string().min(1).max(80),
  school: z.enum(['roast', 'sweat', 'raw']),
  served: z.enum(['hot', 'cold']),
  note: z.string().max(1000).optional(),
  writtenFor: z.strictObject({ bowls: z.number().positive().max(1000), bowlG: z.number().min(20).max(2000) }),
  methodChoices: MethodChoicesSchema.optional(),
  rightMPas: bodySchema.optional(),
  lines: z.array(LineSchema).min(1).max(80),
  root: BranchSchema,
  get cards(): z.ZodOptional<z.ZodArray<z.ZodType<Soup>>> {
    return z.array(SoupShape).max(12).optional();
  },
  variants: z.array(VariantSchema).max(20).optional(),
});

/** Deepest nesting of objects and lists in a soup's file: far beyond a kitchen's, and it keeps a hostile file from exhausting the stack. */
const DEEPEST = 32;

function isDeeperThan(value: unknown, levels: number): boolean {
  if (typeof value !== 'object' || value === null) return false;
  return levels === 0 || Object.values(value).some((inner) => isDeeperThan(inner, levels - 1));
}

/** Shape 1 called method choices schools. */
export function liftSoup(value: unknown): unknown {
  const lifted = renamed(value, { schools: 'methodChoices' });
  if (typeof lifted !== 'object' || lifted === null) return lifted;
  const { cards, variants } = lifted as { readonly cards?: unknown; readonly variants?: unknown };
  return {
    ...lifted,
    ...(Array.isArray(cards) ? { cards: cards.map(liftSoup) } : {}),
    ...(Array.isArray(variants) ? { variants: variants.map((one) => renamed(one, { schools: 'methodChoices' })) } : {}),
  };
}

/** A soup as a file or a request brings it, in the words of today or of an older shape. */
export const SoupSchema = z
  .unknown()
  .refine((value) => !isDeeperThan(value, DEEPEST), { message: 'TOO_DEEP' })
  .transform(liftSoup)
  .pipe(SoupShape);
