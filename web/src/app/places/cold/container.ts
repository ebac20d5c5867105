import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  resource,
  signal,
  untracked,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { REHEATING } from '@tureen/core/cold';
import { energyKcal } from '@tureen/core/dish';
import { makeIngredient } from '@tureen/core/larder';
import {
  broughtBackWords,
  cautionSentence,
  freezingWords,
  reheatingWords,
  stockActionWords,
  stockNoticeSentence,
  thawingWords,
} from '@tureen/core/messages';
import type { ColdStore } from '@tureen/core/kit';
import { bowlsIn, freezingOf, thawingOf, tiesOf, type Container, type StockAction, type TakenAs } from '@tureen/core/stock';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { switchMap, timer, map } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import { Choice } from '../../parts/choice';
import { NumberField } from '../../parts/number-field';
import { Clock } from '../../services/clock';
import { newId } from '../../services/device';
import { Kitchen } from '../../services/kitchen';
import { Stock } from '../../services/stock';
import { day, mass, money, timeOfDay } from '../figures';
import { containerRow, dayWords } from './container-words';
import { FreezeDry } from './freeze-dry';
import { PanWatch } from './pan-watch';
import { Tub } from './tub';
import { kitchenUnits } from '../../services/units';
import { QuantityField } from '../../parts/quantity-field';

const LOOK_MS = 30_000;

/** What can be asked for; each has a small form. */
const ASKS = ['took', 'split', 'joined', 'reheated', 'threw away', 'recounted', 'note'] as const;
type Ask = (typeof ASKS)[number];

const WHYS = ['past its day', 'missed its cooling', 'stood warm', 'spilt', 'does not taste'] as const;

function isAsk(text: string | undefined): text is Ask {
  return (ASKS as readonly (string | undefined)[]).includes(text);
}

/** One container: what is in it, until when it keeps, what can be done with it, and what was. */
@Component({
  selector: 'tt-container',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, FormsModule, FreezeDry, NumberField, NzInputModule, NzSelectModule, PanWatch, QuantityField, RouterLink, Tub],
  templateUrl: './container.html',
  styleUrl: './container.less',
})
export class ContainerPlace {
  private readonly stock = inject(Stock);
  private readonly clock = inject(Clock);
  private readonly cooking = inject(Cooking);
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  private readonly cold = toSignal(this.stock.cold$);
  readonly containerId = input.required<string>();
  /** What is asked for at once, from the address. */
  readonly ask = input<string>();
  private readonly answer = toSignal(toObservable(this.containerId).pipe(switchMap((id) => this.stock.container$(id))));
  private readonly nowMs = toSignal(timer(0, LOOK_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });

  private readonly listed = computed(() => {
    const cold = this.cold();
    return cold?.ok === true ? cold.value.containers : [];
  });
  private readonly everything = computed(() => {
    const cold = this.cold();
    return cold?.ok === true ? cold.value.all : undefined;
  });
  private readonly known = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value : undefined;
  });
  protected readonly container = computed(
    (): Container | undefined => this.everything()?.get(this.containerId()) ?? this.known()?.container,
  );
  protected readonly isUnsent = computed(() => {
    const cold = this.cold();
    return cold?.ok === true && cold.value.unsent.has(this.containerId());
  });
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    if (this.container() !== undefined || answer === undefined || answer.ok) return undefined;
    return answer.refusal.sentence;
  });
  protected readonly row = computed(() => {
    const own = this.container();
    return own === undefined ? undefined : containerRow(own, this.nowMs());
  });
  private readonly currency = computed(() => {
    const answer = this.kitchen();
    return answer?.ok === true ? answer.value.kit?.currency : undefined;
  });
  protected readonly facts = computed(() => {
    const own = this.container();
    if (own === undefined) return [];
    const { contents, madeMs, cooledMs, frozenMs, thawedMs, openedMs, kg, foundKg } = own;
    const at = (ms: number | undefined): string | undefined => (ms === undefined ? undefined : `${day(ms)} ${timeOfDay(ms)}`);
    const kcal = (energyKcal(makeIngredient(contents.row).perKg) * contents.bowlG) / 1000;
    const saltG = (contents.row.composition.salt / 100) * contents.bowlG;
    return [
      { name: 'a bowl', value: `${contents.bowlG.toFixed(0)} g, ${kcal.toFixed(0)} kcal, salt ${saltG.toFixed(1)} g` },
      { name: 'made', value: at(madeMs) },
      { name: 'cold', value: at(cooledMs) },
      { name: 'frozen', value: at(frozenMs) },
      { name: 'thawed', value: at(thawedMs) },
      { name: 'dried', value: at(own.driedMs) },
      { name: 'opened', value: at(openedMs) },
      { name: 'to freeze', value: own.state === 'chilled' ? freezingWords(freezingOf(own), kitchenUnits()) : undefined },
      { name: 'to thaw', value: own.state === 'frozen' ? thawingWords(thawingOf(own)) : undefined },
      { name: 'worth', value: contents.row.pricePerKg > 0 ? money(contents.row.pricePerKg * kg, this.currency()) : undefined },
      {
        name: 'by recounting',
        value: Math.abs(foundKg) < 0.0005 ? undefined : `${foundKg > 0 ? '+' : '−'}${mass(Math.abs(foundKg), kitchenUnits())}`,
      },
    ].flatMap(({ name, value }) => (value === undefined ? [] : [{ name, value }]));
  });
  protected readonly notices = computed(() =>
    (this.known()?.notices ?? [])
      .filter(({ container }) => container === this.containerId())
      .map((notice) => stockNoticeSentence(notice, kitchenUnits())),
  );
  protected readonly history = computed(() => {
    const known = this.known();
    if (known === undefined) return [];
    const undone = new Set(known.entries.flatMap(({ action }) => (action.kind === 'undone' ? [action.target] : [])));
    return known.entries
      .filter((entry) => tiesOf(entry).includes(this.containerId()) && entry.action.kind !== 'undone')
      .map(({ id, action, atMs, who }) => ({
        id,
        words: stockActionWords(action, kitchenUnits()),
        when: `${day(atMs)} ${timeOfDay(atMs)}`,
        who,
        isUndone: undone.has(id),
      }))
      .reverse();
  });
  protected readonly stores = toSignal(inject(Kitchen).coldStores$, { initialValue: [] });
  protected readonly others = computed(() => {
    const own = this.container();
    return this.listed()
      .filter(
        ({ id, state, store }) =>
          id !== own?.id && state !== 'cooling' && (store.kind === 'freezer') === (own?.store.kind === 'freezer'),
      )
      .map((one) => ({
        id: one.id,
        name: `${one.contents.name}, ${one.vessel.toLowerCase()}, ${mass(one.kg, kitchenUnits())}, to ${dayWords(one.useBy.day)}`,
      }));
  });

  protected readonly dries = linkedSignal({ source: () => this.containerId(), computation: () => false });
  protected readonly asking = linkedSignal<Ask | undefined>(() => (isAsk(this.ask()) ? (this.ask() as Ask) : undefined));
  /** Figures begin anew with another container, and not when another screen enters something: what is typed stays. */
  private readonly shownId = computed(() => this.container()?.id);
  protected readonly bowlCount = linkedSignal<string | undefined, number | null>({
    source: () => this.shownId(),
    computation: () => untracked(() => Math.min(1, this.whole())),
  });
  protected readonly kg = linkedSignal<string | undefined, number | null>({
    source: () => this.shownId(),
    computation: () => untracked(() => this.inGrams(1)),
  });
  protected readonly takenFor = signal<TakenAs>('bowls');
  protected readonly otherId = signal<string | undefined>(undefined);
  protected readonly why = signal('');
  protected readonly toC = signal<number | null>(REHEATING.toC);
  private readonly stocked = toSignal(this.cooking.stocked$);
  private readonly heated = computed(() => {
    const [own, kg, toC] = [this.container(), this.kg(), this.toC()];
    return this.asking() !== 'reheated' ||
      own === undefined ||
      this.stocked() === undefined ||
      kg === null ||
      kg <= 0 ||
      toC === null
      ? undefined
      : { contents: own.contents, kg, toC };
  });
  private readonly brought = resource({
    params: () => this.heated(),
    loader: ({ params }) => this.cooking.calculator.bringBack(params),
  });
  /** What bringing it back takes on this kitchen's stove. */
  protected readonly back = computed(() => {
    const [asked, back] = [this.heated(), this.brought.hasValue() ? this.brought.value() : undefined];
    if (asked === undefined || back === undefined) return undefined;
    const hurt = back.cautions.map((caution) => cautionSentence(caution, (id) => id, kitchenUnits()));
    return {
      words: broughtBackWords(back, asked.toC, asked.contents.holds, kitchenUnits()),
      cautions: hurt,
      minutes: Math.ceil(back.minutes),
    };
  });
  /** The minutes reckoned, until the cook says what it really took. */
  protected readonly typedMinutes = linkedSignal<string | undefined, number | null | undefined>({
    source: () => this.shownId(),
    computation: () => undefined,
  });
  protected readonly minutes = computed(() => {
    const typed = this.typedMinutes();
    return typed === undefined ? (this.back()?.minutes ?? null) : typed;
  });
  protected readonly said = signal('');
  protected readonly whys = WHYS;
  protected readonly reheating = computed(() => reheatingWords(kitchenUnits()));
  protected readonly isShort = computed(() => (this.toC() ?? 0) < REHEATING.toC || (this.minutes() ?? 0) > REHEATING.withinMin);
  protected readonly takenAs: readonly { readonly value: TakenAs; readonly name: string }[] = [
    { value: 'bowls', name: 'for bowls' },
    { value: 'staff', name: 'for the staff' },
    { value: 'sample', name: 'a sample' },
    { value: 'used', name: 'into another soup' },
    { value: 'other', name: 'else' },
  ];
  protected readonly whole = computed(() => bowlsIn(this.container()?.kg ?? 0, this.contents()));

  private contents(): { readonly bowlG: number } {
    return this.container()?.contents ?? { bowlG: 300 };
  }

  /** A share of what is there, kg to the gram. */
  private inGrams(share: number): number {
    return Math.round((this.container()?.kg ?? 0) * share * 1000) / 1000;
  }

  protected begin(ask: Ask): void {
    this.said.set('');
    this.kg.set(this.inGrams(ask === 'split' ? 0.5 : 1));
    this.bowlCount.set(Math.min(1, this.whole()));
    this.asking.set(this.asking() === ask ? undefined : ask);
  }

  private async enter(action: StockAction, said: string): Promise<void> {
    this.asking.set(undefined);
    this.said.set(said);
    await this.stock.enter(action);
  }

  protected move({ id, name, kind }: ColdStore): void {
    void this.enter({ kind: 'moved', container: this.containerId(), store: { id, name, kind } }, `Moved: ${name.toLowerCase()}.`);
  }

  protected open(): void {
    void this.enter({ kind: 'opened', container: this.containerId() }, 'Opened.');
  }

  protected takeBack(target: string): void {
    void this.enter({ kind: 'undone', container: this.containerId(), target }, 'Taken back.');
  }

  /** What is asked for, as an entry; undefined while something is missing. */
  private action(): StockAction | undefined {
    const container = this.containerId();
    const kg = this.kg();
    const bowls = this.bowlCount();
    switch (this.asking()) {
      case 'took': {
        if (bowls === null || bowls <= 0) return undefined;
        return { kind: 'took', container, kg: (bowls * this.contents().bowlG) / 1000, as: this.takenFor() };
      }
      case 'split': {
        const vessel = this.container()?.vessel ?? 'tub';
        return kg === null || kg <= 0 ? undefined : { kind: 'split', container, into: newId(), vessel, kg };
      }
      case 'joined': {
        const other = this.listed().find(({ id }) => id === this.otherId());
        return other === undefined ? undefined : { kind: 'joined', container, other: other.id, kg: other.kg };
      }
      case 'reheated': {
        const [toC, minutes] = [this.toC(), this.minutes()];
        return kg === null || kg <= 0 || toC === null || minutes === null
          ? undefined
          : { kind: 'reheated', container, kg, toC, minutes };
      }
      case 'threw away':
        return kg === null || kg <= 0 || this.why().trim() === ''
          ? undefined
          : { kind: 'threw away', container, kg, why: this.why().trim() };
      case 'recounted':
        return kg === null || kg < 0 ? undefined : { kind: 'recounted', container, kg };
      case 'note':
        return this.why().trim() === '' ? undefined : { kind: 'note', container, text: this.why().trim() };
      case undefined:
        return undefined;
    }
  }

  protected readonly isReady = computed(() => this.action() !== undefined);

  protected say(): void {
    const action = this.action();
    if (action === undefined) return;
    this.why.set('');
    void this.enter(action, `On record: ${stockActionWords(action, kitchenUnits())}.`);
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }
}
