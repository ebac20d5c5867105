import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  HostListener,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { differences, freeId, slug } from '@tureen/core/draft';
import { omissionsIn, omissionsSentence, toRecipe, toSoupCsv, toText, type Format } from '@tureen/core/formats';
import { differenceWords, namer, stepName, stepTest } from '@tureen/core/messages';
import type { MethodChoices, Soup } from '@tureen/core/soup';
import { showMinutes } from '@tureen/core/units';
import { NzInputModule } from 'ng-zorro-antd/input';
import { combineLatest, from, fromEvent, map, switchMap } from 'rxjs';
import { Cooking } from '../../cooking/cooking';
import { Gauge } from '../../parts/gauge';
import { Photo } from '../../parts/photo';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import { Figure } from '../../parts/why/figure';
import { Soups } from '../../services/soups';
import { onKeys } from '../../shell/keys';
import type { Askable } from '@tureen/core/why';
import type { WhyQuestion } from '../../services/why-asked';
import { factRows, mass } from '../figures';
import { saveAs } from '../save-as';
import { stationsOf } from '../stations';
import { EditSteps } from './edit-steps';
import { Editing } from './editing';
import { MethodChoicesPanel } from './method-choices-panel';
import { SubstitutePanel } from './substitute-panel';
import { targetsOf } from './targets';
import { Choice } from '../../parts/choice';
import { CHANGING, READING, type Panel } from './panels';
import { VersionsPanel } from './versions-panel';
import { WrittenFor } from './written-for';

/** Somebody else's version, saved while this one was being changed, and what is not the same. */
interface Clash {
  readonly theirs: Soup;
  readonly version: number;
  readonly note: string;
  readonly rows: readonly { readonly what: string; readonly was: string; readonly is: string }[];
}

const FILES: readonly { readonly format: Format; readonly name: string }[] = [
  { format: 'soup', name: 'Its own file, JSON' },
  { format: 'recipe', name: 'Recipe, JSON-LD' },
  { format: 'csv', name: 'Amounts, CSV' },
  { format: 'text', name: 'Text' },
];

/** One soup on one page: read, cooked from, or changed with the ribbon answering. */
@Component({
  selector: 'tt-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Choice,
    EditSteps,
    Figure,
    Gauge,
    NzInputModule,
    Photo,
    RibbonPicture,
    RouterLink,
    MethodChoicesPanel,
    SubstitutePanel,
    VersionsPanel,
    WrittenFor,
  ],
  providers: [Editing],
  templateUrl: './card.html',
  styleUrl: './card.less',
})
export class Card {
  private readonly router = inject(Router);
  private readonly soups = inject(Soups);
  private readonly cooking = inject(Cooking);
  protected readonly editing = inject(Editing);
  readonly soupId = input.required<string>();

