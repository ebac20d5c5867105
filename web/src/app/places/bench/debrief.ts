import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import type { StoredEntry } from '@tureen/core/batch';
import { lessonOf, type CoolingDebrief } from '@tureen/core/practice';
import { firstValueFrom, from, of, switchMap } from 'rxjs';
import { Benching } from '../../cooking/benching';
import type { DebriefView } from '../../cooking/bench-view';
import type { Practice } from '@tureen/server/api';
import type { Reply } from '../../services/api';
import { Batches } from '../../services/batches';
import { Practices } from '../../services/practices';
import { PansDebrief } from './pans-debrief';
import { placeOf } from './place-of';
import { PotDebrief } from './pot-debrief';

type Told =
  | {
      readonly ok: true;
      readonly practice: Practice;
      readonly entries: readonly StoredEntry[];
      readonly view?: DebriefView;
      readonly pans?: CoolingDebrief | undefined;
    }
  | { readonly ok: false; readonly sentence: string };

/** What a practice came to: what was believed, what was true, and the best that could have been made of it. */
@Component({
  selector: 'tt-debrief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PansDebrief, PotDebrief, RouterLink],
  template: `<main class="place">
    @if (told(); as answer) {
      @if (answer.ok) {
        <header class="head-line">
          <h1 class="soup-name">{{ lesson()?.title }}</h1>
          <span class="verdict" [class.passed]="answer.practice.passed" role="status">{{
            answer.practice.passed ? '✓ passed' : '▲ not passed yet'
          }}</span>
          <span class="right">
            <a class="press" [routerLink]="place()">{{
              lesson()?.isPuttingAway === true ? 'Back to the cold' : 'Back to the pot'
            }}</a>
            <button type="button" class="press" (click)="again(answer.practice, true)">Again, this kitchen</button>
            <button type="button" class="press main" (click)="again(answer.practice, false)">Again, another kitchen</button>
          </span>
        </header>
        @if (trouble(); as text) {
          <p class="caution" role="alert">{{ text }}</p>
        }
        @if (answer.view; as view) {
          <tt-pot-debrief [view]="view" [hint]="lesson()?.hint ?? ''" (back)="back(answer, $event)" />
        } @else if (answer.pans; as pans) {
          <tt-pans-debrief [debrief]="pans" [hint]="lesson()?.hint ?? ''" />
        }
      } @else {
        <h1>Debrief</h1>
        <p class="caution" role="alert">{{ answer.sentence }}</p>
        <a class="press main" routerLink="/bench">To the lessons</a>
      }
    } @else {
      <p class="soft" role="status">Looking at what was true…</p>
    }
  </main>`,
  styles: `
    main {
      display: grid;
      align-content: start;
      gap: 16px;
    }
    .verdict {
      padding: 2px 14px;
      border: 2px solid var(--ink);
      border-radius: var(--round);
      background: var(--saffron-pale);
      font-weight: 700;
    }
    .verdict.passed {
      background: var(--ink);
      color: var(--linen);
    }
  `,
})
export class DebriefPlace {
  readonly batchId = input.required<string>();
  private readonly practices = inject(Practices);
  private readonly batches = inject(Batches);
  private readonly benching = inject(Benching);
  private readonly router = inject(Router);

  protected readonly trouble = signal<string | undefined>(undefined);
  protected readonly told = toSignal(
    toObservable(this.batchId).pipe(switchMap((id) => (id === '' ? of(undefined) : from(this.judged(id))))),
  );
  protected readonly lesson = computed(() => {
    const told = this.told();
    return told?.ok === true ? lessonOf(told.practice.lesson) : undefined;
  });
  /** Where it is cooked or put away. */
  protected readonly place = computed(() => placeOf(this.lesson(), this.batchId()));

  private async judged(id: string): Promise<Told> {
    const judged = await this.practices.judge(id);
    if (!judged.ok) return { ok: false, sentence: judged.refusal.sentence };
    const batch = await firstValueFrom(this.batches.batch$(id));
    if (!batch.ok) return { ok: false, sentence: batch.refusal.sentence };
    const { snapshot, entries } = batch.value;
    const practice = judged.value;
    const { lesson, seed } = practice;
    if (lessonOf(lesson)?.isPuttingAway !== true)
      return { ok: true, practice, entries, view: await this.benching.ask.debriefView({ snapshot, entries, lesson, seed }) };
    const stock = await this.practices.stockOf(id);
    if (!stock.ok) return { ok: false, sentence: stock.refusal.sentence };
    const ask = { snapshot, entries, lesson, seed, stock: stock.value.entries };
    return { ok: true, practice, entries, pans: await this.benching.ask.puttingAwayView(ask) };
  }

  /** The same kitchen from a moment on, to do something otherwise. */
  protected async back({ practice, entries }: Extract<Told, { ok: true }>, entryId: string): Promise<void> {
    await this.go(await this.practices.backTo(practice, entries, entryId));
  }

  protected async again({ lesson, seed, way }: Practice, isSame: boolean): Promise<void> {
    await this.go(await this.practices.begin(lesson, isSame ? seed : undefined, way));
  }

  private async go(answer: Reply<Practice>): Promise<void> {
    if (answer.ok) await this.router.navigate(placeOf(lessonOf(answer.value.lesson), answer.value.batchId));
    else this.trouble.set(answer.refusal.sentence);
  }
}
