import { z } from 'zod';

/** Version of the protocol that docs/devices.md describes. */
export const PROTOCOL = 1;

const device = z.string().regex(/^[a-z0-9-]{1,40}$/);

/**
 * One line of what a bridge says: a device that is there, what it reads, that it goes. Kilos gross, or °C. Its own clock is
 * told but never trusted: how old a reading is goes by when it came in.
 */
export const LineSchema = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('hello'),
    device,
    kind: z.enum(['scale', 'probe']),
    name: z.string().trim().min(1).max(60),
    simulated: z.boolean().optional(),
    /** The container in whose pan a probe stands; left out for one that is put where it is wanted. */
    container: z.uuid().optional(),
  }),
  z.strictObject({
    type: z.literal('reading'),
    device,
    unit: z.enum(['kg', 'degC']),
    value: z.number().min(-1000).max(5000),
    /** Whether it has come to rest. */
    steady: z.boolean().optional(),
    atMs: z.number().min(0).max(8.64e15).optional(),
  }),
  z.strictObject({ type: z.literal('bye'), device }),
]);
export type Line = z.infer<typeof LineSchema>;

/** What a screen may ask of a device. `off` and `on` are for simulated devices: the plug pulled and put back. */
export const CommandSchema = z.strictObject({ do: z.enum(['tare', 'off', 'on']) });
export type Command = z.infer<typeof CommandSchema>;

/** A device as screens are told of it. */
export interface DeviceState {
  readonly id: string;
  readonly kind: 'scale' | 'probe';
  readonly name: string;
  readonly simulated: boolean;
  readonly connected: boolean;
  readonly container: string | undefined;
  readonly reading:
    { readonly value: number; readonly unit: 'kg' | 'degC'; readonly steady: boolean; readonly ageMs: number } | undefined;
}

export type LinesRead =
  { readonly ok: true; readonly lines: readonly Line[] } | { readonly ok: false; readonly line: number; readonly why: string };

/** Reads JSON lines; the first that is none is named by its number, and none is taken. Empty lines are skipped. */
export function readLines(text: string): LinesRead {
  const lines: Line[] = [];
  for (const [n, raw] of text.split('\n').entries()) {
    if (raw.trim() === '') continue;
    let value: unknown;
    try {
      value = JSON.parse(raw);
    } catch {
      return { ok: false, line: n + 1, why: 'it is not JSON' };
    }
    const read = LineSchema.safeParse(value);
    if (!read.success) {
      const [issue] = read.error.issues;
      return { ok: false, line: n + 1, why: `${issue?.path.join('.') ?? ''} ${issue?.message ?? ''}`.trim() };
    }
    lines.push(read.data);
  }
  return { ok: true, lines };
}
