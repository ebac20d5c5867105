import { boiledOffKg, massOf, stiffenedTo, thicknessOf, type SimulatedPot } from '../bench/index.js';
import { FIBRE, PROTEIN, SALT, STARCH, WATER, type Mix } from '../larder/index.js';
import { areaM2 } from '../kit/index.js';
import type { Planned } from '../plan/index.js';
import { bodyMPas, parcelKg, potKg, type Flow } from '../pot/index.js';
import type { StepRecord } from '../runner/index.js';
import { normalFrom, type HiddenKitchen } from './hidden-kitchen.js';

/** How far one batch strays from the card by itself, 1 sd of ln, and how far its kitchen does for good. Invented for the bench. */
const STRAYS = { measured: 0.012, solids: 0.03, kept: 0.015, steam: 0.08, thickness: 0.2, covered: 0.07 };
const LASTING = { solids: 0.063, kept: 0.026, steam: 0.18, thickness: 0.346, covered: 0.057, salt: 0.05 };

type Kilos = Pick<SimulatedPot, 'waterKg' | 'solidsKg' | 'saltKg' | 'thinKg'>;

/** Of what is neither water nor salt, starch, fibre and some of the protein thicken; the rest is there and does not. */
function kilosOf(mix: Mix): Kilos {
  const all = mix.reduce((sum, kg) => sum + kg, 0);
  const solidsKg = mix[STARCH] + mix[FIBRE] + 0.2 * mix[PROTEIN];
  return { waterKg: mix[WATER], saltKg: mix[SALT], solidsKg, thinKg: all - mix[WATER] - mix[SALT] - solidsKg };
}

/**
 * What really stands in the pot of a batch, in a kitchen that strays from the card: every amount, every pound of vegetables,
 * every minute at the boil is a little other than the card says.
 */
export class Truth {
  private now: SimulatedPot = { waterKg: 0, solidsKg: 0, saltKg: 0, thinKg: 0, tempC: 80, stiffness: 1 };
  private readonly normal: () => number;
  private readonly lines = new Map<string, { readonly solids: number; readonly kept: number }>();

  /** @param plan the plan as a kitchen makes it that has learnt nothing: what really happens does not hang on what is believed. */
  constructor(
    private readonly plan: Planned,
    private readonly hidden: HiddenKitchen,
    seed: number,
  ) {
    this.normal = normalFrom(seed);
  }

  get pot(): SimulatedPot {
    return this.now;
  }

  get kg(): number {
    return massOf(this.now);
  }

  exp(sd: number): number {
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
    const saltShare = own.saltKg / Math.max(1e-12, allKg);
    const ingredient = this.ingredientOf(line);
    // Salt itself is what it is; what comes salted is as salt as its maker made it.
    const salty = saltShare > 0.5 ? 1 : Math.exp(this.hidden.of(`salt of ${ingredient}`, LASTING.salt));
    const solidsKg = own.solidsKg * solids;
    this.now = {
      ...this.now,
      waterKg: this.now.waterKg + times * (own.waterKg + own.solidsKg - solidsKg),
      solidsKg: this.now.solidsKg + times * solidsKg,
      saltKg: this.now.saltKg + times * (own.saltKg * salty + allKg * (this.hidden.unlabelled.get(ingredient) ?? 0)),
      thinKg: this.now.thinKg + times * own.thinKg,
    };
  }

  /** So many kilos of a line are weighed out and put in, as well as anybody weighs. */
  give(line: string, mix: Mix): void {
    this.putIn(line, mix, this.exp(STRAYS.measured));
  }

  /** So many kilos are taken out as it stands. */
  take(kg: number): void {
    this.shrink(Math.max(0, 1 - kg / Math.max(1e-9, this.kg)));
  }

  private shrink(left: number): void {
    const { waterKg, solidsKg, saltKg, thinKg } = this.now;
    this.now = {
      ...this.now,
      waterKg: waterKg * left,
      solidsKg: solidsKg * left,
      saltKg: saltKg * left,
      thinKg: thinKg * left,
    };
  }

  private steam(): number {
    const mishap = this.hidden.mishaps.steam ?? 1;
    return mishap * Math.exp(this.hidden.of('steam', LASTING.steam)) * this.exp(STRAYS.steam);
  }

  private steamsOff(kg: number): void {
    this.now = { ...this.now, waterKg: Math.max(0.3 * this.now.waterKg, this.now.waterKg - kg) };
  }

  private takeOut(flow: Flow, ofKg: number): void {
    const kg = parcelKg(flow.parcel);
    if (flow.kind === 'vapour') this.steamsOff(kg * this.steam());
    else this.shrink(Math.max(0, 1 - kg / Math.max(1e-9, ofKg)));
  }

  /** A simmer by the flame: how hard it is driven, as far as the burner can, what of its power the water gets. */
  private simmers({ step, minutes, counts, branchId }: StepRecord): boolean {
    const { soup, vessel } = this.plan.prepared;
    if (step.op !== 'simmer' || branchId !== soup.root.id) return false;
    const kg = boiledOffKg(this.now, {
      areaM2: areaM2(vessel),
      powerW: vessel.burnerW * vessel.efficiency,
      vigour: step.vigour,
      lid: step.lid,
      minutes: Math.max(0, minutes - (counts?.toBoilMinutes ?? 0)),
    });
    this.steamsOff(kg * this.steam());
    return true;
  }

  /**
   * What really happens at a step that is done as planned.
   *
   * @param record the step as it is on record, for what went in.
   * @param unlearnt the same step as a kitchen has it that has learnt nothing, for what becomes of it.
   */
  happens({ step, inflows }: StepRecord, unlearnt: StepRecord): void {
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
    const isSimmered = this.simmers(unlearnt);
    for (const flow of unlearnt.outflows)
      if (flow.kind !== 'trim' && !(isSimmered && flow.kind === 'vapour')) this.takeOut(flow, potKg(unlearnt.before));
    if (step.op === 'blend' && thicknessOf(this.now, 65) > 0) {
      const { servedC, parameters } = this.plan.prepared;
      const believed = bodyMPas(unlearnt.pot, servedC, parameters.bodyA);
      const { id } = this.plan.snapshot.soup;
      const off = this.hidden.of(`thickness of ${id}`, LASTING.thickness);
      const mishap = this.hidden.mishaps.thickness ?? 1;
      this.now = stiffenedTo(this.now, believed * mishap * Math.exp(off) * this.exp(STRAYS.thickness), servedC);
    }
  }
}
