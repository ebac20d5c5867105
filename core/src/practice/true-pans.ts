import { meanOf, panAfter, panAt, type PanStands, type SimulatedPan } from '../bench/index.js';
import { EDGE_PER_M, USUAL_PLACES, stuffOf, tableAt, type CoolingPlace } from '../cold/index.js';
import { makeIngredient } from '../larder/index.js';
import type { Kit } from '../kit/index.js';
import { historyOf, type StoredEntry } from '../batch/index.js';
import type { Planned } from '../plan/index.js';
import { contentsOf, coolingPlaceOf, type Contents, type StockEntry, type Store } from '../stock/index.js';
import { cookedIn, type Hidden } from './cooked.js';
import type { HiddenKitchen } from './hidden-kitchen.js';
import { after } from './truth.js';

/** How far what a place takes, and how deep a pan is filled, is off, 1 sd of ln: for good, and each time. Invented for the bench. */
const TAKES_LN = 0.12;
const DEEPER_LN = 0.05;
/** Still air about what stands in a store, W/(m2 K) at each face. Invented for the bench. */
const STORE_W = 9;
const STORE_C: Readonly<Record<Store['kind'], number>> = { fridge: 3.5, freezer: -18, room: 21 };
/** A layer in a container that nobody said how deep it is, m. */
const USUAL_DEPTH_M = 0.06;
/** Properties of soup at this temperature are near enough all the way down, °C. */
const MIDDLING_C = 40;
const MINUTE_MS = 60_000;
const STRIDE_MS = 10 * MINUTE_MS;
/** What nobody touches any more is followed for so long. */
const FOLLOWED_MS = 24 * 60 * MINUTE_MS;

interface Stretch {
  readonly fromMs: number;
  readonly at: (ms: number) => SimulatedPan;
}

/** A pan of a practice as it really cools, from the pot that it was ladled out of on. */
export class TruePan {
  private readonly stretches: Stretch[];
  private standing: Omit<PanStands, 'heat' | 'conducts'> | undefined;
  private depthM = USUAL_DEPTH_M;
  private lastMs: number;
  /** Since when it is cooled: from the pot on, or since it was heated through again. */
  private sinceMs: number;
  private readonly heat: number;
  private readonly conducts: number;

  /**
   * @param before how it cooled until then; a pot stands for it where it was ladled out of one.
   * @param deeper how many times as deep as is thought it is filled.
   */
  constructor(
    readonly contents: Contents,
    before: readonly Stretch[],
    private readonly deeper: number,
    nowMs: number,
  ) {
    this.stretches = [...before];
    this.lastMs = nowMs;
    this.sinceMs = before[0]?.fromMs ?? nowMs;
    const stuff = stuffOf(makeIngredient(contents.row).perKg, 1);
    this.heat = tableAt(stuff.heat, MIDDLING_C);
    this.conducts = tableAt(stuff.conducts, MIDDLING_C);
  }

  at(ms: number): SimulatedPan {
    return (this.stretches.findLast(({ fromMs }) => fromMs <= ms) ?? this.stretches[0])?.at(ms) ?? panAt(0);
  }

  private goesOn(ms: number, pan: SimulatedPan): void {
    this.lastMs = ms;
    const { standing, heat, conducts } = this;
    const stands = standing === undefined ? undefined : { ...standing, heat, conducts };
    this.stretches.push({
      fromMs: ms,
      at: (then) => (stands === undefined ? pan : panAfter(pan, stands, Math.max(0, then - ms) / 1000)),
    });
  }

  /** Set to cool where it takes so much as it really does. */
  setIn(ms: number, place: CoolingPlace, takes: number, depthM: number, isStirred: boolean): void {
    this.depthM = depthM * this.deeper;
    const sides = isStirred ? 1 + EDGE_PER_M * this.depthM : 1;
    this.standing = {
      depthM: this.depthM,
      above: { outC: place.airC, takesW: place.topW * takes },
      below: { outC: place.belowC, takesW: place.belowW * takes * sides },
      isStirred,
    };
    this.goesOn(ms, this.at(ms));
  }

  /** Put into a fridge, a freezer or on a shelf, to stay there. */
  storedIn(ms: number, { kind }: Store): void {
    const meets = { outC: STORE_C[kind], takesW: STORE_W };
    this.standing = { depthM: this.depthM, above: meets, below: meets, isStirred: false };
    this.goesOn(ms, this.at(ms));
  }

  /** Some of it poured into another: both as warm all through. @returns the other, which stands where this one does. */
  parted(ms: number, deeper: number): TruePan {
    this.goesOn(ms, panAt(meanOf(this.at(ms))));
    const other = new TruePan(this.contents, this.stretches, deeper, ms);
    other.standing = this.standing;
    other.depthM = this.depthM;
    other.sinceMs = this.sinceMs;
    return other;
  }

  /** Another one poured into it. */
  joinedBy(ms: number, other: TruePan, share: number): void {
    this.goesOn(ms, panAt(meanOf(this.at(ms)) * (1 - share) + meanOf(other.at(ms)) * share));
  }

  /** Heated through again: what it was cooled by begins anew. */
  heatedTo(ms: number, tempC: number): void {
    this.sinceMs = ms;
    this.goesOn(ms, panAt(tempC));
  }

