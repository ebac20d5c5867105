import { ENTRY_SHAPE, foldBatch, saltPctNow, type Action, type BatchState, type Entry } from '@tureen/core/batch';
import { areaM2, type LearnedFigure } from '@tureen/core/kit';
import { rerun, type Planned, type Snapshot } from '@tureen/core/plan';
import { bodyMPas, potM3 } from '@tureen/core/pot';
import { kindOf, walk, type SoupStep } from '@tureen/core/soup';
import type { Draw } from './draw.js';

/** What goes wrong with the record of two of these batches: the Ledger finds it. */
type Slip = 'a jug was poured and not entered' | 'the pot was left on the scale';

/** Batches of the quarter before the tablets' newest: days ago, soup, bowls, pot, and what went wrong on record. All invented. */
export const OLDER: readonly { daysAgo: number; soup: string; bowls: number; potId: string; slip?: Slip }[] = [
  { daysAgo: 92, soup: 'beetroot-horseradish', bowls: 70, potId: 'boiler-40' },
  { daysAgo: 88, soup: 'celeriac-leek-apple', bowls: 40, potId: 'stockpot-20' },
  { daysAgo: 84, soup: 'parsnip-butter', bowls: 60, potId: 'boiler-40' },
  { daysAgo: 80, soup: 'beetroot-horseradish', bowls: 80, potId: 'boiler-40' },
  { daysAgo: 76, soup: 'swede-barley', bowls: 60, potId: 'boiler-40' },
  { daysAgo: 73, soup: 'celeriac-leek-apple', bowls: 70, potId: 'boiler-40' },
  { daysAgo: 69, soup: 'beetroot-horseradish', bowls: 75, potId: 'boiler-40', slip: 'a jug was poured and not entered' },
  { daysAgo: 66, soup: 'parsnip-butter', bowls: 70, potId: 'boiler-40' },
  { daysAgo: 62, soup: 'celeriac-leek-apple', bowls: 40, potId: 'stockpot-20', slip: 'the pot was left on the scale' },
  { daysAgo: 59, soup: 'swede-barley', bowls: 60, potId: 'boiler-40' },
  { daysAgo: 55, soup: 'beetroot-horseradish', bowls: 80, potId: 'boiler-40' },
  { daysAgo: 52, soup: 'squash-coconut-chilli', bowls: 60, potId: 'boiler-40' },
  { daysAgo: 48, soup: 'celeriac-leek-apple', bowls: 70, potId: 'boiler-40' },
  { daysAgo: 45, soup: 'beetroot-horseradish', bowls: 70, potId: 'boiler-40' },
];

/** What is true of the invented canteen and what it has to find out: offsets from the defaults, and how far a batch strays from them. */
const TRUTH: readonly (Pick<LearnedFigure, 'key' | 'by'> & { readonly batch: number })[] = [
  { key: 'boilOff', by: 0.17, batch: 0.05 },
  { key: 'roastTauMin', by: -0.1, batch: 0.06 },
  { key: 'trim:beetroot:peeled', by: -0.22, batch: 0.06 },
  { key: 'trim:celeriac:peeled', by: -0.16, batch: 0.06 },
  { key: 'trim:parsnip:peeled', by: 0.15, batch: 0.06 },
  { key: 'trim:swede:peeled', by: 0.1, batch: 0.06 },
  { key: 'bodyA@soup:beetroot-horseradish', by: 0.28, batch: 0.12 },
  { key: 'bodyA@soup:celeriac-leek-apple', by: -0.25, batch: 0.12 },
  { key: 'bodyA@soup:parsnip-butter', by: 0.15, batch: 0.12 },
];

const MINUTE_MS = 60_000;
const LITRE_M3 = 1e-3;
/** Where soup of this canteen is read, °C. */
const READ_C = 65;
const READINGS: ReadonlySet<Action['kind']> = new Set(['dipped', 'weighed', 'body', 'salt', 'dished', 'closed']);

/** Writes a batch down as its cook did, and keeps apart what really happened in the pot. */
class OlderCook {
  readonly record: Entry[] = [];
  /** What really happened, without what was read. */
  private readonly happened: Entry[] = [];
  private readonly believed: Planned;
  private readonly true: Planned;
  private counter = 0;
  private forgets: boolean;

  constructor(
    private readonly snapshot: Snapshot,
    private readonly draw: Draw,
    private atMs: number,
    private readonly slip: Slip | undefined,
  ) {
    const figures = TRUTH.map(({ key, by, batch }) => ({ key, by: by + batch * (draw.around(1.7) - 1), sd: 0, batches: 0 }));
    this.believed = rerun(snapshot);
    this.true = rerun({ ...snapshot, kit: { ...snapshot.kit, learned: { figures, together: [] } } });
    this.forgets = slip === 'a jug was poured and not entered';
  }

