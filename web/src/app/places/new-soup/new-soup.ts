import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { freeId, slug, type Answer } from '@tureen/core/draft';
import type { LineReading, Option } from '@tureen/core/amounts';
import { assumedWords, pastingSentence, problemSentence, readingSentence } from '@tureen/core/messages';
import type { Soup } from '@tureen/core/soup';
import { showMinutes } from '@tureen/core/units';
import { NzInputModule } from 'ng-zorro-antd/input';
import { combineLatest, debounceTime, from, map, of, switchMap } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import type { Answers, UnderstoodLine } from '../../cooking/answers';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { Soups } from '../../services/soups';
import { onKeys } from '../../shell/keys';
import { mass } from '../figures';
import { Choice } from '../../parts/choice';
import { openFile } from './open-file';

const KEYSTROKE_MS = 120;
const USUAL_BOWL_G = 300;

const GOES_IN: Readonly<Record<string, string>> = {
  fat: 'fat',
  meat: 'first',
  base: 'base',
  spice: 'spice',
  vegetable: 'vegetable',
  wine: 'deglaze',
  flour: 'flour',
  liquid: 'liquid',
  grain: 'simmer',
  bundle: 'fished out',
  greens: 'last minutes',
  herb: 'before the blade',
  salt: 'salt',
  season: 'seasoning',
  yolk: 'egg finish',
  cream: 'finish',
  finish: 'finish',
  garnish: 'on top',
};

interface Reading {
  readonly label: string;
  readonly answer: Answer;
}

/** Type, paste or open a soup; see what is understood; put it on the shelf. Nothing is saved before that. */
/** How the base is made. */
const SCHOOLS = [
  { value: 'roast', name: 'Roast' },
  { value: 'sweat', name: 'Sweat' },
  { value: 'raw', name: 'Raw' },
] as const;

@Component({
  selector: 'tt-new-soup',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, NzInputModule, RibbonPicture, RouterLink],
  templateUrl: './new-soup.html',
  styleUrl: './new-soup.less',
})
export class NewSoup {
  private readonly router = inject(Router);
  private readonly soups = inject(Soups);
  private readonly cooking = inject(Cooking);
  private readonly stocked = toSignal(this.cooking.stocked$);
  private readonly shelf = toSignal(this.soups.shelf$);

  protected readonly text = signal('');
  protected readonly typedName = signal<string | undefined>(undefined);
  protected readonly schools = SCHOOLS;
  protected readonly school = signal<Soup['school'] | undefined>(undefined);
  protected readonly answers = signal<Answers>({});
  protected readonly refused = signal('');
  protected readonly saving = signal(false);
  /** A soup that came whole from its own file. */
  protected readonly whole = signal<Soup | undefined>(undefined);

  protected readonly units = computed(() => this.stocked()?.kit?.units ?? 'metric');
  private readonly rows = computed(() => this.stocked()?.rows ?? []);

  private readonly understood = toSignal(
    combineLatest([toObservable(this.text), this.cooking.stocked$]).pipe(
      debounceTime(KEYSTROKE_MS),
      switchMap(([text]) => (text.trim() === '' ? of(undefined) : from(this.cooking.calculator.understand(text)))),
    ),
  );
  protected readonly unread = computed(() => {
    const read = this.understood();
    return read?.ok === false ? pastingSentence(read.pasting) : undefined;
  });
  protected readonly name = computed(() => {
    const read = this.understood();
    return this.typedName() ?? (read?.ok === true ? read.pasted.title : undefined) ?? '';
  });
  /** A name to show by while none is given: the lead's. */
  private readonly drafting = computed(() => {
    const taken = new Set((this.shelf()?.ok === true ? this.shelfSoups() : []).map(({ id }) => id));
    const name = this.name().trim() === '' ? 'New soup' : this.name().trim();
    return {
      text: this.text(),
      answers: this.answers(),
      id: freeId(slug(name), taken),
      name,
      bowlG: USUAL_BOWL_G,
      school: this.school(),
      served: undefined,
    };
  });
  private readonly drafted = toSignal(
    combineLatest([toObservable(this.drafting), this.cooking.stocked$]).pipe(
      debounceTime(KEYSTROKE_MS),
      switchMap(([drafting]) => (drafting.text.trim() === '' ? of(undefined) : from(this.cooking.calculator.drafted(drafting)))),
    ),
  );
  private readonly wholeView = toSignal(
    combineLatest([toObservable(this.whole), this.cooking.stocked$]).pipe(
      switchMap(([soup]) =>
        soup === undefined ? of(undefined) : from(this.cooking.calculator.edited(soup)).pipe(map((edit) => ({ soup, edit }))),
      ),
    ),
  );

