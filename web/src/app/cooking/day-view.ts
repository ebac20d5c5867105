import {
  dayWork,
  forTheCold,
  intoCold,
  latestBy,
  plansIn,
  planDay,
  waysOut,
  workOf,
  clockMinute,
  clockOf,
  type Cooling,
  type Day,
  type DayBatch,
  type DayPlan,
  type DayWork,
  type Order,
  type PlanIn,
  type Planning,
  type Progress,
} from '@tureen/core/board';
import {
  NO_PANS_LEFT,
  byClock,
  coolingRows,
  dayProblemSentence,
  dayRows,
  dayVerdict,
  wayWords,
  type DayRow,
} from '@tureen/core/messages';
import type { Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { rerun, sharesOf, type ShareFigures, type Snapshot } from '@tureen/core/plan';
import { shoppingList, type Buying, type ShoppingRow, type Supply } from '@tureen/core/shop';
import type { Soup } from '@tureen/core/soup';
import type { Contents } from '@tureen/core/stock';
import { dayPicture, type DayPicture } from './day-picture';
import { useUpView, type UseUpAsk, type UseUpView } from './use-up-view';

/** A soup of the day with its card. */
export interface SoupOfDay {
  readonly soupId: string;
  readonly version: number | undefined;
  readonly soup: Soup;
}

/** A batch of the day that has been started: what it was planned from, and how far it is. */
export interface Started {
  readonly id: string;
  readonly snapshot: Snapshot;
  readonly done: readonly string[];
  readonly running: readonly { readonly stepId: string; readonly startedAtMs: number; readonly minutes: number }[];
  readonly isOver: boolean;
}

export interface DayAsk {
  readonly day: Day;
  readonly soups: readonly SoupOfDay[];
  readonly started: readonly Started[];
  /** Of each batch that brings kept bowls back, what they are. */
  readonly kept?: readonly { readonly id: string; readonly contents: Contents }[];
  /** Now, where the day is today and not over. */
  readonly now: { readonly ms: number; readonly minute: number } | undefined;
}

/** A day of which what it needs is to be bought. */
export interface ShopDay {
  readonly day: Day;
  readonly soups: readonly SoupOfDay[];
}

/** A soup of a day as guests are told of it. */
export interface MenuSoup {
  readonly id: string;
  readonly name: string;
  readonly shares: readonly ShareFigures[];
}

/** A soup of the day as the Board lists it. */
export interface DaySoup {
  readonly id: string;
  readonly name: string;
  readonly colour: string;
  readonly potId: string;
  readonly potName: string;
  readonly bowls: number;
  readonly lateMin: number;
  readonly trouble: string | undefined;
}

/** A day as the Board shows it. */
export interface DayView {
  readonly soups: readonly DaySoup[];
  readonly rows: readonly DayRow[];
  readonly picture: DayPicture;
  readonly main: string;
  readonly more: string;
  readonly isLate: boolean;
}

/** A day laid out, of which it is open whether another order of work is better. */
export interface ProofAsk {
  readonly work: DayWork;
  readonly plan: DayPlan;
}

/** A way out as it was tried. */
export interface WayView {
  readonly words: string;
  readonly outcome: string;
  /** What of the day would be changed by it, where one touch can do that. */
  readonly change: { readonly starts?: string; readonly batchId?: string; readonly bowls?: number } | undefined;
}

/** Orders tried at once, before the screen shows anything, and in all. */
const FIRST_TRIES = 12;
const ALL_TRIES = 400;
/** Shares of its bowls that a soup is tried at where a day is late. */
const FEWER = [0.9, 0.8, 0.65, 0.5] as const;
/** Orders tried for each way out: there may be forty of them. */
const WAY_TRIES = 15;
/** Plans that are remembered. */
const MOST_KNOWN = 400;

/** Plans days on one kitchen, remembering what each soup comes to in each pot. */
export class DayPlanner {
  private kit: Kit | undefined;
  private rows: readonly IngredientRow[] = [];
  private readonly known = new Map<string, ReturnType<PlanIn>>();
  private planning: Planning | undefined;
  private found: DayPlan | undefined;
  private order: Order | undefined;
  private ask: DayAsk | undefined;

  /** Told of the kitchen: what was planned before is planned anew. */
  stock(rows: readonly IngredientRow[], kit: Kit | undefined): void {
    this.kit = kit;
    this.rows = rows;
    this.known.clear();
  }

  /** The day as it can be told at once; undefined without a kitchen or without a soup that can be planned. */
  first(ask: DayAsk): DayView | undefined {
    if (this.kit === undefined) return undefined;
    this.ask = ask;
    this.planning = this.worked(ask, this.kit);
    this.found = planDay(this.planning.work, FIRST_TRIES, 1, this.order);
    return this.view();
  }

  /** The same after a longer look; undefined where nothing better was found. */
  better(): DayView | undefined {
    if (this.planning === undefined || this.found === undefined) return undefined;
    const found = planDay(this.planning.work, ALL_TRIES, 1, this.found.order);
    if (found === undefined) return undefined;
    const isBetter =
      latestBy(found) < latestBy(this.found) ||
      (latestBy(found) === latestBy(this.found) && found.arrangement.firstMin > this.found.arrangement.firstMin);
    if (!isBetter) return undefined;
    this.found = found;
    return this.view();
  }

  /** What a closer proof would be of; undefined where there is nothing to prove or nothing laid out. */
  open(): ProofAsk | undefined {
    const { planning, found } = this;
    if (planning === undefined || found === undefined || found.unplaced.length > 0) return undefined;
    const isProved = found.lateMin.size === 0 && found.inHandMin >= found.mostInHandMin;
    return isProved ? undefined : { work: planning.work, plan: found };
  }

  /**
   * The day by a plan that was proved, or that is better than the one before. While it is being cooked, and on time, only the
   * bound is taken: minutes in hand are not worth work that moves to and fro.
   */
  take(plan: DayPlan): DayView | undefined {
    const { found } = this;
    const stays = this.ask?.now !== undefined && found !== undefined && latestBy(found) === 0;
    this.found = stays ? { ...found, mostInHandMin: Math.max(found.inHandMin, plan.mostInHandMin) } : plan;
    return this.view();
  }

  /** What would help a late day, each laid out anew. */
  ways(): WayView[] {
    const { planning, found, ask } = this;
    if (planning === undefined || found === undefined || ask === undefined) return [];
    const late = latestBy(found);
    return waysOut(planning.work, found, (id) => this.fewer(id), WAY_TRIES).map(({ way, lateMin }) => ({
      words: wayWords(way, planning.work.batches),
      outcome: lateMin === 0 ? 'then all is on time' : `then late by ${String(lateMin)} min instead of ${String(late)}`,
      change:
        way.kind === 'start' && way.atMin >= 0
          ? { starts: clockOf(way.atMin) }
          : way.kind === 'fewer'
            ? { batchId: way.batchId, bowls: way.bowls }
            : undefined,
    }));
  }

  /** For guests: what a bowl of each soup of a day holds, share by share, as it is planned. */
  menu({ day, soups }: ShopDay): MenuSoup[] {
    const { kit } = this;
    if (kit === undefined) return [];
    const soupOf = (soupId: string, version: number | undefined): Soup | undefined =>
      soups.find((one) => one.soupId === soupId && one.version === version)?.soup;
    const { plans } = dayWork(day, kit, soupOf, this.planIn);
    return [...plans].map(([id, plan]) => ({ id, name: plan.snapshot.soup.name, shares: sharesOf(plan.run) }));
  }

  /** What all the soups of some days need from the shop. */
  shop(days: readonly ShopDay[], supplies: readonly Supply[], buying: readonly Buying[]): ShoppingRow[] {
    const { kit } = this;
    if (kit === undefined) return [];
    const wanted = days.flatMap(({ day, soups }) => {
      const soupOf = (soupId: string, version: number | undefined): Soup | undefined =>
        soups.find((one) => one.soupId === soupId && one.version === version)?.soup;
      const { plans } = dayWork(day, kit, soupOf, this.planIn);
      return [...plans].map(([, plan]) => ({ name: plan.snapshot.soup.name, plan }));
    });
    return shoppingList(wanted, this.rows, supplies, buying);
  }

  /** What goes off soon, and the soups that use it. */
  useUp(ask: UseUpAsk): UseUpView {
    return this.kit === undefined ? { soon: [], ways: [] } : useUpView(ask, this.rows, this.kit);
  }

  private fewer(batchId: string): { bowls: number; work: Planning['work']['batches'][number] }[] {
    const batch = this.ask?.day.batches.find(({ id }) => id === batchId);
    const own = this.planning?.work.batches.find((work) => work.batchId === batchId);
    const soup = batch === undefined ? undefined : this.soupOf(batch.soupId, batch.version);
    if (batch === undefined || own === undefined || soup === undefined) return [];
    return FEWER.flatMap((share) => {
      const bowls = Math.floor(batch.request.bowls * share);
      const less = { ...batch, request: { ...batch.request, bowls } };
      const planning = bowls < 1 ? undefined : this.planIn(soup, less, own.potId);
      if (planning?.ok !== true) return [];
      return [
        { bowls, work: workOf(planning.plan, { batchId, dueMin: own.dueMin, servedMin: own.servedMin, keeps: batch.keeps }) },
      ];
    });
  }

  private readonly planIn: PlanIn = (soup, batch, potId) => {
    const { kit } = this;
    if (kit === undefined) throw new Error('A day is planned once there is a kitchen.');
    const key = JSON.stringify([soup, batch.request, potId]);
    const have = this.known.get(key);
    if (have !== undefined) return have;
    const planned = plansIn(this.rows, kit)(soup, batch, potId);
    if (this.known.size >= MOST_KNOWN) this.known.clear();
    this.known.set(key, planned);
    return planned;
  };

  private soupOf(soupId: string, version: number | undefined): Soup | undefined {
    return this.ask?.soups.find((one) => one.soupId === soupId && one.version === version)?.soup;
  }

  private worked({ day, started, now, kept = [] }: DayAsk, kit: Kit): Planning {
    const begun = new Map(started.map((one) => [one.id, one]));
    const going: Day = {
      ...day,
      batches: day.batches
        .filter(({ id }) => begun.get(id)?.isOver !== true)
        .map((batch): DayBatch => {
          const snapshot = begun.get(batch.id)?.snapshot;
          return snapshot === undefined ? batch : { ...batch, request: { ...batch.request, potId: snapshot.request.potId } };
        }),
    };
    const progress = new Map(started.map((one): [string, Progress] => [one.id, progressOf(one, now?.ms)]));
    // What has been started goes on by its own plan, whatever card or kit say by now.
    const planIn: PlanIn = (soup, batch, potId) => {
      const snapshot = begun.get(batch.id)?.snapshot;
      return snapshot === undefined ? this.planIn(soup, batch, potId) : { ok: true, plan: rerun(snapshot) };
    };
    const keptOf = ({ id }: DayBatch): Contents | undefined => kept.find((one) => one.id === id)?.contents;
    return dayWork(going, kit, (id, version) => this.soupOf(id, version), planIn, now?.minute, progress, keptOf);
  }

  /** Where what goes into the cold cools. */
  private cooling(): Cooling {
    const { planning, found, ask, kit } = this;
    if (planning === undefined || found === undefined || ask === undefined || kit === undefined) return { cooled: [], without: [] };
    return intoCold(forTheCold(ask.day, planning.plans, found, new Set(ask.started.map(({ id }) => id))), kit);
  }

  private view(): DayView | undefined {
    const { planning, found, ask, kit } = this;
    if (planning === undefined || ask === undefined || kit === undefined) return undefined;
    const cooling = this.cooling();
    const { batches, lanes } = planning.work;
    if (found !== undefined) this.order = found.order;
    const soups = ask.day.batches.map((batch): DaySoup => {
      const work = batches.find(({ batchId }) => batchId === batch.id);
      const problem = planning.problems.find(({ batchId }) => batchId === batch.id);
      return {
        id: batch.id,
        name: work?.soupName ?? this.soupOf(batch.soupId, batch.version)?.name ?? batch.soupId,
        colour: work?.colour ?? 'transparent',
        potId: work?.potId ?? '',
        potName: kit.pots.find(({ id }) => id === work?.potId)?.name ?? '',
        bowls: batch.request.bowls,
        lateMin: found?.lateMin.get(batch.id) ?? 0,
        trouble:
          problem !== undefined
            ? dayProblemSentence(problem)
            : found?.unplaced.includes(batch.id) === true
              ? noPlace(ask.day, batch.id)
              : cooling.without.includes(batch.id)
                ? NO_PANS_LEFT
                : undefined,
      };
    });
    const verdict = found === undefined ? { main: '', more: '' } : dayVerdict(found, batches, lanes, clockMinute(ask.day.ends));
    return {
      soups,
      rows:
        found === undefined
          ? []
          : byClock([...dayRows(found, batches, lanes, kit.units), ...coolingRows(cooling.cooled, batches, kit.units)]),
      picture: dayPicture(ask.day, planning.work, found, cooling.cooled),
      ...verdict,
      isLate: found !== undefined && latestBy(found) > 0,
    };
  }
}

/** Why a soup is on no lane: what was settled by hand, or the kit itself. */
function noPlace({ pins = [] }: Day, batchId: string): string {
  return pins.some(({ block }) => block.startsWith(`${batchId}/`))
    ? 'It finds no place round what was settled by hand. Leave that to the plan again.'
    : 'It finds no place on this day’s kit and hands.';
}

const MINUTE_MS = 60_000;

/** How far a batch is: what is done, and of what runs the minutes that are left; a minute of what should be over. */
export function progressOf({ done, running }: Started, nowMs: number | undefined): Progress {
  const left = new Map(done.map((stepId) => [stepId, 0]));
  for (const { stepId, startedAtMs, minutes } of running)
    left.set(stepId, nowMs === undefined ? minutes : Math.max(1, minutes - (nowMs - startedAtMs) / MINUTE_MS));
  return { left, running: running.map(({ stepId }) => stepId) };
}