  private did(action: Action, minutes = 1, isForgotten = false): void {
    this.atMs += minutes * MINUTE_MS;
    this.counter += 1;
    const entry: Entry = {
      id: this.draw.uuid(),
      shape: ENTRY_SHAPE,
      stamp: { counter: this.counter, device: 'quay-tablet', seq: this.counter },
      atMs: Math.round(this.atMs),
      who: this.counter % 2 === 0 ? 'MO' : 'JT',
      action,
    };
    if (!isForgotten) this.record.push(entry);
    if (!READINGS.has(action.kind)) this.happened.push(entry);
  }

  private belief(): BatchState {
    return foldBatch(this.believed.snapshot, this.record, this.believed);
  }

  private truth(): BatchState {
    return foldBatch(this.true.snapshot, this.happened, this.true);
  }

  private atStep(step: SoupStep): void {
    const before = this.belief();
    const wantedKg = 'line' in step ? (before.toGoKg.get(step.line) ?? 0) : 0;
    const minutes = before.steps.find(({ stepId }) => stepId === step.id)?.minutes ?? 1;
    if (step.op === 'cover') {
      const jug = this.snapshot.kit.ladles.find(({ id }) => id === 'jug-1000');
      const litres = Math.max(1, Math.round(wantedKg));
      for (let n = 0; n < litres; n++) {
        const poured: Action = { kind: 'poured', stepId: step.id, line: step.line, vessel: jug?.name ?? 'Jug', volumeM3: LITRE_M3 };
        // Two jugs while somebody asked for the key of the van.
        const isForgotten = this.forgets && n > 0 && n <= 3;
        this.did(poured, 0.4, isForgotten);
      }
      this.forgets = false;
    } else if ((step.op === 'season' || step.op === 'cream') && wantedKg > 0) {
      this.did({ kind: 'added', stepId: step.id, line: step.line, kg: Math.round(wantedKg * 1000) / 1000 }, 2);
    }
    // What the page says when a step is ticked is what goes in, whatever really stands there.
    const gaveKg =
      step.op !== 'join' && kindOf(step).told
        ? before.run.records.find((one) => one.step.id === step.id)?.counts?.settledKg
        : undefined;
    this.did(
      { kind: 'done', stepId: step.id, ...(gaveKg === undefined ? {} : { gaveKg }) },
      Math.max(1, minutes * this.draw.around(0.1)),
    );
  }

  private reads(dishId: string): void {
    const { pot, massKg, prepared } = this.truth();
    const { vessel } = prepared;
    if (vessel.id === 'stockpot-20') {
      const grossKg = Math.round((massKg * this.draw.around(0.006) + vessel.tareKg) * 100) / 100;
      this.did({
        kind: 'weighed',
        stepId: dishId,
        grossKg,
        tareKg: this.slip === 'the pot was left on the scale' ? 0 : vessel.tareKg,
      });
    } else {
      const belowRimM = vessel.depthM - (potM3(pot) / areaM2(vessel)) * this.draw.around(0.012);
      this.did({ kind: 'dipped', stepId: dishId, belowRimM: Math.round(belowRimM * 1000) / 1000 });
    }
    const mPas = Math.round(bodyMPas(pot, READ_C, prepared.parameters.bodyA) * this.draw.around(0.09));
    this.did({ kind: 'body', stepId: dishId, reading: { device: 'viscometer', mPas, tempC: READ_C } });
    this.did({ kind: 'salt', stepId: dishId, saltPct: Math.round(saltPctNow(this.truth()) * this.draw.around(0.04) * 100) / 100 });
  }

  cook(): readonly Entry[] {
    for (const { step } of walk(this.snapshot.soup.root)) {
      if (step.op === 'dish') this.reads(step.id);
      else this.atStep(step);
    }
    this.did({ kind: 'dished', bowls: Math.floor(this.truth().forecast.bowls * this.draw.around(0.012)) }, 60);
    this.did({ kind: 'closed' }, 5);
    return this.record;
  }
}

/** The entries of a batch of long ago, with what was read of what really stood in the pot. */
export function cookedOlder(snapshot: Snapshot, draw: Draw, startMs: number, slip: Slip | undefined): readonly Entry[] {
  return new OlderCook(snapshot, draw, startMs, slip).cook();
}
