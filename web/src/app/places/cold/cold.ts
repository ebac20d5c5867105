import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { stockNoticeSentence } from '@tureen/core/messages';
import { bowlsIn } from '@tureen/core/stock';
import { showMinutes } from '@tureen/core/units';
import { NzInputModule } from 'ng-zorro-antd/input';
import { map, timer } from 'rxjs';
import { Clock } from '../../services/clock';
import { Kitchen } from '../../services/kitchen';
import { Stock } from '../../services/stock';
import { onKeys } from '../../shell/keys';
import { mass, NOTHING_KG, timeOfDay } from '../figures';
import { containerRow, isFoundBy, type ContainerRow } from './container-words';
import { PanWatch } from './pan-watch';
import { Scan } from './scan';
import { Tub } from './tub';
import { kitchenUnits } from '../../services/units';

const MINUTE_MS = 60_000;
const LOOK_MS = 30_000;
/** What is left of it by less than this sticks to the pot, or was rounded away, kg. */
const STICKS_KG = 0.02;
/** What a shelf shows before all of it is asked for, and what of that stands in the first picture of it. */
const FEW = 24;
const FIRST_FEW = 4;
/** The address that stands in the code of a label. */
const SCANNED = /\/cold\/([0-9a-f-]{36})\s*$/i;

interface ShelfOf {
  readonly id: string;
  readonly name: string;
  readonly rows: readonly ContainerRow[];
  readonly hidden: number;
  readonly bowls: number;
}

/** What waits to be put away, what cools now, and what stands in fridge and freezer, soonest day first. */
@Component({
  selector: 'tt-cold',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzInputModule, PanWatch, RouterLink, Scan, Tub],
  templateUrl: './cold.html',
  styleUrl: './cold.less',
  host: { '(click)': 'follow($event)' },
})
export class Cold {
  private readonly router = inject(Router);
  private readonly stock = inject(Stock);
  private readonly clock = inject(Clock);
  private readonly answer = toSignal(this.stock.cold$);
  private readonly stores = toSignal(inject(Kitchen).coldStores$, { initialValue: [] });
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('find');
  private readonly nowMs = toSignal(timer(0, LOOK_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });
  protected readonly wanted = signal('');
  protected readonly scans = signal(false);
  protected readonly scanned = signal('');
  private readonly few = signal(FIRST_FEW);
  protected readonly opened = signal<ReadonlySet<string>>(new Set());
  protected readonly isLoading = computed(() => this.answer() === undefined);
  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  private readonly view = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value : undefined;
  });
  protected readonly notices = computed(() => [
    ...new Set((this.view()?.notices ?? []).map((notice) => stockNoticeSentence(notice, kitchenUnits()))),
  ]);
  protected readonly leftovers = computed(() =>
    (this.view()?.leftovers ?? [])
      .filter(({ kg, filledKg }) => kg - filledKg > STICKS_KG)
      .map(({ entryId, soupName, kg, filledKg, atMs, who, batchId }) => ({
        entryId,
        batchId,
        soupName,
        mass: mass(kg - filledKg, kitchenUnits()),
        of: filledKg > NOTHING_KG ? ` of ${mass(kg, kitchenUnits())}` : '',
        since: timeOfDay(atMs),
        ago: showMinutes(Math.max(0, this.nowMs() - atMs) / MINUTE_MS),
        who,
      })),
  );
  protected readonly overfilled = computed(() =>
    (this.view()?.leftovers ?? [])
      .filter(({ kg, filledKg }) => filledKg - kg > NOTHING_KG)
      .map(({ entryId, soupName, kg, filledKg }) => ({
        entryId,
        words: `${mass(filledKg, kitchenUnits())} of ${soupName} stand in containers, ${mass(kg, kitchenUnits())} were told as left over.`,
      })),
  );
  protected readonly cooling = computed(() => (this.view()?.containers ?? []).filter(({ state }) => state === 'cooling'));
  private readonly standing = computed(() => (this.view()?.containers ?? []).filter(({ state }) => state !== 'cooling'));
  /** What is searched: a row of every container is only made once something is looked for. */
  private readonly rows = computed(() => new Map(this.standing().map((one) => [one.id, containerRow(one, this.nowMs())])));
  private readonly words = computed(() =>
    SCANNED.test(this.wanted())
      ? []
      : this.wanted()
          .toLowerCase()
          .split(/\s+/)
          .filter((word) => word !== ''),
  );
  private readonly found = computed(() => {
    const words = this.words();
    if (words.length === 0) return this.standing();
    return this.standing().filter(({ id }) => {
      const row = this.rows().get(id);
      return row !== undefined && words.every((word) => isFoundBy(row, word));
    });
  });
  protected readonly total = computed(() => this.standing().length);
  protected readonly shelves = computed((): ShelfOf[] => {
    const stores = new Map<string, string>(this.stores().map(({ id, name }) => [id, name]));
    for (const { store } of this.view()?.containers ?? []) if (!stores.has(store.id)) stores.set(store.id, store.name);
    return [...stores].map(([id, name]) => {
      const here = this.found().filter(({ store }) => store.id === id);
      const shown = this.opened().has(id) ? here : here.slice(0, this.few());
      return {
        id,
        name,
        rows: shown.map((one) => containerRow(one, this.nowMs())),
        hidden: this.few() < FEW ? Math.max(0, here.length - FEW) : here.length - shown.length,
        bowls: here.reduce((sum, { kg, contents }) => sum + bowlsIn(kg, contents), 0),
      };
    });
  });

  constructor() {
    // The first of each shelf is drawn at once, the others in the picture after it.
    afterNextRender(() => {
      setTimeout(() => {
        this.few.set(FEW);
      });
    });
    onKeys({
      '/': () => {
        this.field()?.nativeElement.focus();
      },
      h: () => void this.router.navigateByUrl('/cold/cool'),
      o: () => void this.router.navigateByUrl('/cold/log'),
      b: () => void this.router.navigateByUrl('/cold/labels'),
      u: () => void this.router.navigateByUrl('/cold/use-up'),
    });
  }

  /** A scanner types the address of a label and presses Enter; a cook who has found one does too. */
  protected open(): void {
    const scanned = SCANNED.exec(this.wanted())?.[1];
    const [only, ...others] = this.found();
    const id = scanned ?? (others.length === 0 ? only?.id : undefined);
    if (id !== undefined) void this.router.navigate(['/cold', id.toLowerCase()]);
  }

  /** What the camera read: a label of this kitchen opens its container, anything else is said. */
  protected seen(text: string): void {
    const id = SCANNED.exec(text)?.[1]?.toLowerCase();
    if (id === undefined) {
      this.scanned.set('That is no label of a container: hold another one to it.');
      return;
    }
    this.scans.set(false);
    void this.router.navigate(['/cold', id]);
  }

  /** One listener for the links of the shelves, by touch or Enter: a router link each is a third of what a full shelf costs to draw. */
  protected follow(event: MouseEvent): void {
    const link = event.target instanceof Element ? event.target.closest('.plank a') : null;
    if (link === null || event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    void this.router.navigateByUrl(link.getAttribute('href') ?? '/cold');
  }

  protected openAll(id: string): void {
    this.opened.update((have) => new Set([...have, id]));
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }
}
