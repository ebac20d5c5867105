import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { scaledRibbon, sideBySide, type CookedOnce, type Difference } from '@tureen/core/compare';
import { FIGURE_WORDS, goneWords, sideBySideWords, stopNamer, valueWords } from '@tureen/core/messages';
import type { Stop } from '@tureen/core/runner';
import type { BatchSummary } from '@tureen/server/api';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { distinctUntilChanged, filter, switchMap } from 'rxjs';
import { pictureOf } from '../../parts/ribbon/picture';
import { RibbonPicture } from '../../parts/ribbon/ribbon';
import type { BatchView } from '../../cooking/batch-view';
import { Batches, type OpenBatch } from '../../services/batches';
import { onKeys } from '../../shell/keys';
import { day, money } from '../figures';
import { watchBatch } from '../watched-batch';

/** What is told in words; all of it stands in the tables. */
const MOST_TOLD = 8;

/** A batch with the figures that it was closed with, which stay what they were: those that its own page shows. */
function cookedOnce(view: BatchView, { batch }: OpenBatch): CookedOnce {
  return {
    ribbon: view.actualRibbon,
    sizeKg: (view.request.bowls * view.request.bowlG) / 1000,
    figures: batch.closedFigures?.actual ?? view.forecast,
  };
}

/** One batch beside another of its soup: both ribbons over one another, what differs in words, and all figures of both. */
@Component({
  selector: 'tt-side-by-side',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzSelectModule, RibbonPicture, RouterLink],
  templateUrl: './side-by-side.html',
  styleUrl: './side-by-side.less',
})
export class SideBySide {
  /** The batch that is asked about. */
  readonly batchId = input.required<string>();
  /** The one that it is laid beside; the one of the same soup before it where none is named. */
  readonly with = input<string>();

  private readonly router = inject(Router);
  private readonly batches = inject(Batches);
  private readonly own = watchBatch(this.batchId);
  protected readonly view = this.own.view;

