/**
 * A cook in a kitchen whose truth the program does not know: every amount, every pound of vegetables, every minute at the
 * boil is a little other than the card says, and so is what the instruments show. The cook presses what the page offers.
 */
import { entriesOf } from './entries.js';
import {
  foldBatch,
  landBody,
  landSalt,
  saltPctNow,
  type Action,
  type BatchState,
  type Entry,
  type SaltLanding,
} from '../src/batch/index.js';
import { SPOON_WORDS } from '../src/body/index.js';
import { FIBRE, PROTEIN, SALT, STARCH, WATER, type Mix } from '../src/larder/index.js';
import { massOf, saltPctOf, stiffenedTo, thicknessOf, type SimulatedPot } from '../src/bench/index.js';
import { bodyMPas, contents, parcelKg, potKg, type Flow } from '../src/pot/index.js';
import { rerun, type Planned } from '../src/plan/index.js';
import { servedOf, type StepRecord } from '../src/runner/index.js';
import { walk, type SoupStep } from '../src/soup/index.js';
import { HiddenKitchen, normalFrom } from './hidden-kitchen.js';

/** What the kitchen reads with. */
export interface Kitchen {
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
/** How far one batch strays from the card by itself, 1 sd of ln, and how far its kitchen does for good. Invented for the bench. */
const STRAYS = { measured: 0.012, solids: 0.03, kept: 0.015, steam: 0.08, thickness: 0.2, covered: 0.07 };
const LASTING = { solids: 0.063, kept: 0.026, steam: 0.18, thickness: 0.346, covered: 0.057, salt: 0.05 };
const DENSITY = 1018;
const FOAM = 0.02;

type Kilos = Pick<SimulatedPot, 'waterKg' | 'solidsKg' | 'saltKg' | 'thinKg'>;

/** Of what is neither water nor salt, starch, fibre and some of the protein thicken; the rest is there and does not. */
function kilosOf(mix: Mix): Kilos {
  const all = mix.reduce((sum, kg) => sum + kg, 0);
  const solidsKg = mix[STARCH] + mix[FIBRE] + 0.2 * mix[PROTEIN];
  return { waterKg: mix[WATER], saltKg: mix[SALT], solidsKg, thinKg: all - mix[WATER] - mix[SALT] - solidsKg };
}

export class SimulatedCook {
  private readonly actions: Action[] = [];
  private folded: BatchState | undefined;
  private truth: SimulatedPot = { waterKg: 0, solidsKg: 0, saltKg: 0, thinKg: 0, tempC: 80, stiffness: 1 };
  private readonly normal: () => number;
  private readonly lines = new Map<string, { readonly solids: number; readonly kept: number }>();
  /** The same plan in a kitchen that has learnt and measured nothing: what really happens does not hang on what is believed. */
  private readonly unlearnt: Planned;
  private pours = 0;
  private additions = 0;

  constructor(
    private readonly plan: Planned,
    seed: number,
    private readonly kitchen: Kitchen,
    private readonly hidden: HiddenKitchen = new HiddenKitchen(seed),
    /** What gets on record of what is entered: a slip changes it, or leaves it out. */
    private readonly slip: (action: Action) => Action | undefined = (action) => action,
  ) {
    this.normal = normalFrom(seed);
    const { kit: own } = plan.snapshot;
    const isPlain =
      own.learned === undefined && own.parameters === undefined && own.pots.every(({ boilOff }) => boilOff === undefined);
    const pots = own.pots.map((pot) => ({ ...pot, boilOff: undefined }));
    this.unlearnt = isPlain ? plan : rerun({ ...plan.snapshot, kit: { ...own, pots, learned: undefined, parameters: undefined } });
  }

  private get state(): BatchState {
    this.folded ??= foldBatch(this.plan.snapshot, entriesOf(this.actions), this.plan);
    return this.folded;
  }

  private enter(action: Action): void {
    const entered = this.slip(action);
    if (entered === undefined) return;
    this.actions.push(entered);
    this.folded = undefined;
  }

  private exp(sd: number): number {
    return Math.exp(this.normal() * sd);
  }

  private ingredientOf(line: string): string {
    return this.plan.prepared.lines.find((own) => own.line.id === line)?.line.ingredient.row.id ?? line;
  }

  private strayOf(line: string): { readonly solids: number; readonly kept: number } {
    const ingredient = this.ingredientOf(line);
    const own = this.lines.get(line) ?? {
      solids: this.exp(STRAYS.solids) * Math.exp(this.hidden.of(`solids of ${ingredient}`, LASTING.solids)),
      kept: this.exp(STRAYS.kept) * Math.exp(this.hidden.of(`kept of ${ingredient}`, LASTING.kept)),
    };
    this.lines.set(line, own);
    return own;
  }

