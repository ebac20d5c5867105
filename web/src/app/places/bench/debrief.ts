import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import type { StoredEntry } from '@tureen/core/batch';
import { lessonOf, type Judged } from '@tureen/core/practice';
import { firstValueFrom, from, of, switchMap } from 'rxjs';
import { Benching } from '../../cooking/benching';
import type { DebriefView } from '../../cooking/bench-view';
import type { Practice } from '@tureen/server/api';
import type { Answer } from '../../services/api';
import { Batches } from '../../services/batches';
import { Practices } from '../../services/practices';
import { mass } from '../figures';
import { bandsOf } from './debrief-bands';
import { NAMES, figure, harmWords, turnWords } from './debrief-words';

const HOW: Readonly<Record<Judged['points'], string>> = { 2: 'right', 1: 'near', 0: 'off' };
/** Less than this is no advice, kg. */
const WORTH_WATER_KG = 0.1;
const WORTH_SALT_KG = 0.002;

type Told =
  | { readonly ok: true; readonly practice: Practice; readonly entries: readonly StoredEntry[]; readonly view: DebriefView }
  | { readonly ok: false; readonly sentence: string };

/** What a practice came to: what was believed, what was true, and the best that could have been made of it. */
@Component({
  selector: 'tt-debrief',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main class="place">
    @if (told(); as answer) {
      @if (answer.ok) {
        <header class="head-line">
          <h1 class="soup-name">{{ lesson()?.title }}</h1>
          <span class="verdict" [class.passed]="answer.view.isPassed" role="status">{{
            answer.view.isPassed ? '✓ passed' : '▲ not passed yet'
          }}</span>
          <span class="right">
            <a class="press" [routerLink]="['/stove', batchId()]">Back to the pot</a>
            <button type="button" class="press" (click)="again(answer.practice, true)">Again, this kitchen</button>
            <button type="button" class="press main" (click)="again(answer.practice, false)">Again, another kitchen</button>
          </span>
        </header>
        @if (trouble(); as text) {
          <p class="caution" role="alert">{{ text }}</p>
        }
        <table>
          <caption class="unseen">
            What it came to
          </caption>
          <thead>
            <tr>
              <th scope="col">judged</th>
              <th scope="col">wanted</th>
              <th scope="col">true</th>
              <th scope="col">you believed</th>
              <th scope="col">how near</th>
            </tr>
          </thead>
          <tbody>
            @for (mark of marks(); track mark.name) {
              <tr>
                <th scope="row">{{ mark.name }}</th>
                <td>{{ mark.wanted }}</td>
                <td>
                  <strong>{{ mark.true }}</strong>
                </td>
                <td>{{ mark.believed }}</td>
                <td>{{ mark.how }}</td>
              </tr>
            }
          </tbody>
        </table>
        @if (bands(); as drawn) {
          <svg [attr.viewBox]="'0 0 ' + drawn.width + ' ' + drawn.height" role="img" [attr.aria-label]="summary()">
            @for (band of drawn.bands; track band.name) {
              <text x="0" [attr.y]="band.labelY" class="name">{{ band.name }}</text>
              <path
                [attr.d]="band.path"
                [attr.class]="band.kind"
                [style.fill]="band.kind === 'believed' ? 'none' : answer.view.colour"
              />
            }
            @for (turn of drawn.turns; track turn.n) {
              <line [attr.x1]="turn.x" [attr.x2]="turn.x" y1="30" [attr.y2]="drawn.height - 30" />
              <circle [attr.cx]="turn.x" cy="16" r="14" />
              <text [attr.x]="turn.x" y="22" class="n">{{ turn.n }}</text>
            }
            @for (label of drawn.labels; track label.x) {
              <text [attr.x]="label.x" [attr.y]="drawn.height - 6" class="step" [attr.text-anchor]="label.anchor">
                {{ label.text }}
              </text>
            }
            <line class="scale" x1="0" [attr.x2]="0" [attr.y1]="drawn.height - 60" [attr.y2]="drawn.height - 60 + drawn.kiloPx" />
            <text x="10" [attr.y]="drawn.height - 54 + drawn.kiloPx / 2" class="step start">{{ drawn.barText }}</text>
          </svg>
        }
        <div class="cards">
          @for (harm of harms(); track $index) {
            <section class="harm">
              <h2>▲ {{ harm.title }}</h2>
              <p>{{ harm.words }}</p>
              @if (harm.step !== '') {
                <p class="soft">At “{{ harm.step }}”</p>
              }
            </section>
          }
          @for (turn of turns(); track turn.n) {
            <section>
              <h2>{{ turn.n }} {{ turn.step }}</h2>
              <p>{{ turn.words }}</p>
              <button
                type="button"
                class="press"
                [attr.aria-label]="'Back to this moment: ' + turn.step"
                (click)="back(answer, turn.entryId)"
              >
                Back to this moment
              </button>
            </section>
          } @empty {
            <section>
              <h2>What you believed was true</h2>
              <p>Kilos, salt and texture were near what the record says, all the way.</p>
            </section>
          }
          <section>
            <h2>What would have landed it</h2>
            <p>{{ best() }}</p>
          </section>
          @if (!answer.view.isPassed) {
            <section>
              <h2>To practise</h2>
              <p>{{ lesson()?.hint }}</p>
            </section>
          }
        </div>
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
    table {
      max-width: 860px;
      border-collapse: collapse;
      font-size: 18px;
    }
    th,
    td {
      padding: 5px 26px 5px 0;
      text-align: left;
    }
    thead th {
      color: var(--ink-soft);
      font-weight: 400;
      font-size: 15px;
    }
    tbody th {
      font-weight: 400;
    }
    svg {
      width: 100%;
      max-width: 1224px;
      height: auto;
      overflow: visible;
    }
    .believed {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
      stroke-dasharray: 6 4;
    }
    .true {
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .best {
      fill-opacity: 0.45;
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    line {
      stroke: var(--ink);
      stroke-width: 1;
    }
    line.scale {
      stroke-width: 3;
    }
    circle {
      fill: var(--ink);
    }
    text {
      fill: var(--ink);
      font-size: 15px;
    }
    text.name {
      font-weight: 700;
    }
    text.n {
      fill: var(--linen);
      font-weight: 700;
      text-anchor: middle;
    }
    text.step {
      font-size: 14px;
    }
    text.start {
      text-anchor: start;
    }
    .cards {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
      gap: 18px 36px;
    }
    .cards section {
      display: grid;
      gap: 4px;
      align-content: start;
      padding-top: 10px;
      border-top: 3px solid var(--ink);
    }
    .cards .harm {
      border-color: var(--red);
    }
    .cards button {
      justify-self: start;
    }
    .cards h2 {
      font-size: 19px;
      font-weight: 700;
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
  private readonly view = computed(() => {
    const told = this.told();
    return told?.ok === true ? told.view : undefined;
  });
  private readonly units = computed(() => this.view()?.units ?? 'metric');
  protected readonly lesson = computed(() => {
    const told = this.told();
    return told?.ok === true ? lessonOf(told.practice.lesson) : undefined;
  });
  protected readonly marks = computed(() =>
    (this.view()?.marks ?? []).map(({ mark, wanted, true: real, believed, points }) => ({
      name: NAMES[mark],
      wanted: figure(mark, wanted),
      true: figure(mark, real),
      believed: figure(mark, believed),
      how: HOW[points],
    })),
  );
  protected readonly bands = computed(() => {
    const view = this.view();
    return view === undefined || view.moments.length < 2 ? undefined : bandsOf(view);
  });
  protected readonly turns = computed(() =>
    (this.view()?.turns ?? []).map(({ of, step, entryId, believed, true: real }, k) => ({
      n: k + 1,
      step,
      entryId,
      words: turnWords(of, believed, real, this.units()),
    })),
  );
  protected readonly harms = computed(() => (this.view()?.harms ?? []).map(({ harm, step }) => ({ ...harmWords(harm), step })));
  protected readonly best = computed(() => {
    const view = this.view();
    if (view === undefined) return '';
    const { waterKg, saltKg, bowls } = view.best;
    const ways = [
      ...(waterKg >= WORTH_WATER_KG ? [`${mass(waterKg, this.units())} more water`] : []),
      ...(Math.abs(saltKg) >= WORTH_SALT_KG
        ? [`${mass(Math.abs(saltKg), this.units())} ${saltKg > 0 ? 'more' : 'less'} salt`]
        : []),
    ];
    const end = `${bowls.toFixed(0)} bowls`;
    return ways.length === 0 ? `Nothing: it was landed, in ${end}.` : `${ways.join(' and ')}, for ${end}.`;
  });
  protected readonly summary = computed(() => {
    const view = this.view();
    const last = view?.moments.at(-1);
    return last === undefined
      ? ''
      : `At the end you believed ${mass(last.believedKg, this.units())}, ${mass(last.trueKg, this.units())} were there, and at best it would have been ${mass(view?.bestKg ?? 0, this.units())}.`;
  });

  private async judged(id: string): Promise<Told> {
    const judged = await this.practices.judge(id);
    if (!judged.ok) return { ok: false, sentence: judged.refusal.sentence };
    const batch = await firstValueFrom(this.batches.batch$(id));
    if (!batch.ok) return { ok: false, sentence: batch.refusal.sentence };
    const { snapshot, entries } = batch.value;
    const { lesson, seed } = judged.value;
    return {
      ok: true,
      practice: judged.value,
      entries,
      view: await this.benching.ask.debriefView({ snapshot, entries, lesson, seed }),
    };
  }

  /** The same kitchen from a moment on, to do something otherwise. */
  protected async back({ practice, entries }: Extract<Told, { ok: true }>, entryId: string): Promise<void> {
    await this.go(await this.practices.backTo(practice, entries, entryId));
  }

  protected async again({ lesson, seed }: Practice, isSame: boolean): Promise<void> {
    await this.go(await this.practices.begin(lesson, isSame ? seed : undefined));
  }

  private async go(answer: Answer<Practice>): Promise<void> {
    if (answer.ok) await this.router.navigate(['/stove', answer.value.batchId]);
    else this.trouble.set(answer.refusal.sentence);
  }
}
