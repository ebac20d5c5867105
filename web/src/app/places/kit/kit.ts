import { ChangeDetectionStrategy, Component, computed, HostListener, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { deepEqual } from 'fast-equals';
import { KEEPING_RULES } from '@tureen/core/cold';
import {
  boilingPointC,
  parametersOf,
  ColdStoreSchema,
  KitSchema,
  READY_KITS,
  volumeByWaterM3,
  type Kit,
  type OwnCoolingRule,
  type Vessel,
} from '@tureen/core/kit';
import { LIDS, measuredBoilOff, VIGOURS, type Lid, type Vigour } from '@tureen/core/steps';
import { degreeUnit, fromScale, onScale, showVolume, UNITS } from '@tureen/core/units';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Choice } from '../../parts/choice';
import { NumberField } from '../../parts/number-field';
import { Kitchen, type ReadyKitchen } from '../../services/kitchen';
import { PlaceFields } from './place-fields';
import { columnsOf, fresh, itemsOf, KINDS, SHELVES, withItems, type Column, type Shelf } from './fields';
import { PotsDrawing } from './pots-drawing';

const FOOT_M = 12 * UNITS.in.si;
/** Where kitchens stand, m. */
const ALTITUDE_M = { least: -400, most: 5000 };

/** What a rule of one's own begins with. */
const FIRST_STAGE = { fromC: 60, toC: 21, withinMin: 90 };
/** What no cooker of a kitchen goes over, °C. */
const MOST_PRESSURE_C = 121;
const NEW_RULE: OwnCoolingRule = { stages: [], missed: 'Throw it away.' };

interface Weighing {
  readonly potId: string;
  readonly before: number | null;
  readonly after: number | null;
  readonly minutes: number | null;
  readonly vigour: Vigour;
  readonly lid: Lid;
}