  /** Puts in what a line really is: as much of it, but not of its water, as the card thinks. */
  private putIn(line: string, mix: Mix, times: number): void {
    const { solids } = this.strayOf(line);
    const own = kilosOf(mix);
    const allKg = mix.reduce((sum, kg) => sum + kg, 0);
    const saltShare = own.saltKg / allKg;
    const ingredient = this.ingredientOf(line);
    // Salt itself is what it is; what comes salted is as salt as its maker made it.
    const salty = saltShare > 0.5 ? 1 : Math.exp(this.hidden.of(`salt of ${ingredient}`, LASTING.salt));
    const solidsKg = own.solidsKg * solids;
    this.truth = {
      ...this.truth,
      waterKg: this.truth.waterKg + times * (own.waterKg + own.solidsKg - solidsKg),
      solidsKg: this.truth.solidsKg + times * solidsKg,
      saltKg: this.truth.saltKg + times * (own.saltKg * salty + allKg * (this.hidden.unlabelled.get(ingredient) ?? 0)),
      thinKg: this.truth.thinKg + times * own.thinKg,
    };
  }

  private takeOut(flow: Flow, ofKg: number): void {
    const kg = flow.parcel.mix.reduce((sum, one) => sum + one, 0);
    if (flow.kind === 'vapour') {
      const steam = Math.exp(this.hidden.of('steam', LASTING.steam)) * this.exp(STRAYS.steam);
      this.truth = { ...this.truth, waterKg: Math.max(0.3 * this.truth.waterKg, this.truth.waterKg - kg * steam) };
      return;
    }
    const left = Math.max(0, 1 - kg / Math.max(1e-9, ofKg));
    const { waterKg, solidsKg, saltKg, thinKg } = this.truth;
    this.truth = {
      ...this.truth,
      waterKg: waterKg * left,
      solidsKg: solidsKg * left,
      saltKg: saltKg * left,
      thinKg: thinKg * left,
    };
  }

  /** What really happens at a step that the page counts as done as planned; `unlearnt` is the same step as nobody has learnt it. */
  private happens({ step, inflows }: StepRecord, unlearnt: StepRecord): void {
    if (step.op === 'dish') return;
    const bought = new Map(unlearnt.inflows.map(({ lineId, parcel }) => [lineId, parcelKg(parcel)]));
    const trimmed = new Map(
      unlearnt.outflows.filter(({ kind }) => kind === 'trim').map(({ lineId, parcel }) => [lineId, parcelKg(parcel)]),
    );
    for (const { kind, lineId, parcel } of inflows) {
      if (kind !== 'ingredient') continue;
      const waste = trimmed.get(lineId);
      const keeps = waste === undefined ? 1 : 1 - waste / (bought.get(lineId) ?? waste);
      const byKnife = waste === undefined ? 1 : Math.min(1, keeps * this.strayOf(lineId).kept);
      const byEye = step.op === 'cover' ? this.exp(STRAYS.covered) * Math.exp(this.hidden.of('covered', LASTING.covered)) : 1;
      this.putIn(lineId, parcel.mix, byKnife * byEye * this.exp(STRAYS.measured));
    }
    for (const flow of unlearnt.outflows) if (flow.kind !== 'trim') this.takeOut(flow, potKg(unlearnt.before));
    if (step.op === 'blend' && thicknessOf(this.truth, 65) > 0) {
      const { servedC, parameters } = this.unlearnt.prepared;
      const believed = bodyMPas(unlearnt.pot, servedC, parameters.bodyA);
      const { id } = this.plan.snapshot.soup;
      const off = this.hidden.of(`thickness of ${id}`, LASTING.thickness);
      this.truth = stiffenedTo(this.truth, believed * Math.exp(off) * this.exp(STRAYS.thickness), servedC);
    }
  }

