import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { map, timer } from 'rxjs';
import { Kitchen } from '../services/kitchen';
import { Live } from '../services/live';
import { Outbox } from '../services/outbox';
import { WhySheet } from '../parts/why/why-sheet';
import { Look } from '../services/look';
import { WhyAsked } from '../services/why-asked';
import { Keys, onKeys } from './keys';
import { KEYS, PLACES } from './places';

const MINUTE_TICK_MS = 5000;

@Component({
  selector: 'tt-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzDrawerModule, NzIconModule, NzModalModule, RouterLink, RouterLinkActive, RouterOutlet, WhySheet],
  templateUrl: './shell.html',
  styleUrl: './shell.less',
})
export class Shell {
  private readonly router = inject(Router);
  private readonly held = inject(Keys);
  private readonly look = inject(Look);
  protected readonly theme = this.look.theme;
  protected readonly why = inject(WhyAsked).question;
  protected readonly places = PLACES;
  protected readonly keys = KEYS;
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  private readonly open = toSignal(inject(Live).open$, { initialValue: false });
  private readonly unsent = toSignal(inject(Outbox).unsent$, { initialValue: [] });
  protected readonly clock = toSignal(
    timer(0, MINUTE_TICK_MS).pipe(map(() => new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }))),
    { initialValue: '' },
  );
  protected readonly kitchenName = computed(() => {
    const answer = this.kitchen();
    return answer?.ok === true ? (answer.value.kit?.kitchen ?? 'No kitchen yet') : '';
  });
  protected readonly refused = computed(() => this.unsent().filter(({ refusal }) => refusal !== undefined));
  protected readonly waiting = computed(() => this.unsent().length - this.refused().length);
  protected readonly state = computed(() => {
    if (this.refused().length > 0) return `${String(this.refused().length)} refused`;
    if (this.waiting() > 0) return `${String(this.waiting())} kept here, not sent`;
    return this.open() ? 'all saved' : 'no server';
  });
  protected readonly calm = computed(() => this.open() && this.unsent().length === 0);
  protected readonly drawerOpen = signal(false);
  protected readonly keysOpen = signal(false);
  private readonly going = signal(false);
  private release: (() => void) | undefined;

  constructor() {
    onKeys({
      g: () => {
        this.going.set(true);
        setTimeout(() => {
          this.going.set(false);
        }, 1500);
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
