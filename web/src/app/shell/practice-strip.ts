import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink } from '@angular/router';
import { lessonOf } from '@tureen/core/practice';
import type { Practice } from '@tureen/server/api';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { filter, map } from 'rxjs';
import { Choice } from '../parts/choice';
import { OWN_TIME } from '../services/own-time';
import { PracticeClock, SPEEDS } from '../services/practice-mode';
import { Practices } from '../services/practices';
import { LookAtIt } from '../places/bench/look-at-it';
import { Keys, onKeys } from './keys';

/** A stove that is looked at: /stove/ and the batch's id. */
const AT_STOVE = /^\/stove\/([0-9a-f-]{36})$/;
const IN_THE_COLD = /^\/cold(\/|$|\?)/;

/** Over every place of the practice kitchen: that it is practice, of which lesson, how fast its clock goes, and what can be seen of the pot. */
@Component({
  selector: 'tt-practice-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, LookAtIt, NzDrawerModule, RouterLink],
  template: `
    <aside aria-label="Practice">
      <p class="what">
        <strong>Practice</strong>
        @if (lesson(); as own) {
          <span
            ><strong>{{ own.title }}.</strong> {{ own.brief }}</span
          >
        } @else {
          <span>nothing of this reaches the kitchen</span>
        }
      </p>
      @if (practice(); as own) {
        <button type="button" class="press" (click)="look(true)">
          {{ lesson()?.isPuttingAway === true ? 'Ask the coach' : 'Look at it' }} <span class="key" aria-hidden="true">Y</span>
        </button>
        <a class="press" [routerLink]="['/bench', own.batchId]">How did it go</a>
      } @else {
        <a class="press" routerLink="/bench">Lessons</a>
      }
      <tt-choice label="how fast the clock goes" [options]="speeds" [value]="speed()" (chosen)="go($event)" />
      <a class="press quiet" href="/board">Leave</a>
    </aside>
    @if (isLooking()) {
      @if (practice(); as own) {
        <nz-drawer
          [nzVisible]="true"
          nzNoAnimation
          nzPlacement="right"
          [nzWidth]="440"
          [nzClosable]="false"
          (nzOnClose)="look(false)"
        >
          <ng-container *nzDrawerContent>
            <section role="dialog" aria-modal="true" aria-labelledby="look-title">
              @if (lesson(); as taught) {
                @if (taught.isPuttingAway === true) {
                  <h2 id="look-title">What would a coach say?</h2>
                  <p>{{ taught.hint }}</p>
                } @else {
                  <tt-look-at-it [practice]="own" [brief]="taught.brief" [hint]="taught.hint" [look]="looks()" />
                }
              }
              <p class="doors"><button type="button" class="press main" (click)="look(false)">Close</button></p>
            </section>
          </ng-container>
        </nz-drawer>
      }
    }
  `,
  styles: `
    aside {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 14px;
      align-items: center;
      padding: 6px 28px;
      border-bottom: 2px dashed var(--ink);
      background: var(--saffron-pale);
      color: var(--ink);
    }
    .what {
      display: flex;
      flex: 1 1 320px;
      gap: 10px;
      align-items: baseline;
      font-size: 15px;
      line-height: 1.25;
    }
    @media print {
      aside {
        display: none;
      }
    }
  `,
})
export class PracticeStrip {
  private readonly practices = inject(Practices);
  private readonly clock = inject(PracticeClock);
  private readonly ownMs = inject(OWN_TIME);
  private readonly held = inject(Keys);
  private readonly router = inject(Router);

  private readonly url = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map(({ urlAfterRedirects }) => urlAfterRedirects),
    ),
    { initialValue: this.router.url },
  );
  private readonly listed = toSignal(this.practices.practices$);
  /** In the cold the last practice that is learnt there. */
  private readonly puttingAway = computed(() => {
    const answer = this.listed();
    const own = answer?.ok === true ? answer.value.practices : [];
    return own.find(({ lesson }) => lessonOf(lesson)?.isPuttingAway === true)?.batchId;
  });
  private readonly batchId = computed(
    () => AT_STOVE.exec(this.url())?.[1] ?? (IN_THE_COLD.test(this.url()) ? this.puttingAway() : undefined),
  );
  protected readonly practice = signal<Practice | undefined>(undefined);
  protected readonly lesson = computed(() => lessonOf(this.practice()?.lesson ?? ''));
  protected readonly isLooking = signal(false);
  /** Looks taken at this screen. */
  protected readonly looks = signal(0);
  protected readonly speeds = SPEEDS.map((value) => ({
    value: String(value),
    name: value === 0 ? 'Stop' : value === 1 ? 'Clock 1 ×' : `${String(value)} ×`,
  }));
  protected readonly speed = computed(() => String(this.clock.speed()));
  private release: (() => void) | undefined;

  constructor() {
    effect((onCleanup) => {
      const id = this.batchId();
      this.practice.set(undefined);
      this.look(false);
      if (id === undefined) return;
      let isGone = false;
      onCleanup(() => (isGone = true));
      void this.practices.of(id).then((answer) => {
        if (!isGone && answer.ok) this.practice.set(answer.value);
      });
    });
    effect(() => void this.practices.tellClock(this.clock.speed()));
    onKeys({
      y: () => {
        if (this.practice() !== undefined) this.look(true);
      },
    });
  }

  protected go(speed: string): void {
    const found = SPEEDS.find((one) => String(one) === speed);
    if (found !== undefined) this.clock.go(found, this.ownMs());
  }

  protected look(isLooking: boolean): void {
    if (isLooking) {
      this.release ??= this.held.hold();
      this.looks.update((n) => n + 1);
    } else {
      this.release?.();
      this.release = undefined;
    }
    this.isLooking.set(isLooking);
  }
}
