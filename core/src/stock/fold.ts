import { compareEntries } from '../batch/index.js';
import { tiesOf, type StockAction, type StockEntry, type Store } from './entry.js';
import { driedLimit, firstLimit, frozenLimit, joinedLimit, thawedLimit, useByDay, type UseByDay } from './keeping.js';
import { driedContents, mixedContents } from './contents.js';
import {
  NOTHING_KG,
  type Container,
  type Cooling,
  type Out,
  type Stock,
  type StockNotice,
  type StockRules,
  readingsOf,
} from './stock.js';

type Draft = Omit<Container, 'state' | 'useBy'>;

/** An undo takes back what touches the container that it names: nothing else need be looked at to know. */
function undoneOf(ordered: readonly StockEntry[]): Set<string> {
  const byId = new Map(ordered.map((entry) => [entry.id, entry]));
  const undone = new Set<string>();
  for (const { id, action } of ordered.toReversed()) {
    if (action.kind !== 'undone' || undone.has(id)) continue;
    const target = byId.get(action.target);
    if (target !== undefined && tiesOf(target).includes(action.container)) undone.add(target.id);
  }
  return undone;
}

/** Containers in the making. Every kilo that leaves one is booked as gone or into another: nothing vanishes. */
class Shelves {
  readonly all = new Map<string, Draft>();
  readonly notices: StockNotice[] = [];
  /** The soonest last day of what was used in a batch. */
  private readonly bounds = new Map<string, string>();

  constructor(
    private readonly rules: StockRules,
    private readonly entry: { now: StockEntry },
    base: ReadonlyMap<string, Container>,
  ) {
    for (const [id, container] of base) this.all.set(id, container);
  }

  private notice(kind: StockNotice['kind'], container: string, kg?: number): void {
    this.notices.push({ entryId: this.entry.now.id, container, kind, ...(kg === undefined ? {} : { kg }) });
  }

  private found(id: string): Draft | undefined {
    const have = this.all.get(id);
    if (have === undefined) this.notice('no such container', id);
    return have;
  }

  private set(draft: Draft, changed: Partial<Draft>): void {
    this.all.set(draft.id, { ...draft, ...changed, changedMs: this.entry.now.atMs });
  }

  private useBy({ limit }: Draft): UseByDay {
    return useByDay(limit, this.rules.keeping);
  }

  /** Takes so much out as far as it is there. @returns what was there. */
  private out(id: string, kg: number, as: Out): number {
    const from = this.found(id);
    if (from === undefined) return 0;
    const real = Math.min(kg, from.kg);
    if (kg - real > NOTHING_KG) this.notice('more than was there', id, kg - real);
    this.set(from, { kg: from.kg - real, outKg: { ...from.outKg, [as]: (from.outKg[as] ?? 0) + real } });
    return real;
  }

  private eaten(id: string): void {
    const from = this.all.get(id);
    if (from === undefined) return;
    if (this.rules.dayOf(this.entry.now.atMs) > this.useBy(from).day) this.notice('past its day', id);
  }

  fill(action: Extract<StockAction, { kind: 'filled' }>): void {
    const { container: id, kg, addedKg = 0, vessel, contents, madeMs, from, store } = action;
    if (this.all.has(id)) {
      this.notice('filled twice', id);
      return;
    }
    const { atMs } = this.entry.now;
    const { dayOf, keeping } = this.rules;
    const limit = firstLimit(dayOf(madeMs), contents.holds, keeping, from && this.bounds.get(from.batchId));
    const isFrozen = store.kind === 'freezer';
    this.all.set(id, {
      id,
      vessel,
      contents,
      from,
      store,
      kg,
      filledKg: Math.max(0, kg - addedKg),
      inKg: kg,
      outKg: {},
      foundKg: 0,
      madeMs,
      filledMs: atMs,
      cooling: undefined,
      drying: undefined,
      driedMs: undefined,
      cooledMs: undefined,
      frozenMs: isFrozen ? atMs : undefined,
      thawedMs: undefined,
      openedMs: undefined,
      notes: [],
      changedMs: atMs,
      limit: isFrozen ? frozenLimit(limit, dayOf(atMs)) : limit,
    });
  }

  move(id: string, store: Store, changed: Partial<Draft> = {}): void {
    const have = this.found(id);
    if (have === undefined) return;
    const { atMs } = this.entry.now;
    const day = this.rules.dayOf(atMs);
    // What is dry neither freezes nor thaws.
    const isDry = have.driedMs !== undefined;
    const was = have.store.kind === 'freezer' && !isDry;
    const is = store.kind === 'freezer' && !isDry;
    this.set(have, {
      ...changed,
      store,
      ...(is && !was ? { frozenMs: atMs, limit: frozenLimit(have.limit, day) } : {}),
      ...(was && !is ? { thawedMs: atMs, limit: thawedLimit(have.limit, day) } : {}),
    });
  }

