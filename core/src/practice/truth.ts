import {
  NOTHING,
  boiledOffKg,
  cooledFor,
  heated,
  massOf,
  pouredTogether,
  stiffenedTo,
  takenOut,
  thicknessOf,
  type SimulatedPot,
} from '../bench/index.js';
import { ACID, FAT, FIBRE, PROTEIN, SALT, STARCH, SUGARS, WATER, type Mix } from '../larder/index.js';
import { areaM2, type Vessel } from '../kit/index.js';
import { rerun, type Planned } from '../plan/index.js';
import { ROOM_C, bodyMPas, parcelKg, potKg } from '../pot/index.js';
import type { StepRecord } from '../runner/index.js';
import type { SoupStep } from '../soup/index.js';
import { normalFrom, numberOf, type HiddenKitchen } from './hidden-kitchen.js';

/** How far one batch strays from the card by itself, 1 sd of ln, and how far its kitchen does for good. Invented for the bench. */
const STRAYS = { measured: 0.012, solids: 0.03, waste: 0.12, steam: 0.08, thickness: 0.2, covered: 0.07 };
const LASTING = { solids: 0.063, waste: 0.18, steam: 0.18, thickness: 0.346, covered: 0.057, salt: 0.05 };

type Kilos = Omit<SimulatedPot, 'tempC' | 'stiffness'>;

/** Share of the protein that thickens. Invented for the bench. */
const THICKENS = 0.2;
/** An ingredient that is salt for more than half is salt itself. */
const SALT_ITSELF = 0.5;
/** A pot keeps so much of its water, whatever boils: before that somebody looks. */
const LEFT_IN = 0.3;
/** What a seed is multiplied by for what strays: a prime of its own. */
const STRAYING = 15_485_863;
const TINY_KG = 1e-9;

/** Of what is neither water nor salt, starch, fibre and some of the protein thicken; the rest is there and does not. */
function kilosOf(mix: Mix): Kilos {
  const all = mix.reduce((sum, kg) => sum + kg, 0);
  const solidsKg = mix[STARCH] + mix[FIBRE] + THICKENS * mix[PROTEIN];
  return {
    waterKg: mix[WATER],
    saltKg: mix[SALT],
    solidsKg,
    thinKg: all - mix[WATER] - mix[SALT] - solidsKg,
    acidKg: mix[ACID],
    sugarsKg: mix[SUGARS],
    fatKg: mix[FAT],
  };
}

/** How hot what is on the flame, or comes out of the oven, is when a step is over, °C. Invented for the bench. */
const ENDS_AT_C: Readonly<Partial<Record<SoupStep['op'], number>>> = {
  simmer: 100,
  pressure: 100,
  deglaze: 98,
  fryPuree: 100,
  sweat: 96,
  fry: 98,
  roast: 95,
};

/** Water, kg/m3: near enough to say how high a pot stands. */
const DENSITY = 1000;

/** What a vessel with so much in it cools through, m2: its open face, and the wall as high as it is wet. */
function facesOf(vessel: Vessel, pot: SimulatedPot): { readonly openM2: number; readonly wallM2: number } {
  const openM2 = areaM2(vessel);
  return { openM2, wallM2: (Math.PI * vessel.widthM * massOf(pot)) / DENSITY / openM2 };
}

/** What stands in a vessel after some seconds: warmer by what its burner gives, up to what the step wants, or cooler. */
export function after(pot: SimulatedPot, vessel: Vessel, flameC: number | undefined, seconds: number): SimulatedPot {
  if (flameC === undefined) return cooledFor(pot, facesOf(vessel, pot), seconds);
  const { tempC } = heated(pot, vessel.burnerW * vessel.efficiency, Math.max(0, seconds));
  return { ...pot, tempC: Math.max(pot.tempC, Math.min(tempC, flameC)) };
}

/** What a step that is under way heats to, °C; undefined where it has no flame. */
export function flameOf(step: SoupStep | undefined): number | undefined {
  return step === undefined ? undefined : ENDS_AT_C[step.op];
}