  protected readonly draft = computed(() => {
    const whole = this.wholeView();
    if (whole !== undefined) return { soup: whole.soup, view: whole.edit.view, bowls: undefined, stated: undefined, unasked: 0 };
    return this.text().trim() === '' || this.unread() !== undefined ? undefined : this.drafted();
  });
  protected readonly problems = computed(() => this.wholeView()?.edit.problems.map(problemSentence) ?? []);
  protected readonly lines = computed(() => {
    const read = this.understood();
    if (read?.ok !== true || this.text().trim() === '') return [];
    return read.lines.map((line, n) => this.row(line, n));
  });
  protected readonly open = computed(() => this.lines().filter(({ asks }) => asks !== undefined).length);
  protected readonly comesTo = computed(() => {
    const draft = this.draft();
    if (draft === undefined) return '';
    const { bowls, bowlG } = draft.soup.writtenFor;
    const said = draft.stated === undefined ? '' : `It says ${String(draft.stated)}. `;
    const minutes = draft.view === undefined ? '' : `, ${showMinutes(draft.view.figures.minutes)}`;
    return `${said}Its amounts come to ${String(bowls)} bowls of ${String(bowlG)} g${minutes}.`;
  });

  constructor() {
    onKeys({
      Escape: () => {
        void this.router.navigate(['/shelf']);
      },
    });
  }

  private shelfSoups(): readonly { readonly id: string }[] {
    const answer = this.shelf();
    return answer?.ok === true ? answer.value.soups : [];
  }

  private row(line: UnderstoodLine, n: number) {
    const { reading, taken, heading } = line;
    const answer = this.answers()[n];
    const left = answer === null;
    const kg = answer?.kg ?? taken?.kg ?? 0;
    const ingredient = answer?.ingredient ?? taken?.ingredient;
    const name = this.rows().find(({ id }) => id === ingredient)?.name ?? '';
    const known = answer !== undefined || taken !== undefined;
    return {
      n,
      heading,
      text: reading.text,
      left,
      known,
      name,
      amount: kg > 0 ? mass(kg, this.units()) : taken?.rule === 'panFloor' ? 'by the pan' : 'by its step',
      role: taken === undefined ? '' : (GOES_IN[taken.role] ?? taken.role),
      assumed: answer === undefined ? assumedWords(taken?.assumed ?? []) : '',
      asks: known || left ? undefined : readingSentence(reading),
      choices: known || left ? [] : this.choices(reading),
      nearest:
        known || left || reading.code !== 'UNKNOWN_FOOD'
          ? []
          : reading.nearest.map((id) => ({ id, name: this.rows().find((row) => row.id === id)?.name ?? id })),
    };
  }

  private choices(reading: LineReading): readonly Reading[] {
    if (reading.code !== 'ASK') return [];
    return reading.options.map((option: Option) => ({
      label: `${option.label}, ${mass(option.kg, this.units())}`,
      answer: { ingredient: option.ingredient, amount: option.amount, kg: option.kg },
    }));
  }

  protected typed(event: Event): void {
    this.whole.set(undefined);
    this.refused.set('');
    this.answers.set({});
    this.text.set((event.target as HTMLTextAreaElement).value);
  }

  protected named(event: Event): void {
    this.typedName.set((event.target as HTMLInputElement).value);
  }

  protected answer(n: number, answer: Answer | null): void {
    this.answers.update((have) => ({ ...have, [n]: answer }));
  }

  protected again(n: number): void {
    this.answers.update((have) => Object.fromEntries(Object.entries(have).filter(([key]) => key !== String(n))));
  }

  /** Takes one of the nearest foods for a misspelt one, by writing it into the text, where it can be seen. */
  protected meant(n: number, name: string): void {
    const read = this.understood();
    const reading = read?.ok === true ? read.lines[n]?.reading : undefined;
    if (reading?.code !== 'UNKNOWN_FOOD') return;
    const line = reading.text.replace(reading.name, name.toLowerCase());
    this.text.update((text) => text.replace(reading.text, line));
  }

  protected async bring(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (file === undefined) return;
    const opened = await openFile(file);
    this.refused.set(opened.kind === 'refused' ? opened.sentence : '');
    if (opened.kind === 'refused') return;
    this.answers.set({});
    this.typedName.set(undefined);
    this.whole.set(opened.kind === 'soup' ? opened.soup : undefined);
    this.text.set(opened.kind === 'text' ? opened.text : '');
  }

  protected async save(): Promise<void> {
    if (this.draft() === undefined || this.saving()) return;
    this.saving.set(true);
    // What was typed or answered a moment ago is in it too: the draft on the screen may be a keystroke behind.
    const whole = this.whole();
    const draft = whole === undefined ? await this.cooking.calculator.drafted(this.drafting()) : { soup: whole };
    if (draft === undefined) {
      this.saving.set(false);
      return;
    }
    const taken = new Set(this.shelfSoups().map(({ id }) => id));
    const name = this.name().trim();
    const soup: Soup = {
      ...draft.soup,
      id: freeId(draft.soup.id, taken),
      ...(this.whole() === undefined && name !== '' ? { name } : {}),
      ...(this.whole() === undefined && name === '' ? { name: `${draft.soup.lead} soup` } : {}),
    };
    const answer = await this.soups.save(soup, 0, this.whole() === undefined ? 'as first written' : 'from its file');
    this.saving.set(false);
    if (answer.ok) await this.router.navigate(['/shelf', answer.value.soup.id]);
    else this.refused.set(answer.refusal.sentence);
  }
}
