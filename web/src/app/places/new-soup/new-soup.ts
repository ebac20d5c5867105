import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { freeId, slug, type Answer } from '@tureen/core/draft';
import type { LineReading, Option } from '@tureen/core/amounts';
import type { Fix } from '@tureen/core/method';
import { assumedWords, pastingSentence, problemSentence, readingSentence } from '@tureen/core/messages';
import type { Soup } from '@tureen/core/soup';
import { showMinutes, degrees } from '@tureen/core/units';
import { NzInputModule } from 'ng-zorro-antd/input';
import { combineLatest, debounceTime, from, map, of, switchMap } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import type { Answers, DraftOutcome, Drafting, UnderstoodLine } from '../../cooking/answers';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { Soups } from '../../services/soups';
import { onKeys } from '../../shell/keys';
import { mass } from '../figures';
import { Choice } from '../../parts/choice';
import { MethodSteps } from './method-steps';
import { openFile } from './open-file';
import { RecipeText, type TextMark } from './recipe-text';

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

/** The first line that names something, as a name to go on with while none is typed. */
function titleOf(text: string): string {
  const first =
    text
      .split('\n')
      .find((line) => line.trim() !== '')
      ?.trim() ?? '';
  return first === '' || /^\d/.test(first) ? 'New soup' : first.slice(0, 80);
}

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
  imports: [Choice, MethodSteps, NzInputModule, RecipeText, RibbonPicture, RouterLink],
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
  /** Clauses of the method set right by hand, by their words, so that typing elsewhere keeps them. */
  protected readonly fixes = signal<Readonly<Record<string, Fix>>>({});
  /** The clause that is looked at. */
  protected readonly lit = signal<number | undefined>(undefined);
  protected readonly showsLines = signal(false);
  protected readonly refused = signal('');
  protected readonly saving = signal(false);
  /** A soup that came whole from its own file. */
  protected readonly whole = signal<Soup | undefined>(undefined);

  protected readonly units = computed(() => this.stocked()?.kit?.units ?? 'metric');
  private readonly rows = computed(() => this.stocked()?.rows ?? []);

  private readonly drafting = computed((): Drafting => {
    const taken = new Set((this.shelf()?.ok === true ? this.shelfSoups() : []).map(({ id }) => id));
    const typed = this.typedName()?.trim() ?? '';
    const name = typed === '' ? titleOf(this.text()) : typed;
    return {
      text: this.text(),
      answers: this.answers(),
      fixes: this.fixes(),
      id: freeId(slug(name), taken),
      name,
      bowlG: USUAL_BOWL_G,
      school: this.school(),
      served: undefined,
    };
  });
  private readonly outcome = toSignal(
    combineLatest([toObservable(this.drafting), this.cooking.stocked$]).pipe(
      debounceTime(KEYSTROKE_MS),
      switchMap(([drafting]) => (drafting.text.trim() === '' ? of(undefined) : from(this.cooking.calculator.drafted(drafting)))),
    ),
  );
  private readonly read = computed(() => {
    const outcome = this.outcome();
    return outcome?.ok === true && this.text().trim() !== '' ? outcome.drafted : undefined;
  });
  protected readonly unread = computed(() => {
    const outcome = this.outcome();
    return outcome?.ok === false ? pastingSentence(outcome.pasting) : undefined;
  });
  protected readonly name = computed(() => this.typedName() ?? this.read()?.title ?? '');
  private readonly wholeView = toSignal(
    combineLatest([toObservable(this.whole), this.cooking.stocked$]).pipe(
      switchMap(([soup]) =>
        soup === undefined ? of(undefined) : from(this.cooking.calculator.edited(soup)).pipe(map((edit) => ({ soup, edit }))),
      ),
    ),
  );

  protected readonly draft = computed(() => {
    const whole = this.wholeView();
    if (whole !== undefined) return { soup: whole.soup, view: whole.edit.view, stated: undefined };
    const read = this.read();
    return read?.soup === undefined ? undefined : { soup: read.soup, view: read.view, stated: read.stated };
  });
  protected readonly method = computed(() => this.read()?.method);
  protected readonly problems = computed(() => this.wholeView()?.edit.problems.map(problemSentence) ?? []);
  protected readonly lines = computed(() => this.read()?.lines.map((line, n) => this.row(line, n)) ?? []);
  protected readonly open = computed(() => this.lines().filter(({ asks }) => asks !== undefined).length);
  /** What keeping it does with lines that were not answered. */
  protected readonly openEnding = computed(() => {
    const asked = this.lines().filter(({ asks }) => asks !== undefined);
    if (asked.length === 0) return '';
    if (asked.some(({ until }) => until === '')) return ' without what isn’t understood';
    return asked.length === 1 ? ' with one guess' : ` with ${String(asked.length)} guesses`;
  });
  protected readonly marks = computed((): readonly TextMark[] => {
    const method = this.method();
    if (method === undefined) return [];
    return method.clauses.map(({ start, end }, clause): TextMark => {
      const own = method.actions.filter((action) => action.clause === clause);
      const isStep = own.some(({ does }) => does !== 'remark' && does !== 'setting' && does !== 'serve');
      const isAssumed = own.some(({ assumed }) => assumed.length > 0);
      return { clause, start, end, kind: !isStep ? 'remark' : isAssumed ? 'assumed' : 'step' };
    });
  });
  /** How many of the clauses became steps. */
  protected readonly steps = computed(() => this.marks().filter(({ kind }) => kind !== 'remark').length);
  /** What of the text was read as no food and no work, so that nothing is left out unseen. */
  protected readonly notes = computed((): readonly string[] => (this.whole() === undefined ? (this.read()?.notes ?? []) : []));
  /** What the method leaves open, in sentences. */
  protected readonly remarks = computed((): readonly string[] => {
    const method = this.method();
    if (method === undefined) return [];
    const names = new Map(method.names);
    const list = (lines: readonly string[]): string => [...new Set(lines.map((line) => names.get(line) ?? line))].join(', ');
    return [
      method.placed.length === 0 ? '' : `In no sentence, put where it usually goes: ${list(method.placed)}.`,
      method.equalShares.length === 0
        ? ''
        : `Used more than once without saying how much, shared evenly: ${list(method.equalShares)}.`,
      method.joinedByGuess.length === 0
        ? ''
        : `Never said to join, tipped in before the blade: ${method.joinedByGuess.join(', ').toLowerCase()}.`,
      method.heatsAtOnce.length === 0
        ? ''
        : `Two heats at once, ${method.heatsAtOnce.map((c) => degrees(c, this.units())).join(' and ')}: two ovens, or one tray behind the other, or both at the heat between.`,
    ].filter((sentence) => sentence !== '');
  });
  protected readonly kilos = computed(() => {
    const kg = this.lines().reduce((sum, line) => sum + (line.left ? 0 : line.kg), 0);
    return mass(kg, this.units());
  });
  protected readonly comesTo = computed(() => {
    const draft = this.draft();
    if (draft === undefined) return '';
    const { bowls, bowlG } = draft.soup.writtenFor;
    const said = draft.stated === undefined ? '' : `It says ${String(draft.stated)}. `;
    const minutes = draft.view === undefined ? '' : `, ${showMinutes(draft.view.figures.minutes)}`;
    const served = draft.soup.served === 'cold' ? ', served cold' : ', served hot';
    return `${said}Its amounts come to ${String(bowls)} bowls of ${String(bowlG)} g${minutes}${served}.`;
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
    const { reading, taken, heading, isLeftOut: left, isSupposed } = line;
    const answer = this.answers()[reading.text];
    const kg = answer?.kg ?? taken?.kg ?? 0;
    const ingredient = answer?.ingredient ?? taken?.ingredient;
    const name = this.rows().find(({ id }) => id === ingredient)?.name ?? '';
    const known = answer !== undefined || (taken !== undefined && !isSupposed);
    return {
      n,
      heading,
      text: reading.text,
      kg,
      left,
      known,
      name,
      amount: kg > 0 ? mass(kg, this.units()) : taken?.rule === 'panFloor' ? 'by the pan' : 'by its step',
      role: taken === undefined ? '' : (GOES_IN[taken.role] ?? taken.role),
      assumed: answer === undefined ? assumedWords(taken?.assumed ?? []) : '',
      asks: known || left ? undefined : readingSentence(reading),
      until:
        known || left || taken === undefined
          ? ''
          : `Until it is answered: ${kg > 0 ? `${mass(kg, this.units())} ` : ''}${name.toLowerCase()}.`,
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

  protected typed(text: string): void {
    this.whole.set(undefined);
    this.refused.set('');
    this.text.set(text);
  }

  protected setRight({ words, fix }: { readonly words: string; readonly fix: Fix | undefined }): void {
    this.fixes.update((have) => {
      const rest = Object.fromEntries(Object.entries(have).filter(([key]) => key !== words));
      return fix === undefined ? rest : { ...rest, [words]: fix };
    });
  }

  protected named(event: Event): void {
    this.typedName.set((event.target as HTMLInputElement).value);
  }

  protected answer(line: string, answer: Answer | null): void {
    this.answers.update((have) => ({ ...have, [line]: answer }));
  }

  protected again(line: string): void {
    this.answers.update((have) => Object.fromEntries(Object.entries(have).filter(([key]) => key !== line)));
  }

  /** Takes one of the nearest foods for a misspelt one, by writing it into the text, where it can be seen. */
  protected meant(n: number, name: string): void {
    const reading = this.read()?.lines[n]?.reading;
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
    this.fixes.set({});
    this.typedName.set(undefined);
    this.whole.set(opened.kind === 'soup' ? opened.soup : undefined);
    this.text.set(opened.kind === 'text' ? opened.text : '');
  }

  protected async save(): Promise<void> {
    if (this.draft() === undefined || this.saving()) return;
    this.saving.set(true);
    // What was typed or answered a moment ago is in it too: the draft on the screen may be a keystroke behind.
    const whole = this.whole();
    const outcome: DraftOutcome | undefined =
      whole === undefined ? await this.cooking.calculator.drafted(this.drafting()) : undefined;
    const drafted = outcome?.ok === true ? outcome.drafted.soup : undefined;
    const soupNow = whole ?? drafted;
    if (soupNow === undefined) {
      this.saving.set(false);
      return;
    }
    const taken = new Set(this.shelfSoups().map(({ id }) => id));
    const name = this.name().trim();
    const soup: Soup = {
      ...soupNow,
      id: freeId(soupNow.id, taken),
      ...(this.whole() === undefined && name !== '' ? { name } : {}),
      ...(this.whole() === undefined && name === '' ? { name: `${soupNow.lead} soup` } : {}),
    };
    const answer = await this.soups.save(soup, 0, this.whole() === undefined ? 'as first written' : 'from its file');
    this.saving.set(false);
    if (answer.ok) await this.router.navigate(['/shelf', answer.value.soup.id]);
    else this.refused.set(answer.refusal.sentence);
  }
}