  private tick(step: SoupStep): void {
    this.enter({ kind: 'done', stepId: step.id });
    const isOwn = (record: StepRecord): boolean => record.step.id === step.id && record.step.op === step.op;
    const records = this.state.happened.filter(isOwn);
    const unlearnt = (
      this.unlearnt === this.plan ? this.state : foldBatch(this.unlearnt.snapshot, entriesOf(this.actions), this.unlearnt)
    ).happened.filter(isOwn);
    // What was entered by hand is in already.
    for (const [n, record] of records.entries()) {
      if (record.step.op !== 'read' && !this.byHand(record)) this.happens(record, unlearnt[n] ?? record);
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

  private readMass(step: SoupStep): void {
    const { vessel } = this.plan.prepared;
    const floorM2 = (Math.PI / 4) * vessel.widthM ** 2;
    if (this.kitchen.mass === 'scale') {
      const massKg = this.hidden.scale.read(massOf(this.truth), 0);
      this.enter({ kind: 'weighed', stepId: step.id, grossKg: massKg + vessel.tareKg, tareKg: vessel.tareKg });
      return;
    }
    const belowM = vessel.depthM - massOf(this.truth) / DENSITY / (1 - FOAM) / floorM2;
    this.enter({ kind: 'dipped', stepId: step.id, belowRimM: belowM + this.hidden.dipBiasM + this.normal() * 0.0035 });
  }

  private readBody(step: SoupStep): void {
    const { servedC } = this.plan.prepared;
    const mPas = thicknessOf(this.truth, servedC);
    if (this.kitchen.body === 'viscometer') {
      this.enter({
        kind: 'body',
        stepId: step.id,
        reading: { device: 'viscometer', mPas: this.hidden.viscometer.read(mPas, 0), tempC: servedC },
      });
      return;
    }
    const seen = Math.log(mPas) + this.hidden.eyeBias + this.normal() * 0.12;
    const off = (bodyMPas: number): number => Math.abs(Math.log(bodyMPas) - seen);
    const [nearest] = [...SPOON_WORDS].sort((a, b) => off(a.bodyMPas) - off(b.bodyMPas));
    this.enter({ kind: 'body', stepId: step.id, reading: { device: 'spoon', word: nearest!.word, tempC: servedC } });
  }

  private readSalt(step: SoupStep): void {
    if (!this.kitchen.meter || saltPctOf(this.truth) <= 0) return;
    this.enter({ kind: 'salt', stepId: step.id, saltPct: this.hidden.meter.read(saltPctOf(this.truth), 0) });
  }

  private give(step: SoupStep, line: string, kg: number): void {
    const own = this.state.prepared.lines.find(({ line: { id } }) => id === line)!.line;
    this.putIn(line, own.ingredient.perKg.map((share) => share * kg) as unknown as Mix, this.exp(STRAYS.measured));
    this.enter({ kind: 'added', stepId: step.id, line, kg });
  }

  /** Lets it down as the page says, two thirds first, looking again between. */
  private landsBody(step: SoupStep, most: number): void {
    for (let n = 0; n < most && this.pours < MOST_POURS; n++) {
      const way = landBody(this.state)?.ways.find(({ by, overflows }) => by === 'thin' && !overflows);
      if (way === undefined) return;
      const line = this.state.prepared.lines.find(({ line: { ingredient } }) => ingredient.row.id === way.ingredient)!.line.id;
      this.pours += 1;
      this.give(step, line, this.pours === 1 ? way.firstKg : way.kg);
      this.readBody(step);
      this.readBody(step);
    }
  }

  private landsSalt(step: SoupStep, most: number): void {
    for (let n = 0; n < most && this.additions < MOST_ADDITIONS; n++) {
      const way: SaltLanding['ways'][number] | undefined = landSalt(this.state)?.ways[0];
      if (way === undefined || !(way.kg > 0)) return;
      this.additions += 1;
      this.give(step, way.line, this.additions === 1 && this.kitchen.meter ? way.firstKg : way.kg);
      this.readSalt(step);
      this.readSalt(step);
    }
  }

  /** Does what the card says and reads nothing: what really comes of it in the bowls. */
  asPlanned(): { readonly bowls: number; readonly saltPct: number; readonly mPas: number } {
    for (const { step } of walk(this.plan.prepared.soup.root)) if (step.op !== 'dish') this.tick(step);
    const { run: planned, prepared } = this.plan;
    const potKgBelieved = potKg(planned.last!.before);
    const served = servedOf(prepared, planned);
    const { servedC, parameters } = prepared;
    const toBowl = served.bodyMPas / bodyMPas(planned.last!.before, servedC, parameters.bodyA);
    const saltPctBelieved = (contents(planned.last!.before).mix[SALT] / potKgBelieved) * 100;
    return {
      bowls: (planned.bowls * massOf(this.truth)) / potKgBelieved,
      saltPct: (saltPctOf(this.truth) * served.saltPct) / Math.max(1e-9, saltPctBelieved),
      mPas: thicknessOf(this.truth, servedC) * toBowl,
    };
  }

  /** What really stands in the pot, kg. */
  get trueKg(): number {
    return massOf(this.truth);
  }

  /** What was entered so far. */
  get entries(): Entry[] {
    return entriesOf(this.actions);
  }

  /** Cooks the batch from the first knife to the ladle. */
  cook(): Ended {
    const steps = walk(this.plan.prepared.soup.root).map(({ step }) => step);
    const dish = steps.at(-1)!;
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
      this.tick(step);
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
    const mPas = thicknessOf(this.truth, servedC) * toBowl;
    const target = body?.wantedMPas;
    return {
      bodyFactor: target === undefined ? undefined : mPas / target,
      saltOffPct: salt === undefined ? undefined : saltPctOf(this.truth) * saltToBowl - salt.wantedPct,
      massFactor: massOf(this.truth) / this.state.massKg,
      held: {
        mass: Math.abs(massOf(this.truth) - this.state.massKg) <= NINETY * this.state.massSdKg,
        body: body === undefined || Math.abs(Math.log(mPas / body.nowMPas)) <= NINETY * body.sdLn,
      },
    };
  }
}
