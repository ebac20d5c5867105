import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { LESSONS, lessonOf, type Lesson, type Way } from '@tureen/core/practice';
import { EMPTY } from 'rxjs';
import { Device } from '../../services/device';
import { IS_PRACTICE } from '../../services/practice-mode';
import { Practices } from '../../services/practices';
import { KeptWordChart } from './kept-word';
import { placeOf } from './place-of';

interface LessonView extends Lesson {
  readonly n: number;
  /** How it went so far for whoever stands here. */
  readonly said: string;
  readonly isPassed: boolean;
  readonly openId: string | undefined;
  /** The buttons that begin it: one, or one for each way in which it may be cooked. */
  readonly begins: readonly { readonly way?: Way; readonly text: string; readonly label: string }[];
}

const WAYS: Readonly<Record<Way, string>> = { roast: 'Roast', sweat: 'Sweat' };

/** The kitchen to learn in: lessons, and how they went. */
@Component({
  selector: 'tt-bench',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [KeptWordChart, RouterLink],
  template: `<main class="place">
    <header class="head-line">
      <h1>Bench</h1>
      <span class="soft">a kitchen to learn in, that knows the truth</span>
      @if (isPractice && passed() > 0) {
        <span class="right">{{ passed() }} of {{ lessons().length }} passed{{ who() === '' ? '' : ' by ' + who() }}</span>
      }
    </header>
    @if (!isPractice) {
      <section class="sheet door">
        <p>
          You cook on the real Stove, in a kitchen of which nobody knows what is otherwise than on the card: the scale is a little
          off, the carrots are wetter, somebody swapped the stock. At the end it says what was true. Nothing of it reaches this
          kitchen’s records, stock or figures.
        </p>
        <a class="press main" href="/practice/bench">To the practice kitchen</a>
      </section>
    } @else {
      @if (trouble(); as text) {
        <p class="caution" role="alert">{{ text }}</p>
      }
      <ol>
        @for (lesson of lessons(); track lesson.id) {
          <li>
            <span class="n" aria-hidden="true" [class.passed]="lesson.isPassed">{{ lesson.isPassed ? '✓' : lesson.n }}</span>
            <div class="what">
              <h2 class="soup-name">{{ lesson.title }}</h2>
              <p>{{ lesson.learn }}</p>
              <p class="soft">
                {{ lesson.bowls }} bowls, about {{ lesson.minutes }} minutes in fast time{{
                  lesson.said === '' ? '' : ' · ' + lesson.said
                }}
              </p>
            </div>
            <p class="doors">
              @if (lesson.openId; as openId) {
                <a class="press" [routerLink]="place(lesson, openId)" [attr.aria-label]="'Go on with ' + lesson.title">Go on</a>
              }
              @for (way of lesson.begins; track way.text) {
                <button
                  type="button"
                  class="press"
                  [class.main]="lesson.id === nextId() && $first"
                  [attr.aria-disabled]="isBeginning() || null"
                  [attr.aria-label]="(lesson.said === '' ? 'Begin ' : 'Again: ') + lesson.title + way.label"
                  (click)="begin(lesson, way.way)"
                >
                  {{ way.text }}
                </button>
              }
            </p>
          </li>
        }
      </ol>
      @if (own().length > 0) {
        <section aria-labelledby="so-far">
          <h2 id="so-far">So far</h2>
          <ul class="past">
            @for (one of own(); track one.batchId) {
              <li>
                <a [routerLink]="['/bench', one.batchId]">{{ one.title }}</a>
                <span class="soft">{{ one.when }}, {{ one.how }}</span>
              </li>
            }
          </ul>
          <button type="button" class="press quiet" (click)="forget()">Forget what {{ who() || 'nobody named' }} practised</button>
        </section>
      }
    }
    <details (toggle)="showWord($event)">
      <summary>How often this kitchen’s sums keep their word</summary>
      @if (isWordShown()) {
        <tt-kept-word />
      }
    </details>
  </main>`,
  styles: `
    main {
      display: grid;
      align-content: start;
      gap: 18px;
    }
    .door {
      display: grid;
      gap: 14px;
      justify-items: start;
      max-width: 720px;
      font-size: 19px;
    }
    ol {
      display: grid;
      max-width: 1060px;
      padding: 0;
      list-style: none;
    }
    ol li {
      display: grid;
      grid-template-columns: 48px 1fr auto;
      gap: 18px;
      align-items: center;
      padding: 14px 0;
      border-top: 1px solid var(--hairline);
    }
    .n {
      display: grid;
      place-content: center;
      width: 44px;
      height: 44px;
      border: 2px solid var(--ink);
      border-radius: 50%;
      font-weight: 700;
      font-size: 19px;
    }
    .n.passed {
      background: var(--ink);
      color: var(--linen);
    }
    .what {
      display: grid;
      gap: 2px;
    }
    h2.soup-name {
      font-size: 23px;
    }
    .doors {
      display: flex;
      gap: 10px;
    }
    summary {
      display: flex;
      align-items: center;
      min-height: var(--touch);
      cursor: pointer;
      font-size: 19px;
      text-decoration: underline;
    }
    #so-far {
      font-size: 19px;
    }
    .past {
      display: grid;
      gap: 6px;
      margin: 8px 0;
      padding: 0;
      list-style: none;
    }
    .past a {
      display: inline-block;
      padding: 8px 0;
      text-decoration: underline;
    }
  `,
})
export class Bench {
  private readonly practices = inject(Practices);
  private readonly device = inject(Device);
  private readonly router = inject(Router);

