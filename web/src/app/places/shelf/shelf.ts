import { ScrollingModule } from '@angular/cdk/scrolling';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  signal,
  viewChild,
  ElementRef,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { bodyWord } from '@tureen/core/body';
import type { OnShelf } from '@tureen/server/api';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { BowlPicture } from '../../parts/bowl';
import { Kitchen } from '../../services/kitchen';
import { ShelfFactsOf } from '../../services/shelf-facts';
import { Soups } from '../../services/soups';
import { onKeys } from '../../shell/keys';
import { day } from '../figures';
import { FirstSteps } from './first-steps';
import { matches, wordsOf } from './find';

/** Width that a bowl with its label wants, px, and the height of a board of them. */
const BOWL_PX = 270;
const BOARD_PX = 300;

const SORTS = [
  { by: 'name', name: 'by name' },
  { by: 'made', name: 'last made first' },
  { by: 'lead', name: 'by lead vegetable' },
  { by: 'thin', name: 'thinnest first' },
  { by: 'quick', name: 'quickest first' },
] as const;
type Sort = (typeof SORTS)[number]['by'];

@Component({
  selector: 'tt-shelf',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BowlPicture, FirstSteps, FormsModule, NzSelectModule, RouterLink, ScrollingModule],
  templateUrl: './shelf.html',
  styleUrl: './shelf.less',
})
export class Shelf {
  private readonly router = inject(Router);
  private readonly soups = inject(Soups);
  private readonly kitchenAnswer = toSignal(inject(Kitchen).kitchen$);
  private readonly soupsAnswer = toSignal(this.soups.shelf$);
  private readonly facts = toSignal(inject(ShelfFactsOf).facts$);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('find');
  private readonly boards = viewChild<unknown, ElementRef<HTMLElement>>('boards', { read: ElementRef });

  protected readonly boardPx = BOARD_PX;
  protected readonly sorts = SORTS;
  protected readonly sort = signal<Sort>('name');
  protected readonly wanted = signal('');
  protected readonly tag = signal<string | undefined>(undefined);
  protected readonly retired = signal(false);
  protected readonly columns = signal(4);
  protected readonly trouble = signal('');

  protected readonly kit = computed(() => {
    const answer = this.kitchenAnswer();
    return answer?.ok === true ? answer.value.kit : undefined;
  });
  protected readonly unreachable = computed(() => {
    const answer = this.soupsAnswer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly all = computed(() => {
    const answer = this.soupsAnswer();
    return answer?.ok === true ? answer.value.soups : undefined;
  });
  protected readonly bowls = computed(() => {
    const facts = this.facts();
    return (this.all() ?? []).map((soup) => {
      const own = facts?.get(soup.id) ?? soup.facts;
      const { last } = soup;
      const { allergens, names, diets, colour, creamShare, bodyMPas, minutes } = own;
      return {
        soup,
        tags: soup.tags,
        retired: soup.retired,
        ingredients: soup.ingredients,
        allergens,
        names,
        diets,
        colour,
        creamShare,
        bodyMPas,
        minutes,
        body: bodyMPas <= 0 ? '' : bodyWord(bodyMPas),
        // Nothing is known of what can't be worked out: it is not said to be free of anything.
        contains: bodyMPas <= 0 ? '' : allergens.length === 0 ? 'none of the 14' : allergens.join(', '),
        reached: last === null ? undefined : last.served / last.asked,
        lastMs: last?.startedAtMs ?? 0,
        last:
          last === null ? 'never made' : `${day(last.startedAtMs)}, ${last.served.toFixed(0)} of ${last.asked.toFixed(0)} bowls`,
      };
    });
  });
  private readonly words = computed(() => new Map(this.bowls().map((bowl) => [bowl.soup.id, wordsOf(bowl)])));
  protected readonly retiredCount = computed(() => this.bowls().filter(({ retired }) => retired).length);
  protected readonly tags = computed(() =>
    [...new Set(this.bowls().flatMap(({ tags }) => tags))].sort((a, b) => a.localeCompare(b, 'en')),
  );

  protected readonly shown = computed(() => {
    const words = this.words();
    const tag = this.tag();
    const found = this.bowls().filter(
      (bowl) =>
        bowl.retired === this.retired() &&
        (tag === undefined || bowl.tags.includes(tag)) &&
        matches(this.wanted(), words.get(bowl.soup.id) ?? ''),
    );
    const byName = (a: (typeof found)[number], b: (typeof found)[number]): number => a.soup.name.localeCompare(b.soup.name, 'en');
    switch (this.sort()) {
      case 'name':
        return found;
      case 'made':
        return [...found].sort((a, b) => b.lastMs - a.lastMs || byName(a, b));
      case 'lead':
        return [...found].sort((a, b) => a.soup.lead.localeCompare(b.soup.lead, 'en') || byName(a, b));
      case 'thin':
        return [...found].sort((a, b) => a.bodyMPas - b.bodyMPas || byName(a, b));
      case 'quick':
        return [...found].sort((a, b) => a.minutes - b.minutes || byName(a, b));
    }
  });
  /** Boards of the shelf, each as many bowls wide as there is room for. */
  protected readonly rows = computed(() => {
    const columns = this.columns();
    const shown = this.shown();
    return Array.from({ length: Math.ceil(shown.length / columns) }, (_, n) => ({
      n,
      bowls: shown.slice(n * columns, (n + 1) * columns),
    }));
  });
  protected readonly isNarrowed = computed(() => this.wanted() !== '' || this.tag() !== undefined || this.retired());

  constructor() {
    onKeys({
      '/': () => {
        this.field()?.nativeElement.focus();
      },
      n: () => {
        void this.router.navigate(['/shelf/new']);
      },
    });
    const observer = new ResizeObserver(([entry]) => {
      this.columns.set(Math.max(1, Math.floor((entry?.contentRect.width ?? BOWL_PX) / BOWL_PX)));
    });
    afterRenderEffect(() => {
      const boards = this.boards()?.nativeElement;
      observer.disconnect();
      if (boards !== undefined) observer.observe(boards);
    });
    inject(DestroyRef).onDestroy(() => {
      observer.disconnect();
    });
  }

  protected rowOf(n: number): number {
    return n;
  }

  protected typed(event: Event): void {
    this.wanted.set((event.target as HTMLInputElement).value);
  }

  protected showAll(): void {
    this.wanted.set('');
    this.tag.set(undefined);
    this.retired.set(false);
    const field = this.field()?.nativeElement;
    if (field !== undefined) field.value = '';
  }

  protected async bringBack({ id, tags }: OnShelf): Promise<void> {
    const answer = await this.soups.shelve(id, { tags: [...tags], retired: false });
    this.trouble.set(answer.ok ? '' : answer.refusal.sentence);
  }
}