/** A plan as a kitchen makes it that has learnt and measured nothing: what really happens does not hang on what is believed. */
export function unlearnt(plan: Planned): Planned {
  const { kit } = plan.snapshot;
  const isPlain =
    kit.learned === undefined && kit.parameters === undefined && kit.pots.every(({ boilOff }) => boilOff === undefined);
  if (isPlain) return plan;
  const pots = kit.pots.map((pot) => ({ ...pot, boilOff: undefined }));
  return rerun({ ...plan.snapshot, kit: { ...kit, pots, learned: undefined, parameters: undefined } });
}

/** Whether what becomes of a step hangs on figures that a kitchen can learn: only then is it worked out without them too. */
export function hangsOnFigures({ step, outflows }: StepRecord): boolean {
  return outflows.length > 0 || step.op === 'blend';
}

/**
 * What really stands in the pot of a batch, in a kitchen that strays from the card: every amount, every pound of vegetables,
 * every minute at the boil is a little other than the card says.
 */
export class Truth {
  /** By branch, what stands in its vessel. */
  private readonly pots = new Map<string, SimulatedPot>();
  private readonly drawn = new Map<string, number>();
  private readonly lines = new Map<string, { readonly solids: number; readonly waste: number }>();
  private readonly root: string;

  /** @param plan the plan as `unlearnt` makes it. */
  constructor(
    private readonly plan: Planned,
    private readonly hidden: HiddenKitchen,
    private readonly seed: number,
  ) {
    this.root = plan.prepared.soup.root.id;
  }

  /** What stands in the vessel of a branch; in the pot where none is named. */
  potOf(branch = this.root): SimulatedPot {
    return this.pots.get(branch) ?? NOTHING;
  }

  get pot(): SimulatedPot {
    return this.potOf();
  }

  get kg(): number {
    return massOf(this.pot);
  }

  /** A share that something strays by itself: drawn by what it is of, so that another thing done otherwise changes nothing here. */
  private stray(of: string, sd: number): number {
    const count = this.drawn.get(of) ?? 0;
    this.drawn.set(of, count + 1);
    return Math.exp(normalFrom(this.seed * STRAYING + numberOf(`${of} ${String(count)}`))() * sd);
  }

  private ingredientOf(line: string): string {
    return this.plan.prepared.lines.find((own) => own.line.id === line)?.line.ingredient.row.id ?? line;
  }

  private strayOf(line: string): { readonly solids: number; readonly waste: number } {
    const ingredient = this.ingredientOf(line);
    const own = this.lines.get(line) ?? {
      solids: this.stray(`solids of ${line}`, STRAYS.solids) * Math.exp(this.hidden.of(`solids of ${ingredient}`, LASTING.solids)),
      waste: this.stray(`kept of ${line}`, STRAYS.waste) * Math.exp(this.hidden.of(`kept of ${ingredient}`, LASTING.waste)),
    };
    this.lines.set(line, own);
    return own;
  }

  /** Puts in what a line really is: as much of it, but not of its water, as the card thinks. */
  private putIn(branch: string, line: string, mix: Mix, times: number): void {
    const { solids } = this.strayOf(line);
    const own = kilosOf(mix);
    const allKg = mix.reduce((sum, kg) => sum + kg, 0);
    const saltShare = own.saltKg / Math.max(TINY_KG, allKg);
    const ingredient = this.ingredientOf(line);
    // Salt itself is what it is; what comes salted is as salt as its maker made it.
    const salty = saltShare > SALT_ITSELF ? 1 : Math.exp(this.hidden.of(`salt of ${ingredient}`, LASTING.salt));
    const solidsKg = own.solidsKg * solids;
    const sharp = this.hidden.mishaps.sharp?.[ingredient] ?? 1;
    const pot = this.potOf(branch);
    const added: SimulatedPot = {
      waterKg: times * (own.waterKg + own.solidsKg - solidsKg),
      solidsKg: times * solidsKg,
      saltKg: times * (own.saltKg * salty + allKg * this.unlabelledIn(ingredient)),
      thinKg: times * own.thinKg,
      acidKg: times * own.acidKg * sharp,
      sugarsKg: times * own.sugarsKg,
      fatKg: times * own.fatKg,
      tempC: this.storedC(line),
      stiffness: pot.stiffness,
    };
    // What goes in raw makes as thick as what is there already, until the blade goes through both.
    this.pots.set(branch, { ...pouredTogether(pot, added), stiffness: pot.stiffness });
  }

