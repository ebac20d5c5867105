import { saltPctOf, thicknessOf } from '../bench/index.js';
import {
  ENTRY_SHAPE,
  foldBatch,
  landBody,
  landSalt,
  pouredKg,
  saltPctNow,
  type Action,
  type BatchState,
  type Entry,
  type SaltLanding,
} from '../batch/index.js';
import { LARDER_ROWS, SALT, makeLarder, nearTo, scaleMix, type Allergen } from '../larder/index.js';
import type { Planned } from '../plan/index.js';
import { bodyMPas, contents, parcelKg, potKg } from '../pot/index.js';
import { servedOf, type StepRecord } from '../runner/index.js';
import { walk, type SoupStep } from '../soup/index.js';
import type { Cover, Tune } from '../steps/index.js';
import { DIP_M, EYE_LN, HiddenKitchen, normalFrom } from './hidden-kitchen.js';
import { belowRimM, sensed, spoonReadingOf } from './senses.js';
import { Truth, hangsOnFigures, unlearnt } from './truth.js';

/** What the kitchen reads with. */
export interface Instruments {
  readonly mass: 'scale' | 'dip';
  readonly body: 'viscometer' | 'spoon';
  readonly meter: boolean;
}

export interface Ended {
  /** What the body came to against what was wanted; undefined where nothing is. */
  readonly bodyFactor: number | undefined;
  readonly saltOffPct: number | undefined;
  /** Truth over belief of the mass in the end. */
  readonly massFactor: number;
  /** Whether each 90 % band held the truth in the end. */
  readonly held: { readonly mass: boolean; readonly body: boolean };
}

const MOST_POURS = 3;
const MOST_ADDITIONS = 3;
const NINETY = 1.6449;
/** A rest is looked at with the probe every so many minutes, and so often at most. */
const LOOKS_EVERY_MIN = 3;
const MOST_LOOKS = 80;
/** A jug of hot soup is filled so far. */
const THIRD = 0.33;
/** What sharpens goes in by so many parts, and one more where that was too little. */
const QUARTERS = 4;
/** How even a hand fills bowls, 1 sd of ln over a batch. */
const HAND_LN = 0.008;
/** So many substitutes are looked at. */
const MOST_NEAR = 12;

/** What a cook is like who is not as plain as the others. */
export interface Habits {
  /** What liquid covers is poured by a jug that holds so much, m³, and each is entered; as the card says where that is left out. */
  readonly jug?: { readonly name: string; readonly volumeM3: number };
  /** Steps take the minutes that the plan says, more or less by 1 sd of ln; none where that is left out. */
  readonly paceStrays?: number;
}

/** How what a cook did gets on paper: the nth thing, so many minutes after the start. */
export type Writes = (n: number, action: Action, minute: number) => Entry;

/** What a simulated cook is given; what is left out is an honest record of one tablet in a kitchen without mishaps. */
export interface CookSetting {
  readonly seed: number;
  readonly instruments: Instruments;
  readonly hidden?: HiddenKitchen;
  /** What gets on record of what is entered: a slip changes it, or leaves it out. */
  readonly slip?: (action: Action) => Action | undefined;
  readonly habits?: Habits;
  readonly writes?: Writes;
}

const START_MS = 1_700_000_000_000;
const MINUTE_MS = 60_000;

const byOneTablet: Writes = (n, action, minute) => ({
  id: `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`,
  shape: ENTRY_SHAPE,
  stamp: { counter: n, device: 'tablet-a', seq: n },
  atMs: START_MS + minute * MINUTE_MS,
  who: 'AB',
  action,
});

/**
 * A cook in a kitchen whose truth the program does not know: every amount, every pound of vegetables, every minute at the
 * boil is a little other than the card says, and so is what the instruments show. The cook presses what the page offers.
 */
export class SimulatedCook {
  private readonly made: Entry[] = [];
  private minute = 0;
  private folded: BatchState | undefined;
  private readonly truth: Truth;
  private readonly normal: () => number;
  /** The same plan in a kitchen that has learnt and measured nothing: what really happens does not hang on what is believed. */
  private readonly unlearnt: Planned;
  private readonly branchOf: ReadonlyMap<string, string>;
  private readonly seed: number;
  private readonly instruments: Instruments;
  private readonly hidden: HiddenKitchen;
  private readonly slip: (action: Action) => Action | undefined;
  private readonly habits: Habits;
  private readonly writes: Writes;
  private pours = 0;
  private additions = 0;