  split({ container, into, vessel, kg }: Extract<StockAction, { kind: 'split' }>): void {
    if (container === into) {
      this.notice('into itself', container);
      return;
    }
    if (this.all.has(into)) {
      this.notice('filled twice', into);
      return;
    }
    if (this.all.get(container)?.drying !== undefined) {
      this.notice('dried and not', container);
      return;
    }
    const real = this.out(container, kg, 'split');
    const from = this.all.get(container);
    if (from === undefined || real <= 0) return;
    // Half of a pan that cools goes on cooling, shallower, with nothing read of it yet.
    this.all.set(into, {
      ...from,
      id: into,
      vessel,
      kg: real,
      filledKg: 0,
      inKg: real,
      outKg: {},
      foundKg: 0,
      filledMs: this.entry.now.atMs,
      cooling: from.cooling && partedCooling(from.cooling, this.entry.now.id),
      notes: [],
      changedMs: this.entry.now.atMs,
    });
  }

  join({ container, other, kg }: Extract<StockAction, { kind: 'joined' }>): void {
    if (container === other) {
      this.notice('into itself', container);
      return;
    }
    const into = this.found(container);
    const from = this.found(other);
    if (into === undefined || from === undefined) return;
    if ((into.driedMs === undefined) !== (from.driedMs === undefined) || (into.drying ?? from.drying) !== undefined) {
      this.notice('dried and not', container);
      return;
    }
    if ((into.store.kind === 'freezer') !== (from.store.kind === 'freezer')) {
      this.notice('frozen and not', container);
      return;
    }
    const real = this.out(other, kg, 'joined');
    if (real <= 0) return;
    const now = this.all.get(container) ?? into;
    this.set(now, {
      kg: now.kg + real,
      inKg: now.inKg + real,
      madeMs: Math.min(into.madeMs, from.madeMs),
      contents: mixedContents(now.contents, now.kg, from.contents, real),
      limit: joinedLimit(into.limit, from.limit),
    });
  }

  take(action: Extract<StockAction, { kind: 'took' }>): void {
    const { container, kg, as, batchId } = action;
    this.eaten(container);
    const from = this.all.get(container);
    if (from?.store.kind === 'freezer' && as !== 'used') this.notice('taken frozen', container);
    const real = this.out(container, kg, as);
    if (as !== 'used' || batchId === undefined || from === undefined || real <= 0) return;
    const day = from.limit.day ?? this.rules.dayOf(this.entry.now.atMs);
    const have = this.bounds.get(batchId);
    this.bounds.set(batchId, have === undefined || day < have ? day : have);
  }

  /** Into the dryer: the count of its days stands still, as in the freezer. */
  private dry({ container, trays, squares }: Extract<StockAction, { kind: 'set to dry' }>): void {
    const have = this.found(container);
    if (have === undefined) return;
    if (have.driedMs !== undefined) {
      this.notice('dried and not', container);
      return;
    }
    const { atMs } = this.entry.now;
    const drying = { startMs: atMs, trays, squares, wetKg: have.kg, weighings: [] };
    const day = this.rules.dayOf(atMs);
    // What is past its day stays so, however dry.
    const isPast = have.limit.day !== undefined && day > have.limit.day;
    this.set(have, { drying, limit: isPast ? have.limit : frozenLimit(have.limit, day) });
  }

  private dried({ container, kg, store }: Extract<StockAction, { kind: 'dried' }>): void {
    const have = this.found(container);
    if (have === undefined) return;
    if (have.drying === undefined) {
      this.notice('not in the dryer', container);
      return;
    }
    if (kg > have.kg) {
      this.notice('heavier than before', container);
      return;
    }
    const { atMs } = this.entry.now;
    this.out(container, have.kg - kg, 'dried off');
    const now = this.all.get(container) ?? have;
    this.set(now, {
      store,
      drying: undefined,
      driedMs: atMs,
      contents: driedContents(have.contents, have.kg, kg),
      limit: have.limit.day === undefined ? driedLimit(this.rules.dayOf(atMs)) : have.limit,
    });
  }