  /** Salt that is in an ingredient and on no label, kg/kg. */
  private unlabelledIn(ingredient: string): number {
    const { mishaps, unlabelled } = this.hidden;
    return unlabelled.get(ingredient) ?? (ingredient.includes('stock') ? (mishaps.saltedStock ?? 0) : 0);
  }

  private storedC(line: string): number {
    const row = this.plan.prepared.lines.find((own) => own.line.id === line)?.line.ingredient.row;
    const storedAtC = Math.max(0, row?.storedAtC ?? ROOM_C);
    return row?.group === 'liquids' ? (this.hidden.mishaps.liquidsC ?? storedAtC) : storedAtC;
  }

  /**
   * So many seconds pass: what stands in a vessel cools, or warms where it is on the flame.
   *
   * @param flameC how hot the flame under a branch's vessel gets it in the end; undefined where none is lit.
   */
  waits(seconds: number, flameC: (branch: string) => number | undefined = () => undefined): void {
    const { vessel } = this.plan.prepared;
    for (const [branch, pot] of this.pots) this.pots.set(branch, after(pot, vessel, flameC(branch), seconds));
  }

  /** What a step does to the heat of what stands there. */
  private heats(step: SoupStep, branch: string): void {
    const pot = this.potOf(branch);
    // Left to cool by the clock; only ice is as quick as the card says.
    const endsC =
      step.op === 'liaison'
        ? Math.max(pot.tempC, step.toC)
        : step.op === 'hold'
          ? step.atC
          : step.op === 'rest' && step.around === 'ice bath'
            ? Math.min(pot.tempC, step.toC ?? pot.tempC)
            : (ENDS_AT_C[step.op] ?? pot.tempC);
    if (massOf(pot) > 0) this.pots.set(branch, { ...pot, tempC: endsC });
  }

  /** Liquids are measured out by ladle and jug, which may hold what nobody thinks. */
  private byLadle(line: string): number {
    const own = this.plan.prepared.lines.find(({ line: { id } }) => id === line)?.line;
    return own?.ingredient.row.group === 'liquids' ? (this.hidden.mishaps.ladle ?? 1) : 1;
  }

  /** How many times as much it takes to cover what lies there as the card thinks. */
  coveredTimes(stepId: string): number {
    const lasting = Math.exp(this.hidden.of('covered', LASTING.covered));
    return (this.hidden.mishaps.covered ?? 1) * this.stray(`covered at ${stepId}`, STRAYS.covered) * lasting;
  }

  /** So many kilos of a line are measured out and put in, as well as anybody weighs, or by a ladle that may be another. */
  give(line: string, mix: Mix, branch = this.root, by: 'scale' | 'ladle' = 'scale'): void {
    const times = by === 'ladle' ? (this.hidden.mishaps.ladle ?? 1) : 1;
    this.putIn(branch, line, mix, times * this.stray(`measured of ${line}`, STRAYS.measured));
  }

  /** So many kilos are taken out as it stands. */
  take(kg: number, branch = this.root): void {
    this.pots.set(branch, takenOut(this.potOf(branch), kg));
  }

  private steam(step: string): number {
    const mishap = this.hidden.mishaps.steam ?? 1;
    return mishap * Math.exp(this.hidden.of('steam', LASTING.steam)) * this.stray(`steam of ${step}`, STRAYS.steam);
  }

  private steamsOff(branch: string, kg: number): void {
    const pot = this.potOf(branch);
    this.pots.set(branch, { ...pot, waterKg: Math.max(LEFT_IN * pot.waterKg, pot.waterKg - kg) });
  }