  constructor(
    private readonly plan: Planned,
    {
      seed,
      instruments,
      hidden = new HiddenKitchen(seed),
      slip = (action) => action,
      habits = {},
      writes = byOneTablet,
    }: CookSetting,
  ) {
    this.seed = seed;
    this.instruments = instruments;
    this.hidden = hidden;
    this.slip = slip;
    this.habits = habits;
    this.writes = writes;
    this.normal = normalFrom(seed);
    this.unlearnt = unlearnt(plan);
    this.truth = new Truth(this.unlearnt, hidden, seed);
    this.branchOf = new Map(walk(plan.prepared.soup.root).map(({ step, branch }) => [step.id, branch.id]));
  }

  private get state(): BatchState {
    this.folded ??= foldBatch(this.plan.snapshot, this.made, this.plan);
    return this.folded;
  }

  private enter(action: Action): void {
    const entered = this.slip(action);
    if (entered === undefined) return;
    this.waits(1);
    this.made.push(this.writes(this.made.length + 1, entered, this.minute));
    this.folded = undefined;
  }

  private waits(minutes: number): void {
    this.minute += minutes;
    this.truth.waits(minutes * 60);
  }

  private get actions(): readonly Action[] {
    return this.made.map(({ action }) => action);
  }

  /** Lets it stand until the probe says what the card wants, looking now and then. */
  private rests(toC: number): void {
    for (let n = 0; n < MOST_LOOKS && this.truth.pot.tempC > toC; n++) this.waits(LOOKS_EVERY_MIN);
  }

  /** Fills a jug as full as it may be, and says so. */
  private jugs(step: SoupStep): void {
    this.enter({ kind: 'jugged', stepId: step.id, fillShare: THIRD, tempC: Math.round(this.truth.pot.tempC), read: false });
  }

  /** Puts something without what guests can't have in the place of every line that has it. */
  swapsFor(guests: readonly Allergen[]): void {
    for (const { line } of this.plan.prepared.lines) {
      if (!line.ingredient.row.allergens.some((one) => guests.includes(one))) continue;
      const safe = nearTo(line.ingredient.row.id, makeLarder(LARDER_ROWS), MOST_NEAR).find(
        ({ row }) => !row.allergens.some((one) => guests.includes(one)),
      );
      if (safe === undefined) this.enter({ kind: 'left out', line: line.id });
      else this.enter({ kind: 'swapped', line: line.id, row: safe.row });
    }
  }

  /** How hot the plan has it behind a step, °C. */
  private plannedC(step: SoupStep): number {
    return this.plan.run.records.find((record) => record.step.id === step.id)?.pot.tempC ?? 0;
  }

  /** Sharpens by the tongue: a quarter of what the card says at a time, until it is sour enough. */
  private sharpens(step: Tune): void {
    const planned = this.plan.run.records.find((record) => record.step.id === step.id)?.inflows ?? [];
    const allKg = planned.reduce((sum, { parcel }) => sum + parcelKg(parcel), 0);
    for (let n = 0; n <= QUARTERS; n++) {
      const hidden = { seed: this.seed, mishaps: this.hidden.mishaps };
      const { sour } = sensed(this.plan, this.truth.pot, true, hidden, this.made.length);
      this.enter({ kind: 'tasted', stepId: step.id, taste: 'sour', side: sour ?? 0 });
      if (sour === undefined || sour >= 0) break;
      this.give(step, step.line, allKg / QUARTERS);
    }
    this.enter({ kind: 'skipped', stepId: step.id });
  }

  /** What the step takes by the clock; the heat of it is the step's own. */
  private takesTime({ id }: SoupStep): void {
    const { paceStrays } = this.habits;
    if (paceStrays === undefined) return;
    const planned = this.plan.run.records.find((record) => record.step.id === id)?.minutes ?? 0;
    this.minute += planned * Math.exp(paceStrays * this.normal());
  }

  /** Pours until it is covered, jug by jug, and enters each. */
  private covers(step: Cover, jug: NonNullable<Habits['jug']>): void {
    const own = this.state.prepared.lines.find(({ line: { id } }) => id === step.line)?.line;
    if (own === undefined) return;
    const jugKg = pouredKg(own.ingredient, jug.volumeM3);
    const wantedKg = (this.state.toGoKg.get(step.line) ?? 0) * this.truth.coveredTimes(step.id);
    for (let n = 0; n < Math.max(1, Math.round(wantedKg / jugKg)); n++) {
      this.truth.give(step.line, scaleMix(own.ingredient.perKg, jugKg), this.branchOf.get(step.id), 'ladle');
      this.enter({ kind: 'poured', stepId: step.id, line: step.line, vessel: jug.name, volumeM3: jug.volumeM3 });
    }
  }

