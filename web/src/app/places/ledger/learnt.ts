import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { toLearntCsv } from '@tureen/core/formats';
import { learnedNames, learnedWords, type LearnedWords } from '@tureen/core/messages';
import { Clock } from '../../services/clock';
import { Kitchen } from '../../services/kitchen';
import { LearnedFigures } from '../../services/learned';
import { Soups } from '../../services/soups';
import { day } from '../figures';
import { saveAs } from '../save-as';
import { LedgerTabs } from './ledger-tabs';

const HEADINGS: readonly LearnedWords['of'][] = [
  'trimming',
  'the pot and the oven',
  'body by soup',
  'what comes salted',
  'instruments',
];

/** What this kitchen is really like, by its own batches: each figure with its default, its spread and what it rests on. */
@Component({
  selector: 'tt-learnt',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LedgerTabs, RouterLink],
  templateUrl: './learnt.html',
  styleUrl: './learnt.less',
})
export class Learnt {
  private readonly learned = inject(LearnedFigures);
  private readonly clock = inject(Clock);
  private readonly answer = toSignal(this.learned.learned$);
  private readonly rows = toSignal(inject(Kitchen).rows$);
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  private readonly shelf = toSignal(inject(Soups).shelf$);
  /** The figure whose batches are shown. */
  protected readonly opened = signal('');
  protected readonly said = signal('');
  protected readonly busy = signal(false);

  protected readonly trouble = computed(() => {
    const answer = this.answer();
    return answer?.ok === false ? answer.refusal.sentence : '';
  });
  private readonly known = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value : undefined;
  });
  protected readonly batches = computed(() => this.known()?.batches);
  protected readonly waiting = computed(() =>
    (this.batches() ?? [])
      .filter(({ waits }) => waits)
      .map(({ batchId, soupName, startedAtMs }) => ({ batchId, name: soupName, day: day(startedAtMs) })),
  );
  private readonly names = computed(() => {
    const kitchen = this.kitchen();
    const shelf = this.shelf();
    return learnedNames(
      this.rows() ?? [],
      kitchen?.ok === true ? (kitchen.value.kit ?? undefined) : undefined,
      shelf?.ok === true ? shelf.value.soups : [],
    );
  });

  protected readonly groups = computed(() => {
    const known = this.known();
    if (known === undefined) return undefined;
    const choiceOf = new Map(known.choices.map((choice) => [choice.key, choice]));
    const all = known.figures.map((figure, n) => {
      const choice = choiceOf.get(figure.key);
      const before = known.priorSd[n] ?? figure.sd;
      return {
        key: figure.key,
        by: figure.by,
        sd: figure.sd,
        ...learnedWords(figure, before, this.names()),
        batches: figure.batches,
        /** How much of the spread is left, for the bar. */
        left: before > 0 ? Math.min(1, figure.sd / before) : 1,
        held: choice?.holds !== undefined,
        since: choice?.sinceMs === undefined ? '' : day(choice.sinceMs),
        from: known.batches
          .filter(({ keys, counts }) => counts && keys.includes(figure.key))
          .map(({ batchId, soupName, startedAtMs }) => ({ batchId, name: soupName, day: day(startedAtMs) })),
      };
    });
    return HEADINGS.map((name) => ({
      name,
      figures: all.filter(({ of }) => of === name).sort((a, b) => a.left - b.left),
    })).filter(({ figures }) => figures.length > 0);
  });

  protected save(): void {
    const figures = (this.groups() ?? []).flatMap((group) => group.figures);
    saveAs('learnt.csv', 'text/csv', toLearntCsv(figures));
  }

  protected open(key: string): void {
    this.opened.update((now) => (now === key ? '' : key));
  }

  protected hold(key: string, by: number): Promise<void> {
    return this.told(this.learned.choose(key, { holds: by }), 'Held: batches to come leave it as it is.');
  }

  protected anew(key: string): Promise<void> {
    return this.told(
      this.learned.choose(key, { sinceMs: Math.round(this.clock.now()) }),
      'Forgotten: it is learnt anew from now on.',
    );
  }

  protected free(key: string): Promise<void> {
    return this.told(this.learned.choose(key, {}), 'Learnt from all batches again.');
  }

  protected teach(batchId: string, counts: boolean): Promise<void> {
    return this.told(this.learned.teach(batchId, counts), counts ? 'It counts.' : 'It is left out.');
  }

  private async told(asked: Promise<{ ok: true } | { ok: false; refusal: { sentence: string } }>, then: string): Promise<void> {
    this.busy.set(true);
    const answer = await asked;
    this.busy.set(false);
    this.said.set(answer.ok ? then : answer.refusal.sentence);
  }
}
