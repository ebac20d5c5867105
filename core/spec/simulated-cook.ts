/**
 * A cook in a kitchen whose truth the program does not know: every amount, every pound of vegetables, every minute at the
 * boil is a little other than the card says, and so is what the instruments show. The cook presses what the page offers.
 */
import { entriesOf } from './entries.js';
import { foldBatch, landBody, landSalt, saltPctNow, type Action, type BatchState, type SaltLanding } from '../src/batch/index.js';
import { SPOON_WORDS } from '../src/body/index.js';
import { FIBRE, PROTEIN, SALT, STARCH, WATER, type Mix } from '../src/larder/index.js';
import { instrument, massOf, saltPctOf, stiffenedTo, thicknessOf, type SimulatedPot } from '../src/bench/index.js';
import { bodyMPas, contents, potKg, type Flow } from '../src/pot/index.js';
import type { Planned } from '../src/plan/index.js';
import { servedOf, type StepRecord } from '../src/runner/index.js';
import { walk, type SoupStep } from '../src/soup/index.js';
import { drawsFrom } from '../src/odds/index.js';

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
/** A generator that starts with neighbouring seeds starts alike: it is run in first. */
const RUN_IN = 64;
/** How far a kitchen and a batch stray from the card, 1 sd of ln. Invented for the bench. */
const STRAYS = { measured: 0.012, solids: 0.07, kept: 0.03, steamBias: 0.18, steam: 0.08, thickness: 0.4, covered: 0.09 };
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
  private readonly steamBias: number;
  private readonly scale;
  private readonly visc;
  private readonly meter;
  private readonly dipBiasM: number;
  private readonly eyeBias: number;
  private pours = 0;
  private additions = 0;

  constructor(
    private readonly plan: Planned,
    seed: number,
    private readonly kitchen: Kitchen,
  ) {
    const { normal } = drawsFrom(seed);
    for (let n = 0; n < RUN_IN; n++) normal();
    this.normal = normal;
    this.steamBias = normal() * STRAYS.steamBias;
    this.scale = instrument({ biasSd: 0.003, noiseSd: 0.004, driftPerHour: 0 }, normal);
    this.visc = instrument({ biasSd: 0.06, noiseSd: 0.08, driftPerHour: 0 }, normal);
    this.meter = instrument({ biasSd: 0.02, noiseSd: 0.03, driftPerHour: 0 }, normal);
    this.dipBiasM = normal() * 0.002;
    this.eyeBias = normal() * 0.16;
  }

  private get state(): BatchState {
    this.folded ??= foldBatch(this.plan.snapshot, entriesOf(this.actions), this.plan);
    return this.folded;
  }

  private enter(action: Action): void {
    this.actions.push(action);
    this.folded = undefined;
  }

  private exp(sd: number): number {
    return Math.exp(this.normal() * sd);
  }

  private strayOf(line: string): { readonly solids: number; readonly kept: number } {
    const own = this.lines.get(line) ?? { solids: this.exp(STRAYS.solids), kept: this.exp(STRAYS.kept) };
    this.lines.set(line, own);
    return own;
  }

  /** Puts in what a line really is: as much of it, but not of its water, as the card thinks. */
  private putIn(line: string, mix: Mix, times: number): void {
    const { solids } = this.strayOf(line);
    const own = kilosOf(mix);
    const solidsKg = own.solidsKg * solids;
    this.truth = {
      ...this.truth,
      waterKg: this.truth.waterKg + times * (own.waterKg + own.solidsKg - solidsKg),
      solidsKg: this.truth.solidsKg + times * solidsKg,
      saltKg: this.truth.saltKg + times * own.saltKg,
      thinKg: this.truth.thinKg + times * own.thinKg,
    };
  }

  private takeOut(flow: Flow, ofKg: number): void {
    const kg = flow.parcel.mix.reduce((sum, one) => sum + one, 0);
    if (flow.kind === 'vapour') {
      const steam = Math.exp(this.steamBias) * this.exp(STRAYS.steam);
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

  /** What really happens at a step that the page counts as done as planned. */
  private happens({ step, inflows, outflows, before, pot }: StepRecord): void {
    if (step.op === 'dish') return;
    const trimmed = new Map(outflows.filter(({ kind }) => kind === 'trim').map(({ lineId, parcel }) => [lineId, parcel.mix]));
    for (const { kind, lineId, parcel } of inflows) {
      if (kind !== 'ingredient') continue;
      const waste = trimmed.get(lineId);
      const kept = waste === undefined ? parcel.mix : (parcel.mix.map((kg, n) => kg - (waste[n] ?? 0)) as unknown as Mix);
      const byKnife = waste === undefined ? 1 : this.strayOf(lineId).kept;
      const byEye = step.op === 'cover' ? this.exp(STRAYS.covered) : 1;
      this.putIn(lineId, kept, byKnife * byEye * this.exp(STRAYS.measured));
    }
    for (const flow of outflows) if (flow.kind !== 'trim') this.takeOut(flow, potKg(before));
    if (step.op === 'blend' && thicknessOf(this.truth, 65) > 0) {
      const { servedC, parameters } = this.plan.prepared;
      const believed = bodyMPas(pot, servedC, parameters.bodyA);
      this.truth = stiffenedTo(this.truth, believed * this.exp(STRAYS.thickness), servedC);
    }
  }

  private tick(step: SoupStep): void {
    this.enter({ kind: 'done', stepId: step.id });
    const records = this.state.happened.filter((record) => record.step.id === step.id && record.step.op === step.op);
    // What was entered by hand is in already.
    for (const record of records) if (record.step.op !== 'read' && !this.byHand(record)) this.happens(record);
  }

  private byHand({ step }: StepRecord): boolean {
    return step.op === 'add' && this.actions.some((action) => action.kind === 'added' && action.stepId === step.id);
  }

  private readMass(step: SoupStep): void {
    const { vessel } = this.plan.prepared;
    const floorM2 = (Math.PI / 4) * vessel.widthM ** 2;
    if (this.kitchen.mass === 'scale') {
      const massKg = this.scale.read(massOf(this.truth), 0);
      this.enter({ kind: 'weighed', stepId: step.id, grossKg: massKg + vessel.tareKg, tareKg: vessel.tareKg });
      return;
    }
    const belowM = vessel.depthM - massOf(this.truth) / DENSITY / (1 - FOAM) / floorM2;
    this.enter({ kind: 'dipped', stepId: step.id, belowRimM: belowM + this.dipBiasM + this.normal() * 0.0035 });
  }

  private readBody(step: SoupStep): void {
    const { servedC } = this.plan.prepared;
    const mPas = thicknessOf(this.truth, servedC);
    if (this.kitchen.body === 'viscometer') {
      this.enter({
        kind: 'body',
        stepId: step.id,
        reading: { device: 'viscometer', mPas: this.visc.read(mPas, 0), tempC: servedC },
      });
      return;
    }
    const seen = Math.log(mPas) + this.eyeBias + this.normal() * 0.12;
    const off = (bodyMPas: number): number => Math.abs(Math.log(bodyMPas) - seen);
    const [nearest] = [...SPOON_WORDS].sort((a, b) => off(a.bodyMPas) - off(b.bodyMPas));
    this.enter({ kind: 'body', stepId: step.id, reading: { device: 'spoon', word: nearest!.word, tempC: servedC } });
  }

  private readSalt(step: SoupStep): void {
    if (!this.kitchen.meter || saltPctOf(this.truth) <= 0) return;
    this.enter({ kind: 'salt', stepId: step.id, saltPct: this.meter.read(saltPctOf(this.truth), 0) });
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