/** The kitchen's kit: what it is, drawn to scale, and two helpers that measure what nobody knows of their pots. */
@Component({
  selector: 'tt-kit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, FormsModule, NumberField, NzInputModule, NzSelectModule, PlaceFields, PotsDrawing, RouterLink],
  templateUrl: './kit.html',
  styleUrl: './kit.less',
})
export class KitPlace {
  private readonly kitchen = inject(Kitchen);
  private readonly answer = toSignal(this.kitchen.kitchen$);
  /** The kit as it was given: what batches teach is no part of it, and comes and goes without taking back what is typed. */
  private readonly kept = computed(
    (): Kit | undefined => {
      const answer = this.answer();
      const kit = answer?.ok === true ? (answer.value.kit ?? undefined) : undefined;
      return kit === undefined ? undefined : { ...kit, learned: undefined };
    },
    { equal: deepEqual },
  );
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    if (answer?.ok === false) return answer.refusal.sentence;
    return answer?.ok === true && answer.value.kit === null
      ? 'No kitchen is set up yet. Choose one on the Shelf first.'
      : undefined;
  });
  protected readonly kit = linkedSignal(() => this.kept());
  protected readonly isChanged = computed(() => JSON.stringify(this.kit()) !== JSON.stringify(this.kept()));
  protected readonly refused = signal('');
  protected readonly said = signal('');
  protected readonly vigours = VIGOURS.filter((vigour) => vigour !== 'bare');
  protected readonly lids = LIDS;
  protected readonly ready: readonly { readonly ready: ReadyKitchen; readonly name: string }[] = [
    { ready: 'home', name: 'a home stove' },
    { ready: 'cafe', name: 'a café' },
    { ready: 'canteen', name: 'a canteen' },
  ];

  protected readonly firstC = FIRST_STAGE.fromC;
  private readonly units = computed(() => this.kit()?.units ?? 'metric');
  protected readonly degree = computed(() => degreeUnit(this.units()));
  protected readonly mostPressure = computed(() => onScale(MOST_PRESSURE_C, this.units()));
  protected readonly stageCells = computed(() => {
    const heat = (leastC: number, mostC: number) => ({
      unit: this.degree(),
      words: this.degree(),
      least: onScale(leastC, this.units()),
      most: onScale(mostC, this.units()),
      by: 1,
    });
    return [
      { key: 'fromC', label: 'from', ...heat(10, 100) },
      { key: 'toC', label: 'to', ...heat(-5, 60) },
      { key: 'withinMin', label: 'within', unit: 'min', words: 'minutes', least: 5, most: 1440, by: 5 },
    ] as const;
  });
  protected readonly keepings = [
    { value: 'ready-to-eat' as const, name: `${String(KEEPING_RULES.readyToEat.days)} days, as ready-to-eat food` },
    { value: 'home' as const, name: `${String(KEEPING_RULES.home.days)} days, as at home` },
  ];

  protected readonly shelves = computed(() => {
    const kit = this.kit();
    if (kit === undefined) return [];
    return SHELVES.map(({ shelf, title, one, least }) => {
      const columns = columnsOf(shelf, kit.units);
      const items = itemsOf(kit, shelf);
      return {
        shelf,
        title,
        one,
        columns,
        kinds: KINDS[shelf] ?? [],
        canRemove: items.length > least,
        items: items.map((item) => ({
          id: item.id,
          name: item.name,
          kind: 'kind' in item ? item.kind : undefined,
          checks: 'checks' in item ? (item.checks ?? []).join(', ') : '',
          weighed: 'weighed' in item && item.weighed === true,
          boilOff: 'boilOff' in item ? item.boilOff : undefined,
          pressure:
            'pressureC' in item && item.pressureC !== undefined && item.pressureC > 0 ? onScale(item.pressureC, kit.units) : 0,
          cells: columns.map((column) => ({ column, value: this.shownOf(item, column) })),
        })),
      };
    });
  });
  protected readonly boils = computed(() => {
    const kit = this.kit();
    if (kit === undefined) return '';
    const tempC = boilingPointC(kit.altitudeM);
    return `${onScale(tempC, kit.units).toFixed(1)} ${degreeUnit(kit.units)}`;
  });
  protected readonly altitude = computed(() => {
    const kit = this.kit();
    return kit === undefined ? 0 : Math.round(kit.units === 'metric' ? kit.altitudeM : kit.altitudeM / FOOT_M);
  });

  protected readonly weighing = signal<Weighing>({
    potId: '',
    before: null,
    after: null,
    minutes: null,
    vigour: 'steady',
    lid: 'off',
  });
  protected readonly weighed = computed(() => {
    const { potId, before, after, minutes, vigour, lid } = this.weighing();
    const kit = this.kit();
    const pot = kit?.pots.find(({ id }) => id === potId) ?? kit?.pots[0];
    if (kit === undefined || pot === undefined || before === null || after === null || minutes === null) return undefined;
    const ratio = measuredBoilOff(pot, { beforeKg: before, afterKg: after, minutes, vigour, lid }, parametersOf(kit.parameters));
    return ratio === undefined || !(ratio >= 0.1 && ratio <= 5)
      ? { pot, ratio: undefined, kgAnHour: 0 }
      : { pot, ratio: Math.round(ratio * 100) / 100, kgAnHour: ((before - after) / minutes) * 60 };
  });

  protected readonly ladle = signal<{ readonly id: string; readonly grams: number | null }>({ id: '', grams: null });
  protected readonly ladleHolds = computed(() => {
    const { id, grams } = this.ladle();
    const kit = this.kit();
    const ladle = kit?.ladles.find((one) => one.id === id) ?? kit?.ladles[0];
    if (kit === undefined || ladle === undefined || grams === null || !(grams > 0) || !(grams < 50_000)) return undefined;
    const volumeM3 = volumeByWaterM3(grams / 1000);
    const { digits, unit } = showVolume(volumeM3, kit.units);
    const off = (volumeM3 / ladle.volumeM3 - 1) * 100;
    return { ladle, volumeM3, text: `${digits} ${unit}`, off: `${off >= 0 ? '+' : '−'}${Math.abs(off).toFixed(0)} %` };
  });

  @HostListener('window:beforeunload', ['$event'])
  protected warnBeforeLeaving(event: BeforeUnloadEvent): void {
    if (this.isChanged()) event.preventDefault();
  }

  private shownOf(item: object, { key, factor, shift = 0 }: Column): number {
    const value = Number((item as Readonly<Record<string, unknown>>)[key] ?? 0) * factor + shift;
    return Math.round(value * 100) / 100;
  }

  protected set(change: Partial<Kit>): void {
    const kit = this.kit();
    if (kit !== undefined) this.kit.set({ ...kit, ...change });
    this.said.set('');
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value.trim();
  }

  private readonly footM = computed(() => (this.kit()?.units === 'metric' ? 1 : FOOT_M));
  protected readonly leastAltitude = computed(() => Math.ceil(ALTITUDE_M.least / this.footM()));
  protected readonly mostAltitude = computed(() => Math.floor(ALTITUDE_M.most / this.footM()));

  protected setAltitude(value: number): void {
    this.set({ altitudeM: Math.round(value * this.footM()) });
  }

  protected setKeeps(keeps: Kit['keeps']): void {
    this.set({ keeps });
  }

  /** A stage's figure as it is typed: a temperature on the kitchen's scale. */
  protected stageFigure(stage: OwnCoolingRule['stages'][number], key: 'fromC' | 'toC' | 'withinMin'): number {
    const value = stage[key] ?? this.firstC;
    return key === 'withinMin' ? value : Math.round(onScale(value, this.units()) * 10) / 10;
  }

  /** Nought is no pressure at all, and no temperature. */
  protected setPressure(potId: string, typed: number): void {
    this.change('pots', potId, { pressureC: typed > 0 ? this.inC(typed) : 0 });
  }

  private inC(figure: number): number {
    return fromScale(figure, this.units());
  }

  protected setStage(at: number, key: 'fromC' | 'toC' | 'withinMin', figure: number): void {
    const value = key === 'withinMin' ? figure : this.inC(figure);
    const rule = this.kit()?.coolingRule;
    if (rule === undefined) return;
    this.set({ coolingRule: { ...rule, stages: rule.stages.map((stage, n) => (n === at ? { ...stage, [key]: value } : stage)) } });
  }

  protected addStage(): void {
    const rule = this.kit()?.coolingRule ?? NEW_RULE;
    const last = rule.stages.at(-1);
    const next =
      last === undefined ? FIRST_STAGE : { fromC: last.fromC ?? FIRST_STAGE.fromC, toC: 5, withinMin: last.withinMin + 240 };
    this.set({ coolingRule: { ...rule, stages: [...rule.stages, next] } });
  }

  /** Times of day as they are typed, in order; what is none is named and nothing is changed. */
  protected setChecks(id: string, typed: string): void {
    const checks = typed
      .split(/[\s,;]+/)
      .filter((time) => time !== '')
      .map((time) => time.replace('.', ':').replace(/^\d:/, '0$&'))
      .sort();
    const parsed = ColdStoreSchema.shape.checks.safeParse(checks);
    this.refused.set(parsed.success ? '' : `“${typed}” is no list of times of day. Write them as 08:00, 16:00.`);
    if (parsed.success) this.change('coldStores', id, { checks });
  }

  protected setCell(shelf: Shelf, id: string, column: Column, value: number): void {
    this.refused.set('');
    this.change(shelf, id, {
      [column.key]: (value - (column.shift ?? 0)) / column.factor,
      ...(column.key === 'volumeM3' && shelf === 'ladles' ? { weighed: undefined } : {}),
    });
  }

  protected change(shelf: Shelf, id: string, change: object): void {
    const kit = this.kit();
    if (kit !== undefined)
      this.kit.set(
        withItems(
          kit,
          shelf,
          itemsOf(kit, shelf).map((item) => (item.id === id ? { ...item, ...change } : item)),
        ),
      );
    this.said.set('');
  }

  protected add(shelf: Shelf): void {
    const kit = this.kit();
    if (kit !== undefined) this.kit.set(withItems(kit, shelf, [...itemsOf(kit, shelf), fresh(kit, shelf)]));
  }

  protected remove(shelf: Shelf, id: string): void {
    const kit = this.kit();
    if (kit !== undefined)
      this.kit.set(
        withItems(
          kit,
          shelf,
          itemsOf(kit, shelf).filter((item) => item.id !== id),
        ),
      );
  }

  protected weigh(change: Partial<Weighing>): void {
    this.weighing.update((have) => ({ ...have, ...change }));
  }

  protected store(pot: Vessel, ratio: number): void {
    this.change('pots', pot.id, { boilOff: ratio });
    this.said.set(`The ${pot.name.toLowerCase()} boils off ${String(ratio)} times the usual. Save the kit to keep that.`);
  }

  protected storeLadle(id: string, volumeM3: number): void {
    this.change('ladles', id, { volumeM3, weighed: true });
  }

  /** Starts over with one of the three kitchens; the kitchen's name stays. Nothing is saved before Save. */
  protected startOver(ready: ReadyKitchen): void {
    const kit = this.kit();
    if (kit !== undefined) this.kit.set({ ...READY_KITS[ready], kitchen: kit.kitchen });
    this.said.set('This is how it would be. Save the kit to keep it, or put it back.');
  }

  protected putBack(): void {
    this.kit.set(this.kept());
    this.said.set('');
    this.refused.set('');
  }

  protected async save(): Promise<void> {
    const parsed = KitSchema.safeParse(JSON.parse(JSON.stringify(this.kit())));
    if (!parsed.success) {
      const issue = parsed.error.issues[0];
      this.refused.set(`${issue?.path.join(', ') ?? ''}: ${issue?.message ?? 'can’t be kept'}. Nothing was saved.`);
      return;
    }
    const answer = await this.kitchen.save(parsed.data);
    this.refused.set(answer.ok ? '' : answer.refusal.sentence);
    this.said.set(answer.ok ? 'The kit is saved. Plans from now on go by it; batches keep theirs.' : '');
  }
}