  private readonly ofSoup = toSignal(
    toObservable(computed(() => this.own.open()?.batch.soupName ?? '')).pipe(
      filter((name) => name !== ''),
      distinctUntilChanged(),
      switchMap((words) => this.batches.found$({ words })),
    ),
  );
  /** Closed batches of the same soup, newest first. */
  protected readonly others = computed((): readonly BatchSummary[] | undefined => {
    const answer = this.ofSoup();
    const batch = this.own.open()?.batch;
    if (answer === undefined || batch === undefined) return undefined;
    const listed = answer.ok ? answer.value.batches : [];
    return listed.filter(({ id, soupId, closedAtMs }) => id !== batch.id && soupId === batch.soupId && closedAtMs !== null);
  });
  protected readonly otherId = computed(() => {
    const [named, others, batch] = [this.with(), this.others(), this.own.open()?.batch];
    if (named !== undefined && named !== '') return named;
    const before = others?.find(({ startedAtMs }) => startedAtMs < (batch?.startedAtMs ?? 0));
    return (before ?? others?.[0])?.id ?? '';
  });
  private readonly other = watchBatch(this.otherId);
  protected readonly trouble = computed(() => {
    const listed = this.ofSoup();
    const isUnlisted = listed?.ok === false && this.otherId() === '' ? listed.refusal.sentence : undefined;
    return this.own.trouble() ?? this.other.trouble() ?? isUnlisted;
  });
  /** Both, once both are there; the last pair is not shown with the next one's name. */
  private readonly both = computed(() => {
    const [second, first] = [this.own.view(), this.other.view()];
    const [open, otherOpen] = [this.own.open(), this.other.open()];
    if (second === undefined || first === undefined || open === undefined || otherOpen?.batch.id !== this.otherId())
      return undefined;
    return { second, first, open, otherOpen };
  });
  protected readonly names = computed(() => {
    const both = this.both();
    if (both === undefined) return undefined;
    const named = ({ batch }: typeof both.open): string => `${day(batch.startedAtMs)}, v${String(batch.version)}`;
    return { second: named(both.open), first: named(both.otherOpen) };
  });
  private readonly nameOf = computed(() => {
    const [mine, other] = [this.own.nameOf(), this.other.nameOf()];
    return (id: string): string => (mine(id) === id ? other(id) : mine(id));
  });
  private readonly stopOf = computed(() => {
    const both = this.both();
    const nameOf = this.nameOf();
    if (both === undefined) return (stop: Stop) => stop.stepId;
    const [mine, other] = [stopNamer(both.second.soup, nameOf), stopNamer(both.first.soup, nameOf)];
    return (stop: Stop): string => (mine(stop) === stop.stepId ? other(stop) : mine(stop));
  });
  protected readonly compared = computed(() => {
    const both = this.both();
    return both === undefined ? undefined : sideBySide(cookedOnce(both.first, both.otherOpen), cookedOnce(both.second, both.open));
  });
  protected readonly told = computed(() => (this.compared()?.told ?? []).map((one) => this.wordsOf(one)));
  protected readonly firstTold = computed(() => this.told().slice(0, MOST_TOLD));
  protected readonly untold = computed(() => this.told().length - this.firstTold().length);
  protected readonly scaled = computed(() => {
    const scale = this.compared()?.scale ?? 1;
    return Math.abs(scale - 1) < 0.005 ? '' : `, brought to the size of this one: × ${scale.toFixed(2)}`;
  });
  protected readonly picture = computed(() => {
    const [both, names, compared] = [this.both(), this.names(), this.compared()];
    if (both === undefined || names === undefined || compared === undefined) return undefined;
    return pictureOf({
      ribbon: scaledRibbon(both.first.actualRibbon, compared.scale),
      actual: both.second.actualRibbon,
      nameOf: this.nameOf(),
      stationName: this.stopOf(),
      units: this.own.units(),
      height: 190,
      called: {
        outline: `In the pot, ${names.first}`,
        fill: names.second,
        both: `Two batches over one another: ${names.first} as an outline, ${names.second} filled`,
      },
    });
  });
  protected readonly tables = computed(() => {
    const compared = this.compared();
    if (compared === undefined) return [];
    return [
      { name: 'What came of it', rows: compared.figures },
      { name: 'What went in and off', rows: [...compared.lines, ...compared.gone, ...compared.found] },
      { name: 'How long it took', rows: compared.minutes },
    ].map(({ name, rows }) => ({
      name,
      rows: rows.map((one, n) => ({
        id: n,
        name: this.titleOf(one),
        first: this.valueOf(one, one.first),
        second: this.valueOf(one, one.second),
        isTold: compared.told.includes(one),
      })),
    }));
  });

  constructor() {
    onKeys({ s: () => void this.turn() });
  }

  /** The two the other way round. */
  protected async turn(): Promise<void> {
    if (this.otherId() === '') return;
    await this.router.navigate(['/ledger', this.otherId(), 'side-by-side'], { queryParams: { with: this.batchId() } });
  }

  protected async choose(id: string): Promise<void> {
    await this.router.navigate([], { queryParams: { with: id }, replaceUrl: true });
  }

  protected optionOf({ startedAtMs, request }: BatchSummary): string {
    return `${day(startedAtMs)} · ${String(request.bowls)} bowls`;
  }

  private titleOf(one: Difference): string {
    if (one.of === 'line') return this.nameOf()(one.lineId);
    if (one.of === 'gone') return goneWords(one.kind);
    if (one.of === 'found') return 'found by readings';
    if (one.of === 'figure') return FIGURE_WORDS[one.figure];
    return this.stopOf()({ stepId: one.stepId } as Stop);
  }

  private valueOf(one: Difference, value: number): string {
    const isNone = value === 0 && one.of !== 'figure';
    return isNone ? '–' : valueWords(one, value, { units: this.own.units(), money: this.pay });
  }

  private readonly pay = (amount: number): string => money(amount, this.view()?.kit.currency);

  private wordsOf(one: Difference): string {
    const words = sideBySideWords(one, {
      nameOf: this.nameOf(),
      stepNameOf: (stepId) => this.stopOf()({ stepId } as Stop),
      units: this.own.units(),
      money: this.pay,
    });
    return words.charAt(0).toUpperCase() + words.slice(1);
  }
}