  apply({ action, id, atMs }: StockEntry): void {
    switch (action.kind) {
      case 'filled':
        this.fill(action);
        return;
      case 'set to cool': {
        const have = this.found(action.container);
        if (have === undefined) return;
        const { startC, depthM, place, isStirred, hindered, rule, words, own, countsFromMs } = action;
        const earlier = countsFromMs === undefined || have.cooling === undefined ? [] : partedCooling(have.cooling, id).earlier;
        const cooling = {
          startMs: atMs,
          startC,
          depthM,
          place,
          isStirred,
          hindered,
          rule,
          words,
          own,
          countsFromMs,
          readings: [],
          earlier,
        };
        this.set(have, { cooling, cooledMs: undefined });
        return;
      }
      case 'read': {
        const have = this.found(action.container);
        if (have === undefined) return;
        if (have.cooling === undefined) {
          this.notice('not cooled', have.id);
          return;
        }
        const readings = [...have.cooling.readings, { entryId: id, atMs, tempC: action.tempC }];
        this.set(have, { cooling: { ...have.cooling, readings } });
        return;
      }
      case 'cooled':
        this.move(action.container, action.store, { cooledMs: atMs });
        return;
      case 'moved':
        this.move(action.container, action.store);
        return;
      case 'opened': {
        const have = this.found(action.container);
        if (have !== undefined) this.set(have, { openedMs: have.openedMs ?? atMs });
        return;
      }
      case 'set to dry':
        this.dry(action);
        return;
      case 'weighed dry': {
        const have = this.found(action.container);
        if (have === undefined) return;
        if (have.drying === undefined) {
          this.notice('not in the dryer', have.id);
          return;
        }
        const weighings = [...have.drying.weighings, { entryId: id, atMs, kg: action.kg }];
        this.set(have, { drying: { ...have.drying, weighings } });
        return;
      }
      case 'dried':
        this.dried(action);
        return;
      case 'split':
        this.split(action);
        return;
      case 'joined':
        this.join(action);
        return;
      case 'took':
        this.take(action);
        return;
      case 'reheated':
        this.eaten(action.container);
        this.out(action.container, action.kg, 'reheated');
        return;
      case 'threw away':
        this.out(action.container, action.kg, 'thrown away');
        return;
      case 'recounted': {
        const have = this.found(action.container);
        if (have !== undefined) this.set(have, { kg: action.kg, foundKg: have.foundKg + action.kg - have.kg });
        return;
      }
      case 'note': {
        const have = this.found(action.container);
        if (have !== undefined) this.set(have, { notes: [...have.notes, action.text] });
        return;
      }
      case 'undone':
      case 'checked':
        return;
    }
  }

  ended(draft: Draft): Container {
    return { ...draft, state: stateOf(draft), useBy: this.useBy(draft) };
  }
}

/** A cooling that goes on in another way, with nothing read of it yet; what was read stays known. */
function partedCooling(cooling: Cooling, entryId: string): Cooling {
  const earlier = readingsOf(cooling).map((one) => ({ entryId, ...one }));
  return { ...cooling, readings: [], earlier };
}

function stateOf({ kg, store, cooling, cooledMs, thawedMs, drying, driedMs }: Draft): Container['state'] {
  if (kg < NOTHING_KG) return 'gone';
  if (drying !== undefined) return 'drying';
  if (driedMs !== undefined) return 'dried';
  if (cooling !== undefined && cooledMs === undefined) return 'cooling';
  if (store.kind === 'freezer') return 'frozen';
  return thawedMs === undefined ? 'chilled' : 'thawed';
}

/**
 * The stock as its entries have it, whatever order they are given in and however often: each id once, by cause, undos
 * applied. Never throws on valid entries: what can't be booked is a notice. For every container what came in and was found
 * is what went out and is there, and what one gave another got.
 *
 * @param base containers as they were before these entries: what a screen has not sent yet is folded onto what the server
 * said.
 */
export function foldStock(
  entries: readonly StockEntry[],
  rules: StockRules,
  base: ReadonlyMap<string, Container> = new Map(),
): Stock {
  const all = [...new Map(entries.map((entry) => [entry.id, entry])).values()].sort(compareEntries);
  const undone = undoneOf(all);
  const counted = all.filter(({ id, action }) => !undone.has(id) && action.kind !== 'undone');
  const [first] = counted;
  if (first === undefined) return { containers: base, notices: [], counted, undone };
  const at = { now: first };
  const shelves = new Shelves(rules, at, base);
  for (const entry of counted) {
    at.now = entry;
    shelves.apply(entry);
  }
  return {
    containers: new Map([...shelves.all].map(([id, draft]) => [id, shelves.ended(draft)])),
    notices: shelves.notices,
    counted,
    undone,
  };
}