  private tick(step: SoupStep): void {
    const { jug } = this.habits;
    if (step.op === 'cover' && jug !== undefined) this.covers(step, jug);
    this.takesTime(step);
    this.enter({ kind: 'done', stepId: step.id });
    const isOwn = (record: StepRecord): boolean => record.step.id === step.id && record.step.op === step.op;
    const records = this.state.happened.filter(isOwn);
    const isPlain = this.unlearnt === this.plan || !records.some(hangsOnFigures);
    const unlearnt = isPlain ? records : foldBatch(this.unlearnt.snapshot, this.made, this.unlearnt).happened.filter(isOwn);
    // What was entered by hand is in already.
    for (const [n, record] of records.entries()) {
      if (record.step.op !== 'read' && !this.byHand(record)) this.truth.happens(record, unlearnt[n] ?? record);
    }
  }

  private byHand({ step }: StepRecord): boolean {
    return (
      step.op === 'add' &&
      this.actions.some(
        ({ kind, ...action }) => (kind === 'added' || kind === 'poured') && 'stepId' in action && action.stepId === step.id,
      )
    );
  }

  /** Weighs or dips; what the page questions is read again, as it asks. */
  private readMass(step: SoupStep): void {
    this.lookAtMass(step);
    if (this.state.readings.at(-1)?.questioned === true) this.lookAtMass(step);
  }

  private lookAtMass(step: SoupStep): void {
    const { vessel } = this.plan.prepared;
    if (this.instruments.mass === 'scale') {
      const massKg = this.hidden.scale.read(this.truth.kg, 0);
      this.enter({ kind: 'weighed', stepId: step.id, grossKg: massKg + vessel.tareKg, tareKg: vessel.tareKg });
      return;
    }
    const off = this.hidden.dipBiasM + this.normal() * DIP_M.noiseSd;
    this.enter({ kind: 'dipped', stepId: step.id, belowRimM: belowRimM(vessel, this.truth.pot) + off });
  }

  private readBody(step: SoupStep): void {
    const { servedC } = this.plan.prepared;
    const mPas = thicknessOf(this.truth.pot, servedC);
    if (this.instruments.body === 'viscometer') {
      this.enter({
        kind: 'body',
        stepId: step.id,
        reading: { device: 'viscometer', mPas: this.hidden.viscometer.read(mPas, 0), tempC: servedC },
      });
      return;
    }
    const word = spoonReadingOf(mPas, this.hidden.eyeBias + this.normal() * EYE_LN.noiseSd);
    this.enter({ kind: 'body', stepId: step.id, reading: { device: 'spoon', word, tempC: servedC } });
  }

  private readSalt(step: SoupStep): void {
    if (!this.instruments.meter || saltPctOf(this.truth.pot) <= 0) return;
    this.enter({ kind: 'salt', stepId: step.id, saltPct: this.hidden.meter.read(saltPctOf(this.truth.pot), 0) });
  }

  private give(step: SoupStep, line: string, kg: number): void {
    const own = this.state.prepared.lines.find(({ line: { id } }) => id === line)?.line;
    if (own === undefined) return;
    this.truth.give(line, scaleMix(own.ingredient.perKg, kg));
    this.enter({ kind: 'added', stepId: step.id, line, kg });
  }

  /** Lets it down as the page says: two thirds of what it asks for, looking again after each. */
  private landsBody(step: SoupStep, most: number): void {
    for (let n = 0; n < most && this.pours < MOST_POURS; n++) {
      const way = landBody(this.state)?.ways.find(({ by, overflows }) => by === 'thin' && !overflows);
      if (way === undefined) return;
      const own = this.state.prepared.lines.find(({ line: { ingredient } }) => ingredient.row.id === way.ingredient);
      if (own === undefined) return;
      this.pours += 1;
      this.give(step, own.line.id, way.firstKg);
      this.readBody(step);
      this.readBody(step);
    }
  }

  private landsSalt(step: SoupStep, most: number): void {
    for (let n = 0; n < most && this.additions < MOST_ADDITIONS; n++) {
      const way: SaltLanding['ways'][number] | undefined = landSalt(this.state)?.ways[0];
      if (way === undefined || !(way.kg > 0)) return;
      this.additions += 1;
      this.give(step, way.line, way.firstKg);
      this.readSalt(step);
      this.readSalt(step);
    }
  }

