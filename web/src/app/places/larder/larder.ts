import { ScrollingModule } from '@angular/cdk/scrolling';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { deepEqual } from 'fast-equals';
import { namesOf } from '@tureen/core/amounts';
import { freeId, slug } from '@tureen/core/draft';
import { readPrices, refusedPriceSentence, unreadSentence } from '@tureen/core/formats';
import { ALLERGENS, checkRows, GROUPS, type IngredientRow } from '@tureen/core/larder';
import { rowSentence } from '@tureen/core/messages';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { combineLatest, from, of, switchMap } from 'rxjs';
import { NumberField } from '../../parts/number-field';
import { Kitchen } from '../../services/kitchen';
import { onKeys } from '../../shell/keys';
import { day, money } from '../figures';

const ROW_PX = 56;
const MOST_BYTES = 2 * 1024 * 1024;

const MADE_OF = [
  ['water', 'water'],
  ['fat', 'fat'],
  ['protein', 'protein'],
  ['starch', 'starch'],
  ['sugars', 'sugars'],
  ['other', 'other carbohydrate'],
  ['fibre', 'fibre'],
  ['salt', 'salt'],
  ['acid', 'acid'],
  ['ethanol', 'alcohol'],
  ['ash', 'ash'],
] as const;
type Part = (typeof MADE_OF)[number][0];

/** What is known of an ingredient, found at once among thousands, and corrected with the original kept beside it. */
@Component({
  selector: 'tt-larder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField, NzInputModule, NzSelectModule, ScrollingModule],
  templateUrl: './larder.html',
  styleUrl: './larder.less',
})
export class LarderPlace {
  private readonly kitchen = inject(Kitchen);
  private readonly larder = toSignal(this.kitchen.larder$);
  private readonly kitchenAnswer = toSignal(this.kitchen.kitchen$);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('find');

  protected readonly rowPx = ROW_PX;
  protected readonly groups = GROUPS;
  protected readonly allergens = ALLERGENS;
  protected readonly madeOf = MADE_OF;
  protected readonly wanted = signal('');
  protected readonly group = signal('');
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly refused = signal<readonly string[]>([]);
  protected readonly said = signal('');
  protected readonly why = signal('');
  protected readonly price = signal<number | null>(null);
  protected readonly priceDay = signal('');
  protected readonly priceSource = signal('');

  protected readonly currency = computed(() => {
    const answer = this.kitchenAnswer();
    return answer?.ok === true ? answer.value.kit?.currency : undefined;
  });
  protected readonly rows = computed(() => this.larder()?.rows);
  private readonly own = computed(() => new Set(this.larder()?.own ?? []));
  /** Every name of every row in small letters, made once: finding goes over all of them at every keystroke. */
  private readonly words = computed(() =>
    (this.rows() ?? []).map((row) => ({
      row,
      text: [row.id, row.name, row.us, row.au, ...(row.aka ?? []), row.group, ...row.allergens].join(' ').toLowerCase(),
    })),
  );
  protected readonly shown = computed(() => {
    const typed = this.wanted()
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    const group = this.group();
    return this.words()
      .filter(({ row, text }) => (group === '' || row.group === group) && typed.every((word) => text.includes(word)))
      .map(({ row }) => ({
        id: row.id,
        name: row.name,
        other: [row.us, row.au]
          .filter((name, n, all) => name !== undefined && all.indexOf(name) === n && name !== row.name)
          .join(', '),
        kept: row.trims[0] === undefined || row.trims[0].share >= 1 ? '' : `${(row.trims[0].share * 100).toFixed(0)} % kept`,
        price: row.pricePerKg > 0 ? `${money(row.pricePerKg, this.currency())} a kg` : '',
        own: this.own().has(row.id),
      }));
  });

  private readonly history = toSignal(
    combineLatest([toObservable(this.chosen), this.kitchen.larder$]).pipe(
      switchMap(([id]) => (id === undefined ? of(undefined) : from(this.kitchen.ingredient(id)))),
    ),
  );
  /** What is known of it; asked again and the same, it takes nothing back that is typed. */
  protected readonly known = computed(
    () => {
      const answer = this.history();
      return answer?.ok === true ? answer.value : undefined;
    },
    { equal: deepEqual },
  );
  /** The row as it is being corrected. */
  protected readonly draft = linkedSignal<IngredientRow | undefined>(() => this.known()?.now ?? undefined);
  protected readonly isChanged = computed(() => JSON.stringify(this.draft()) !== JSON.stringify(this.known()?.now ?? undefined));
  protected readonly sum = computed(() => {
    const c = this.draft()?.composition;
    return c === undefined ? 0 : MADE_OF.reduce((sum, [part]) => sum + c[part], 0);
  });
  protected readonly problems = computed(() => {
    const draft = this.draft();
    return draft === undefined
      ? []
      : checkRows([...(this.rows() ?? []).filter(({ id }) => id !== draft.id), draft])
          .filter(({ id }) => id === draft.id)
          .map(rowSentence);
  });
  protected readonly corrections = computed(() =>
    (this.known()?.corrections ?? []).map(({ row, why, createdAtMs }) => ({
      when: day(createdAtMs),
      why,
      what: row === null ? 'taken back' : 'corrected',
    })),
  );
  protected readonly shipped = computed(() => this.known()?.shipped ?? undefined);

