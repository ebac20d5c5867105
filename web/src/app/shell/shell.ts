import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { FormsModule } from '@angular/forms';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { filter, map, timer } from 'rxjs';
import { Kitchen } from '../services/kitchen';
import { Clock } from '../services/clock';
import { Device } from '../services/device';
import { Live } from '../services/live';
import { Build } from '../services/build';
import { Outbox } from '../services/outbox';
import { Photos } from '../services/photos';
import { WhySheet } from '../parts/why/why-sheet';
import { ThemeChoice } from '../services/theme';
import { WhyAsked } from '../services/why-asked';
import { Bell } from '../services/bell';
import { clockText, Timers } from '../services/timers';
import { timeOfDay } from '../places/figures';
import { IS_PRACTICE } from '../services/practice-mode';
import { Keys, onKeys } from './keys';
import { PracticeStrip } from './practice-strip';
import { KEYS, PLACES } from './places';

const WALL = '/wall';
const MINUTE_TICK_MS = 5000;
const SECOND_MS = 1000;
/** How long G waits for the letter of a place. */
const LETTER_WITHIN_MS = 1500;

@Component({
  selector: 'tt-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    FormsModule,
    NzDrawerModule,
    NzIconModule,
    NzInputModule,
    NzModalModule,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
    PracticeStrip,
    WhySheet,
  ],
  templateUrl: './shell.html',
  styleUrl: './shell.less',
})
export class Shell {
  private readonly router = inject(Router);
  private readonly held = inject(Keys);
  private readonly look = inject(ThemeChoice);
  protected readonly theme = this.look.theme;
  protected readonly why = inject(WhyAsked).question;
  protected readonly isPractice = IS_PRACTICE;
  protected readonly places = PLACES;
  protected readonly keys = KEYS;
  /** The wall is looked at from afar and touched by nobody: it has the whole screen. */
  protected readonly bare = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map(({ urlAfterRedirects }) => urlAfterRedirects.startsWith(WALL)),
    ),
    { initialValue: location.pathname.startsWith(WALL) },
  );
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  private readonly open = toSignal(inject(Live).open$, { initialValue: false });
  private readonly outbox = inject(Outbox);
  private readonly unsent = toSignal(this.outbox.unsent$, { initialValue: [] });
  /** The browser would not keep it: what waits is in this page alone. */
  protected readonly fragile = toSignal(this.outbox.fragile$, { initialValue: false });
  protected readonly build = inject(Build);
  private readonly time = inject(Clock);
  protected readonly clock = toSignal(timer(0, MINUTE_TICK_MS).pipe(map(() => timeOfDay(this.time.now()))), { initialValue: '' });
  private readonly timers = toSignal(inject(Timers).timers$, { initialValue: [] });
  private readonly nowMs = toSignal(timer(0, SECOND_MS).pipe(map(() => this.time.now())), { initialValue: this.time.now() });
  /** The timer that is over first, on every screen but the one that shows them all. */
  protected readonly soonest = computed(() => {
    const [first] = this.timers();
    if (first === undefined) return undefined;
    const nowMs = this.nowMs();
    return { ...first, over: first.endsAtMs <= nowMs, text: clockText(first.endsAtMs, nowMs) };
  });
  protected readonly kitchenName = computed(() => {
    const answer = this.kitchen();
    return answer?.ok === true ? (answer.value.kit?.kitchen ?? 'No kitchen yet') : '';
  });
  protected readonly refused = computed(() => this.unsent().filter(({ refusal }) => refusal !== undefined));
  protected readonly waiting = computed(() => this.unsent().length - this.refused().length);
  protected readonly state = computed(() => {
    if (this.refused().length > 0) return `${String(this.refused().length)} refused`;
    if (this.fragile() && this.waiting() > 0) return `${String(this.waiting())} in this page only, not sent`;
    // Said to be kept is only what the browser has said that it keeps.
    const kept = this.unsent().filter((one) => one.refusal === undefined && one.kept === true).length;
    if (this.waiting() > 0) return kept > 0 ? `${String(kept)} kept here, not sent` : 'keeping…';
    return this.open() ? 'all saved' : 'no server';
  });
  /** Said where a tablet's clock is far off: what it enters goes by the kitchen's. */
  protected readonly clockOff = computed(() => {
    const minutes = Math.round(this.time.offMs() / 60_000);
    if (minutes === 0) return '';
    return `This tablet’s clock is ${String(Math.abs(minutes))} min ${minutes > 0 ? 'slow' : 'fast'}: times go by the kitchen’s.`;
  });
  protected readonly calm = computed(() => this.open() && this.unsent().length === 0);
  protected readonly drawerOpen = signal(false);
  protected readonly keysOpen = signal(false);
  private readonly going = signal(false);
  private waits: ReturnType<typeof setTimeout> | undefined;
  private release: (() => void) | undefined;

  constructor() {
    inject(Bell).listen();
    // What waits here to be sent goes out from whatever place is looked at.
    inject(Photos);
    onKeys({
      g: () => {
        this.going.set(true);
        // An earlier G must not end the waiting for the letter of this one.
        clearTimeout(this.waits);
        this.waits = setTimeout(() => {
          this.going.set(false);
        }, LETTER_WITHIN_MS);
      },
      '?': () => {
        this.show(this.keysOpen);
      },
      ...Object.fromEntries(
        PLACES.map(({ key, path }) => [
          key,
          () => {
            if (this.going()) {
              this.going.set(false);
              void this.router.navigateByUrl(path);
            }
          },
        ]),
      ),
    });
  }

  protected readonly device = inject(Device);

  protected turnTheme(): void {
    this.look.choose(this.theme() === 'dark' ? 'light' : 'dark');
  }

  protected show(what: typeof this.keysOpen): void {
    if (what()) return;
    what.set(true);
    this.release = this.held.hold();
  }

  protected hide(what: typeof this.keysOpen): void {
    what.set(false);
    this.release?.();
    this.release = undefined;
  }
}