  /** Does what the card says and reads nothing: what really comes of it in the bowls. */
  asPlanned(): { readonly bowls: number; readonly saltPct: number; readonly mPas: number } {
    for (const { step } of walk(this.plan.prepared.soup.root)) if (step.op !== 'dish') this.tick(step);
    const { run: planned, prepared } = this.plan;
    if (planned.last === undefined) throw new Error('This plan has no step.');
    const believed = planned.last.before;
    const potKgBelieved = potKg(believed);
    const served = servedOf(prepared, planned);
    const { servedC, parameters } = prepared;
    const toBowl = served.bodyMPas / bodyMPas(believed, servedC, parameters.bodyA);
    const saltPctBelieved = (contents(believed).mix[SALT] / potKgBelieved) * 100;
    return {
      bowls: (planned.bowls * this.truth.kg) / potKgBelieved,
      saltPct: (saltPctOf(this.truth.pot) * served.saltPct) / Math.max(1e-9, saltPctBelieved),
      mPas: thicknessOf(this.truth.pot, servedC) * toBowl,
    };
  }

  /** Serves the batch: what it fills in bowls is dished, but for some that are put away, and the record is closed. */
  serves(keepsBowls = 0): void {
    const { forecast, massKg } = this.state;
    const byHand = Math.exp(HAND_LN * this.normal());
    const bowls = Math.floor((forecast.bowls * this.truth.kg * byHand) / massKg);
    const keeps = Math.min(bowls, keepsBowls);
    this.enter({ kind: 'dished', bowls: bowls - keeps });
    if (keeps > 0) this.enter({ kind: 'stored', kg: (keeps * this.plan.snapshot.request.bowlG) / 1000 });
    this.enter({ kind: 'closed' });
  }

  /** What really stands in the pot, kg. */
  get trueKg(): number {
    return this.truth.kg;
  }

  /** What was entered so far. */
  get entries(): Entry[] {
    return [...this.made];
  }

  /** Cooks the batch from the first knife to the ladle. */
  cook(): Ended {
    const steps = walk(this.plan.prepared.soup.root).map(({ step }) => step);
    const dish = steps.at(-1);
    if (dish === undefined) throw new Error('This plan has no step.');
    for (const step of steps) {
      if (step.op === 'dish') break;
      if (step.op === 'thin') {
        this.readMass(step);
        this.readBody(step);
        this.readBody(step);
        this.landsBody(step, 2);
      }
      if (step.op === 'season') {
        this.readSalt(step);
        this.landsSalt(step, 2);
      }
      if (step.op === 'rest' && step.around === 'air') this.rests(this.plannedC(step));
      if (step.op === 'blend' && step.blender === 'jug') this.jugs(step);
      if (step.op === 'tune' && step.taste === 'sour') this.sharpens(step);
      else this.tick(step);
    }
    this.readMass(dish);
    this.readBody(dish);
    this.readBody(dish);
    this.landsBody(dish, MOST_POURS);
    this.readSalt(dish);
    this.readSalt(dish);
    this.landsSalt(dish, MOST_ADDITIONS);
    const body = landBody(this.state);
    const salt = landSalt(this.state);
    const { servedC, parameters } = this.plan.prepared;
    const believed = this.state.pot;
    // What is stirred in and stuck on the way to the bowl does to the truth what it does to the belief.
    const toBowl = body === undefined ? 1 : body.nowMPas / bodyMPas(believed, servedC, parameters.bodyA);
    const saltToBowl = salt === undefined ? 1 : salt.nowPct / Math.max(1e-9, saltPctNow(this.state));
    const mPas = thicknessOf(this.truth.pot, servedC) * toBowl;
    const target = body?.wantedMPas;
    return {
      bodyFactor: target === undefined ? undefined : mPas / target,
      saltOffPct: salt === undefined ? undefined : saltPctOf(this.truth.pot) * saltToBowl - salt.wantedPct,
      massFactor: this.truth.kg / this.state.massKg,
      held: {
        mass: Math.abs(this.truth.kg - this.state.massKg) <= NINETY * this.state.massSdKg,
        body: body === undefined || Math.abs(Math.log(mPas / body.nowMPas)) <= NINETY * body.sdLn,
      },
    };
  }
}