  protected readonly isPractice = IS_PRACTICE;
  protected readonly who = computed(() => this.device.who().trim());
  protected readonly isBeginning = signal(false);
  private readonly refused = signal<string | undefined>(undefined);
  private readonly answer = toSignal(IS_PRACTICE ? this.practices.practices$ : EMPTY);
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return this.refused() ?? (answer?.ok === false ? answer.refusal.sentence : undefined);
  });
  private readonly mine = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.practices.filter(({ who }) => who === this.who()) : [];
  });
  protected readonly own = computed(() =>
    this.mine().map(({ batchId, lesson, startedAtMs, passed, points }) => ({
      batchId,
      title: LESSONS.find(({ id }) => id === lesson)?.title ?? lesson,
      when: new Date(startedAtMs).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' }),
      how: passed === null ? 'not over yet' : `${passed ? 'passed' : 'not passed'}, ${String(points ?? 0)} points`,
    })),
  );
  protected readonly lessons = computed((): LessonView[] =>
    LESSONS.map((lesson, n) => {
      const own = this.mine().filter((one) => one.lesson === lesson.id);
      const over = own.filter(({ passed }) => passed !== null);
      const isPassed = over.some(({ passed }) => passed === true);
      const said =
        over.length === 0 ? '' : isPassed ? 'passed' : `tried ${over.length === 1 ? 'once' : `${String(over.length)} times`}`;
      const openId = own.find(({ passed }) => passed === null)?.batchId;
      const begins = lesson.ways?.map((way) => ({ way, text: WAYS[way], label: `, ${WAYS[way].toLowerCase()}` })) ?? [
        { text: said === '' && openId === undefined ? 'Begin' : 'Again', label: '' },
      ];
      return { ...lesson, n: n + 1, said, isPassed, openId, begins };
    }),
  );
  protected readonly passed = computed(() => this.lessons().filter(({ isPassed }) => isPassed).length);
  protected readonly nextId = computed(() => this.lessons().find(({ isPassed }) => !isPassed)?.id);

  protected readonly place = placeOf;

  protected readonly isWordShown = signal(false);

  protected showWord({ target }: Event): void {
    this.isWordShown.set(target instanceof HTMLDetailsElement && target.open);
  }

  protected async begin({ id }: Lesson, way?: Way): Promise<void> {
    if (this.isBeginning()) return;
    this.isBeginning.set(true);
    const answer = await this.practices.begin(id, undefined, way);
    this.isBeginning.set(false);
    if (answer.ok) await this.router.navigate(placeOf(lessonOf(answer.value.lesson), answer.value.batchId));
    else this.refused.set(answer.refusal.sentence);
  }

  protected async forget(): Promise<void> {
    const answer = await this.practices.forget(this.who());
    this.refused.set(answer.ok ? undefined : answer.refusal.sentence);
  }
}