  constructor() {
    onKeys({
      '/': () => {
        this.field()?.nativeElement.focus();
      },
    });
  }

  protected pieceNames({ pieces }: IngredientRow): readonly string[] {
    return Object.keys(pieces ?? {});
  }

  protected cash(amount: number): string {
    return money(amount, this.currency());
  }

  protected rowOf(_: number, { id }: { readonly id: string }): string {
    return id;
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected choose(id: string): void {
    this.chosen.set(id);
    this.said.set('');
    this.refused.set([]);
    this.why.set('');
  }

  private change(change: Partial<IngredientRow>): void {
    const draft = this.draft();
    if (draft !== undefined) this.draft.set({ ...draft, ...change });
  }

  protected percent(share: number): number {
    return Math.round(share * 100);
  }

  protected rename(event: Event): void {
    const name = this.text(event).trim();
    if (name !== '') this.change({ name });
  }

  protected setPart(part: Part, value: number): void {
    const draft = this.draft();
    if (draft === undefined) return;
    this.change({ composition: { ...draft.composition, [part]: value, source: this.why().trim() || draft.composition.source } });
  }

  protected setTrim(way: string, percent: number): void {
    const draft = this.draft();
    if (draft === undefined) return;
    this.change({
      trims: draft.trims.map((trim) => (trim.way === way ? { ...trim, share: percent / 100 } : trim)),
    });
  }

  protected setPiece(size: string, grams: number): void {
    const draft = this.draft();
    if (draft?.pieces?.[size] === undefined) return;
    this.change({ pieces: { ...draft.pieces, [size]: grams } });
  }

  protected setAllergens(names: IngredientRow['allergens']): void {
    this.change({ allergens: names });
  }

  /** A new ingredient begins as a copy of the one that is open: what is alike need not be typed. */
  protected copy(): void {
    const draft = this.draft();
    if (draft === undefined) return;
    const name = `${draft.name}, our own`;
    const ids = new Set((this.rows() ?? []).map(({ id }) => id));
    this.draft.set({
      ...draft,
      us: undefined,
      au: undefined,
      aka: undefined,
      id: freeId(slug(name), ids),
      name,
      varietyOf: draft.varietyOf ?? draft.id,
    });
    this.said.set(
      'A new ingredient, like the one it was copied from. Give it its name and figures, say where they are from, and save it.',
    );
  }

  protected putBack(): void {
    this.draft.set(this.known()?.now ?? undefined);
    this.said.set('');
  }

  protected async save(): Promise<void> {
    const draft = this.draft();
    const why = this.why().trim();
    if (draft === undefined) return;
    if (why === '') {
      this.refused.set(['Say where the new figures are from: a label, a table, your own scale. Nothing was saved yet.']);
      return;
    }
    const answer = await this.kitchen.correct(draft.id, draft, why);
    this.refused.set(answer.ok ? [] : [answer.refusal.sentence]);
    if (!answer.ok) return;
    this.said.set('Saved. The original is kept beside it.');
    this.why.set('');
    this.chosen.set(draft.id);
  }

  protected async takeBack(): Promise<void> {
    const id = this.chosen();
    if (id === undefined) return;
    const answer = await this.kitchen.correct(id, null, 'back to what ships');
    this.refused.set(answer.ok ? [] : [answer.refusal.sentence]);
    if (answer.ok) this.said.set('Back to what ships. The correction is kept in the list below.');
    if (answer.ok && this.shipped() === undefined) this.chosen.set(undefined);
  }

  protected async addPrice(): Promise<void> {
    const id = this.chosen();
    const price = this.price();
    if (id === undefined || price === null || !(price >= 0)) {
      this.refused.set(['Give a price by the kilo, 0 or more.']);
      return;
    }
    const at = this.priceDay();
    const answer = await this.kitchen.addPrices(
      [{ ingredient: id, pricePerKg: price, ...(at === '' ? {} : { day: at }) }],
      this.priceSource().trim() || 'by hand',
    );
    this.refused.set(answer.ok ? [] : [answer.refusal.sentence]);
    if (answer.ok) this.price.set(null);
  }

  protected async bringPrices(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    const rows = this.rows();
    if (file === undefined || rows === undefined) return;
    this.said.set('');
    if (file.size > MOST_BYTES) {
      this.refused.set([unreadSentence('TOO_BIG', file.name)]);
      return;
    }
    const read = readPrices(await file.text(), new Set(rows.map(({ id }) => id)), namesOf(rows));
    if (!read.ok) {
      this.refused.set([unreadSentence(read.code, file.name)]);
      return;
    }
    const refused = read.refused.map(refusedPriceSentence);
    if (read.prices.length > 0) {
      const answer = await this.kitchen.addPrices(
        read.prices.map(({ ingredient, pricePerKg, day: at }) => ({
          ingredient,
          pricePerKg,
          ...(at === undefined ? {} : { day: at }),
        })),
        file.name.slice(0, 120),
      );
      if (!answer.ok) {
        this.refused.set([answer.refusal.sentence]);
        return;
      }
    }
    this.refused.set(refused);
    this.said.set(
      `${String(read.prices.length)} prices taken from ${file.name}${refused.length === 0 ? '' : `, ${String(refused.length)} rows not`}.`,
    );
  }
}