  /** When its warmest place passed a temperature since it began to cool; undefined where it does not within a day. */
  passedMs(toC: number): number | undefined {
    const endMs = this.lastMs + FOLLOWED_MS;
    if (this.at(this.sinceMs).middleC <= toC) return this.sinceMs;
    // In strides first, and then minute by minute within the one in which it passes.
    let ms = this.sinceMs;
    while (ms < endMs && this.at(ms + STRIDE_MS).middleC > toC) ms += STRIDE_MS;
    if (ms >= endMs) return undefined;
    let beforeC = this.at(ms).middleC;
    for (ms += MINUTE_MS; ; ms += MINUTE_MS) {
      const { middleC } = this.at(ms);
      if (middleC <= toC) return ms - (MINUTE_MS * (toC - middleC)) / Math.max(1e-9, beforeC - middleC);
      beforeC = middleC;
    }
  }
}

/** What a practice's containers were ladled out of: how hot that really was, since it was told to be left over. */
export interface LeftInPot {
  readonly sinceMs: number;
  readonly tempC: (ms: number) => number;
}

/** A pot as what a pan was before it was one. */
export function potStretch({ sinceMs, tempC }: LeftInPot): Stretch {
  return { fromMs: sinceMs, at: (ms) => panAt(tempC(ms)) };
}

/** What a batch left over, what a kilo of it is, and how hot it really stands in its pot from then on; undefined where it left nothing. */
export function leftInPot(
  plan: Planned,
  entries: readonly StoredEntry[],
  hidden: Hidden,
): { readonly pot: LeftInPot; readonly kg: number; readonly contents: Contents } | undefined {
  const { pot, state } = cookedIn(plan, entries, hidden);
  const stored = historyOf(entries).counted.findLast(({ action }) => action.kind === 'stored');
  const contents = contentsOf(state);
  if (stored?.action.kind !== 'stored' || contents === undefined) return undefined;
  const lastMs = Math.max(...entries.map(({ atMs }) => atMs));
  const { vessel } = plan.prepared;
  return {
    kg: stored.action.kg,
    contents,
    pot: { sinceMs: stored.atMs, tempC: (ms) => after(pot, vessel, undefined, Math.max(0, ms - lastMs) / 1000).tempC },
  };
}

/** What a place really takes of what is thought. */
export function takesOf(place: string, hidden: HiddenKitchen): number {
  return Math.exp(hidden.of(`takes of ${place}`, TAKES_LN)) * (hidden.mishaps.coldTakes?.[place] ?? 1);
}

/**
 * The containers of a practice as they really cool, by what was done to them. What was read changes nothing.
 *
 * @param counted entries of the stock that count, in causal order.
 */
export function truePans(
  counted: readonly StockEntry[],
  pot: LeftInPot,
  hidden: HiddenKitchen,
  { coldPlaces }: Pick<Kit, 'coldPlaces'>,
): ReadonlyMap<string, TruePan> {
  const pans = new Map<string, TruePan>();
  const kilos = new Map<string, number>();
  const cooledBefore = new Set<string>();
  const places = [...(coldPlaces ?? []), ...USUAL_PLACES];
  // By the order in which they are filled: their ids are others in the same kitchen the next time.
  const deeper = (): number => Math.exp(hidden.of(`depth of pan ${String(pans.size)}`, DEEPER_LN));
  for (const { action, atMs } of counted) {
    if (action.kind === 'checked' || action.kind === 'undone') continue;
    const { container } = action;
    if (action.kind === 'filled') {
      const pan = new TruePan(action.contents, [potStretch(pot)], deeper(), atMs);
      pans.set(container, pan);
      kilos.set(container, action.kg);
      pan.storedIn(atMs, action.store);
      continue;
    }
    const pan = pans.get(container);
    if (pan === undefined) continue;
    switch (action.kind) {
      case 'set to cool': {
        const place = coolingPlaceOf(action, places);
        if (cooledBefore.has(container) && action.countsFromMs === undefined) pan.heatedTo(atMs, action.startC);
        cooledBefore.add(container);
        if (place !== undefined) pan.setIn(atMs, place, takesOf(place.id, hidden), action.depthM, action.isStirred);
        break;
      }
      case 'split': {
        pans.set(action.into, pan.parted(atMs, deeper()));
        kilos.set(action.into, action.kg);
        kilos.set(container, Math.max(0, (kilos.get(container) ?? 0) - action.kg));
        if (cooledBefore.has(container)) cooledBefore.add(action.into);
        break;
      }
      case 'joined': {
        const other = pans.get(action.other);
        const ownKg = kilos.get(container) ?? 0;
        if (other !== undefined) pan.joinedBy(atMs, other, action.kg / Math.max(1e-9, ownKg + action.kg));
        kilos.set(container, ownKg + action.kg);
        kilos.set(action.other, Math.max(0, (kilos.get(action.other) ?? 0) - action.kg));
        break;
      }
      case 'cooled':
      case 'moved':
        pan.storedIn(atMs, action.store);
        break;
      case 'took':
      case 'reheated':
      case 'threw away':
        kilos.set(container, Math.max(0, (kilos.get(container) ?? 0) - action.kg));
        break;
      case 'recounted':
        kilos.set(container, action.kg);
        break;
      case 'dried':
        kilos.set(container, action.kg);
        break;
      case 'read':
      case 'opened':
      case 'note':
      case 'set to dry':
      case 'weighed dry':
    }
  }
  return pans;
}
