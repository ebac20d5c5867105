import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild, type ElementRef } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { SoupSchema } from '@tureen/core/soup';
import { combineLatest, from, switchMap, of } from 'rxjs';
import { BowlPicture } from '../../parts/bowl';
import { Cooking } from '../../cooking/cooking';
import { Batches } from '../../services/batches';
import { Kitchen } from '../../services/kitchen';
import { Soups } from '../../services/soups';
import { onKeys } from '../../shell/keys';
import { day } from '../figures';
import { FirstSteps } from './first-steps';
import { matches } from './find';

@Component({
  selector: 'tt-shelf',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BowlPicture, FirstSteps, RouterLink],
  templateUrl: './shelf.html',
  styleUrl: './shelf.less',
})
export class Shelf {
  private readonly soups = inject(Soups);
  private readonly cooking = inject(Cooking);
  private readonly kitchenAnswer = toSignal(inject(Kitchen).kitchen$);
  private readonly soupsAnswer = toSignal(this.soups.soups$);
  private readonly batches = toSignal(inject(Batches).batches$);
  private readonly views = toSignal(
    combineLatest([this.soups.soups$, inject(Kitchen).kitchen$, inject(Kitchen).rows$]).pipe(
      switchMap(([soups, kitchen, rows]) => {
        const kit = kitchen.ok ? kitchen.value.kit : null;
        if (!soups.ok || kit === null || rows.length === 0) return of(new Map<string, never>());
        return from(
          Promise.all(
            soups.value.soups.map(async ({ soup }) => [soup.id, await this.cooking.written(soup, rows, kit)] as const),
          ).then((pairs) => new Map(pairs)),
        );
      }),
    ),
  );
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('find');

  protected readonly wanted = signal('');
  protected readonly message = signal('');
  protected readonly kit = computed(() => {
    const answer = this.kitchenAnswer();
    return answer?.ok === true ? answer.value.kit : undefined;
  });
  protected readonly trouble = computed(() => {
    const answer = this.soupsAnswer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly all = computed(() => {
    const answer = this.soupsAnswer();
    return answer?.ok === true ? answer.value.soups : undefined;
  });

  protected readonly bowls = computed(() => {
    const views = this.views();
    const answer = this.batches();
    const made = answer?.ok === true ? answer.value.batches.filter(({ closedAtMs }) => closedAtMs !== null) : [];
    return (this.all() ?? []).map(({ soup, version }) => {
      const view = views?.get(soup.id);
      const last = made.find(({ soupId }) => soupId === soup.id);
      const facts = view?.figures.facts;
      const served = last?.closedFigures?.dishedBowls ?? last?.closedFigures?.actual.bowls;
      return {
        soup,
        version,
        colour: view?.colour ?? '#d9cdb7',
        creamShare: facts === undefined ? 0 : facts.creamG / facts.massG,
        contains: facts === undefined ? '' : facts.allergens.join(', '),
        diet: facts?.diets,
        last:
          last === undefined || served === undefined
            ? 'never made'
            : `${day(last.startedAtMs)}, ${served.toFixed(0)} of ${String(last.ask.bowls)} bowls`,
      };
    });
  });

  protected readonly shown = computed(() => this.bowls().filter((bowl) => matches(this.wanted(), bowl)));

  constructor() {
    onKeys({
      '/': () => {
        this.field()?.nativeElement.focus();
      },
    });
  }

  protected typed(event: Event): void {
    this.wanted.set((event.target as HTMLInputElement).value);
  }

  /** Puts a soup from a file on the shelf; the server has the last word on it. */
  protected async bring(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (file === undefined) return;
    let read: unknown;
    try {
      read = JSON.parse(await file.text());
    } catch {
      this.message.set(`${file.name} is not JSON. Nothing was changed.`);
      return;
    }
    const parsed = SoupSchema.safeParse(read);
    if (!parsed.success) {
      const issue = parsed.error.issues[0];
      this.message.set(`${file.name}: ${issue?.path.join('.') ?? ''} ${issue?.message ?? 'is not a soup'}. Nothing was changed.`);
      return;
    }
    const answer = await this.soups.add(parsed.data, `from ${file.name}`);
    this.message.set(answer.ok ? `${answer.value.soup.name} is on the shelf.` : answer.refusal.sentence);
  }
}