  /** A simmer by the flame: how hard it is driven, as far as the burner can, what of its power the water gets. */
  private simmers({ step, minutes, counts, branchId }: StepRecord): boolean {
    const { vessel } = this.plan.prepared;
    if (step.op !== 'simmer' || branchId !== this.root) return false;
    const kg = boiledOffKg(this.pot, {
      areaM2: areaM2(vessel),
      powerW: vessel.burnerW * vessel.efficiency,
      vigour: step.vigour,
      lid: step.lid,
      minutes: Math.max(0, minutes - (counts?.toBoilMinutes ?? 0)),
    });
    this.steamsOff(branchId, kg * this.steam(step.id));
    return true;
  }

  /** What stands in the vessel of a branch runs into that of another. */
  join(branch: string, into: string): void {
    if (!this.pots.has(branch)) return;
    this.pots.set(into, pouredTogether(this.potOf(into), this.potOf(branch)));
    this.pots.delete(branch);
  }

  /**
   * What really happens at a step that is done as planned.
   *
   * @param record the step as it is on record, for what went in.
   * @param unlearnt the same step as a kitchen has it that has learnt nothing, for what becomes of it.
   * @param isIn lines that were put in by hand already.
   */
  happens({ step, inflows, branchId }: StepRecord, unlearnt: StepRecord, isIn: (line: string) => boolean = () => false): void {
    if (step.op === 'dish') return;
    if (step.op === 'join') {
      this.join(step.branch.id, branchId);
      return;
    }
    const bought = new Map(unlearnt.inflows.map(({ lineId, parcel }) => [lineId, parcelKg(parcel)]));
    const trimmed = new Map(
      unlearnt.outflows.filter(({ kind }) => kind === 'trim').map(({ lineId, parcel }) => [lineId, parcelKg(parcel)]),
    );
    for (const { kind, lineId, parcel } of inflows) {
      if (kind !== 'ingredient' || isIn(lineId)) continue;
      const waste = trimmed.get(lineId);
      const keeps = waste === undefined ? 1 : 1 - waste / (bought.get(lineId) ?? waste);
      const byKnife = waste === undefined ? 1 : Math.max(0, 1 - (1 - keeps) * this.strayOf(lineId).waste);
      const byEye = step.op === 'cover' ? this.coveredTimes(step.id) : 1;
      const times = byKnife * byEye * this.byLadle(lineId);
      this.putIn(branchId, lineId, parcel.mix, times * this.stray(`measured of ${lineId}`, STRAYS.measured));
    }
    const isSimmered = this.simmers(unlearnt);
    const ofKg = potKg(unlearnt.before);
    for (const { kind, parcel } of unlearnt.outflows) {
      if (kind === 'trim' || (isSimmered && kind === 'vapour')) continue;
      const kg = parcelKg(parcel);
      const forgotten = step.op === 'roast' ? (this.hidden.mishaps.roast ?? 1) : 1;
      // What flashes off when a cooker is let down is set by its heat, not by how hard this kitchen boils.
      if (kind === 'vapour') this.steamsOff(branchId, kg * forgotten * (step.op === 'pressure' ? 1 : this.steam(step.id)));
      else this.take((kg / Math.max(TINY_KG, ofKg)) * massOf(this.potOf(branchId)), branchId);
    }
    this.heats(step, branchId);
    if (step.op === 'blend' && thicknessOf(this.potOf(branchId), this.plan.prepared.servedC) > 0) {
      const { servedC, parameters } = this.plan.prepared;
      const believed = bodyMPas(unlearnt.pot, servedC, parameters.bodyA);
      const off = this.hidden.of(`thickness of ${this.plan.snapshot.soup.id}`, LASTING.thickness);
      const times = (this.hidden.mishaps.thickness ?? 1) * Math.exp(off) * this.stray(`thickness at ${step.id}`, STRAYS.thickness);
      this.pots.set(branchId, stiffenedTo(this.potOf(branchId), believed * times, servedC));
    }
  }
}