  private readonly stocked = toSignal(this.cooking.stocked$);
  private readonly loaded = toSignal(
    combineLatest([toObservable(this.soupId), this.soups.shelf$]).pipe(switchMap(([id]) => this.soups.one(id))),
  );
  private readonly listed = toSignal(this.soups.shelf$);
  protected readonly trouble = computed(() => {
    const answer = this.loaded();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly kept = computed(() => {
    const answer = this.loaded();
    return answer?.ok === true ? answer.value : undefined;
  });
  protected readonly isChanging = signal(false);
  /** The version that the change began from; a save goes on from there and from no other. */
  private readonly basedOn = signal(0);
  protected readonly panel = signal<Panel>('bowl');
  protected readonly panels = computed(() => (this.isChanging() ? CHANGING : READING));
  protected readonly saving = signal(false);
  protected readonly note = signal('');
  protected readonly refused = signal('');
  protected readonly said = signal('');
  protected readonly clash = signal<Clash | undefined>(undefined);
  protected readonly files = FILES;

  /** The soup that is shown: while it is being changed, as it now is. */
  protected readonly soup = computed(() => (this.isChanging() ? this.editing.soup() : this.kept()?.soup));
  private readonly written = toSignal(
    combineLatest([toObservable(this.kept), this.cooking.stocked$]).pipe(
      switchMap(([kept, stock]) =>
        from(
          kept === undefined || stock.kit === undefined ? Promise.resolve(undefined) : this.cooking.calculator.written(kept.soup),
        ).pipe(map((view) => ({ view, asked: kept !== undefined && stock.kit !== undefined }))),
      ),
    ),
  );
  protected readonly view = computed(() =>
    this.isChanging() ? (this.editing.edit()?.view ?? this.written()?.view) : this.written()?.view,
  );
  protected readonly isWorkedOut = computed(() => this.written()?.asked === true);
  protected readonly rows = computed(() => this.stocked()?.rows ?? []);
  protected readonly units = computed(() => this.stocked()?.kit?.units ?? 'metric');
  /** Lines as far as they give names: an amount that changes names nothing anew. */
  private readonly named = computed(() => this.soup()?.lines ?? [], {
    equal: (a, b) => a.length === b.length && a.every(({ id, ingredient }, n) => id === b[n]?.id && ingredient === b[n].ingredient),
  });
  protected readonly nameOf = computed(() => namer({ lines: this.named(), cards: this.soup()?.cards }, this.rows()));
  protected readonly stations = computed(() => {
    const soup = this.kept()?.soup;
    if (soup === undefined) return [];
    return stationsOf(soup, this.view(), this.nameOf(), this.units())
      .filter(({ name }) => name !== 'Dish')
      .map((station) => ({
        ...station,
        minutes: showMinutes(station.minutes),
        says: station.steps.flatMap((step) =>
          step.say === undefined && step.photo === undefined
            ? []
            : [{ id: step.id, say: step.say, photo: step.photo, of: stepName(step, this.nameOf()) }],
        ),
        tests: [...new Set(station.steps.flatMap((step) => stepTest(step) ?? []))].slice(0, 1),
        rows: station.rows.map((row) => ({ ...row, amount: mass(row.kg, this.units()) })),
      }));
  });
  /** Garnishes and bases that are made beside the soup. */
  protected readonly cards = computed(() =>
    (this.view()?.cards ?? []).map(({ id, name, kg, perBowlG, minutes, lines }) => ({
      id,
      name,
      kg: mass(kg, this.units()),
      perBowl: mass(perBowlG / 1000, this.units()),
      minutes: showMinutes(minutes),
      rows: lines.map((line) => ({ name: line.name, amount: mass(line.kg, this.units()) })),
    })),
  );
  protected readonly facts = computed(() => {
    const figures = this.view()?.figures;
    return figures?.facts === undefined ? [] : factRows(figures.facts, figures.bodyMPas);
  });
  protected readonly gauges = computed(() => {
    const view = this.view();
    const soup = this.soup();
    return view === undefined || soup === undefined ? [] : targetsOf(soup, view, this.units());
  });
  protected whyOf(figure: Askable): WhyQuestion | undefined {
    const soup = this.soup();
    return soup === undefined ? undefined : { soup, request: undefined, figure };
  }

  protected readonly total = computed(() => {
    const figures = this.view()?.figures;
    return figures === undefined
      ? ''
      : `${mass(figures.cookedKg, this.units())} cooked, ${showMinutes(figures.minutes)} from the first knife`;
  });
  protected readonly lost = computed(() => {
    const soup = this.kept()?.soup;
    return soup === undefined
      ? []
      : FILES.map(({ format, name }) => ({ format, name, lost: omissionsSentence(omissionsIn(format, soup)) }));
  });
  protected readonly words = computed(() => new Map(this.editing.edit()?.words ?? []));
  protected readonly isOvertaken = computed(() => this.isChanging() && (this.kept()?.version ?? 0) > this.basedOn());

  constructor() {
    const plan = (): void => {
      if (!this.isChanging()) void this.router.navigate(['/plan', this.soupId()]);
    };
    onKeys({
      p: plan,
      Enter: plan,
      e: () => {
        if (!this.isChanging()) this.change();
      },
    });
    // A listener of the host would draw the card anew at every key that is typed.
    fromEvent<KeyboardEvent>(document, 'keydown')
      .pipe(takeUntilDestroyed())
      .subscribe((event) => {
        this.undoByKey(event);
      });
    // Another soup on the same page: what was being changed belongs to the first.
    effect(() => {
      this.soupId();
      untracked(() => {
        this.isChanging.set(false);
        this.clash.set(undefined);
      });
    });
  }

  private undoByKey(event: KeyboardEvent): void {
    if (!this.isChanging() || !(event.ctrlKey || event.metaKey)) return;
    const key = event.key.toLowerCase();
    if (key === 'z' && !event.shiftKey) {
      event.preventDefault();
      this.editing.undo();
    } else if (key === 'y' || (key === 'z' && event.shiftKey)) {
      event.preventDefault();
      this.editing.redo();
    } else if (key === 's') {
      event.preventDefault();
      void this.save();
    }
  }

  @HostListener('window:beforeunload', ['$event'])
  protected warnBeforeLeaving(event: BeforeUnloadEvent): void {
    if (this.isChanging() && this.editing.canUndo()) event.preventDefault();
  }

  protected change(from?: Soup): void {
    const kept = this.kept();
    if (kept === undefined) return;
    if (!this.isChanging()) {
      this.basedOn.set(kept.version);
      this.editing.begin(kept.soup);
      this.isChanging.set(true);
      this.note.set('');
    }
    this.refused.set('');
    this.said.set('');
    if (from !== undefined) this.editing.change(from);
    if (this.panel() === 'file' || this.panel() === 'versions') this.panel.set('bowl');
  }

  protected stop(): void {
    this.isChanging.set(false);
    this.clash.set(undefined);
  }

  protected set(change: Partial<Soup>): void {
    const soup = this.editing.soup();
    if (soup !== undefined) this.editing.change({ ...soup, ...change });
  }

  protected rename(event: Event): void {
    const name = (event.target as HTMLInputElement).value.trim();
    if (name !== '') this.set({ name: name.slice(0, 80) });
  }

  protected remark(event: Event): void {
    const note = (event.target as HTMLTextAreaElement).value.trim();
    this.set({ note: note === '' ? undefined : note.slice(0, 1000) });
  }

  protected school(methodChoices: MethodChoices | undefined): void {
    this.change();
    this.set({ methodChoices });
  }

  protected noted(event: Event): void {
    this.note.set((event.target as HTMLInputElement).value);
  }

  /** Saves the soup as its next version. If somebody saved meanwhile, nothing is overwritten and both are shown. */
  protected async save(on = this.basedOn()): Promise<void> {
    if (this.saving()) return;
    this.saving.set(true);
    await this.editing.settled();
    const soup = this.editing.soup();
    if (soup === undefined) {
      this.saving.set(false);
      return;
    }
    const answer = await this.soups.save(soup, on, this.note().trim());
    this.saving.set(false);
    if (answer.ok) {
      this.isChanging.set(false);
      this.clash.set(undefined);
      this.said.set(`Saved as version ${String(answer.value.version)}.`);
      return;
    }
    this.refused.set(answer.refusal.sentence);
    if (answer.refusal.code === 'SOUP_CHANGED_SINCE') await this.compare(soup);
  }

  private async compare(mine: Soup): Promise<void> {
    const newest = await this.soups.one(mine.id);
    if (!newest.ok) return;
    const byId = new Map(this.rows().map((row) => [row.id, row]));
    const { soup: theirs, version, note } = newest.value;
    this.clash.set({ theirs, version, note, rows: differences(theirs, mine, (id) => byId.get(id)).map(differenceWords) });
  }

  protected saveOver(): void {
    const clash = this.clash();
    if (clash === undefined) return;
    this.basedOn.set(clash.version);
    void this.save(clash.version);
  }

  protected takeTheirs(): void {
    this.stop();
    this.said.set('Theirs is on the card; yours was not saved.');
  }

  private taken(): Set<string> {
    const answer = this.listed();
    return new Set(answer?.ok === true ? answer.value.soups.map(({ id }) => id) : []);
  }

  protected async duplicate(): Promise<void> {
    const soup = this.kept()?.soup;
    if (soup === undefined) return;
    const name = `${soup.name}, again`.slice(0, 80);
    const answer = await this.soups.save({ ...soup, id: freeId(slug(name), this.taken()), name }, 0, `from ${soup.name}`);
    if (answer.ok) await this.router.navigate(['/shelf', answer.value.soup.id]);
    else this.refused.set(answer.refusal.sentence);
  }

  protected async shelve(change: { readonly retired?: boolean; readonly tags?: readonly string[] }): Promise<void> {
    const kept = this.kept();
    if (kept === undefined) return;
    const answer = await this.soups.shelve(kept.soup.id, {
      tags: [...(change.tags ?? kept.tags)],
      retired: change.retired ?? kept.retired,
    });
    if (!answer.ok) this.refused.set(answer.refusal.sentence);
    else if (change.retired !== undefined) await this.router.navigate(['/shelf']);
  }

  protected async tag(field: HTMLInputElement): Promise<void> {
    const tag = field.value.trim();
    if (tag === '') return;
    field.value = '';
    await this.shelve({ tags: [...(this.kept()?.tags ?? []), tag] });
  }

  protected async untag(tag: string): Promise<void> {
    await this.shelve({ tags: (this.kept()?.tags ?? []).filter((own) => own !== tag) });
  }

  protected print(): void {
    window.print();
  }

  protected file(format: Format): void {
    const soup = this.kept()?.soup;
    if (soup === undefined) return;
    const byId = new Map(this.rows().map((row) => [row.id, row]));
    const nameRow = (id: string): { readonly name: string } | undefined => byId.get(id);
    switch (format) {
      case 'soup':
        saveAs(`${soup.id}.json`, 'application/json', `${JSON.stringify(soup, null, 2)}\n`);
        break;
      case 'recipe': {
        const view = this.view();
        const recipe = toRecipe(soup, nameRow, this.nameOf(), view?.figures.facts, view?.figures.minutes);
        saveAs(`${soup.id}.jsonld`, 'application/ld+json', `${JSON.stringify(recipe, null, 2)}\n`);
        break;
      }
      case 'csv':
        saveAs(`${soup.id}.csv`, 'text/csv', toSoupCsv(soup, nameRow, this.kilos()));
        break;
      case 'text':
        saveAs(`${soup.id}.txt`, 'text/plain', toText(soup, nameRow, this.nameOf()));
    }
  }

  private kilos(): Map<string, number> {
    const kg = new Map<string, number>();
    for (const { lines } of this.view()?.takes ?? [])
      for (const line of lines) kg.set(line.lineId, (kg.get(line.lineId) ?? 0) + line.kg);
    return kg;
  }
}
