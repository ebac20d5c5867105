import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ODD_SD, type Adjusted, type Suspected } from '@tureen/core/learn';
import { deviceWords, oddsWords, offWords, stepName, suspectWords, tellApartWords, type NameOf } from '@tureen/core/messages';
import { walk } from '@tureen/core/soup';
import { showVolume } from '@tureen/core/units';
import type { BatchView } from '../../cooking/batch-view';
import { Reconciling } from '../../cooking/reconciling';
import { Batches, type OpenBatch } from '../../services/batches';
import { Kitchen } from '../../services/kitchen';
import { LearnedFigures } from '../../services/learned';
import { mass } from '../figures';

/** What was read and counted in a batch beside what was entered, and what would explain it where they disagree. */
@Component({
  selector: 'tt-adds-up',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (result.isLoading()) {
      <h2>Does it add up?</h2>
      <p role="status" class="soft">Laying readings beside entries…</p>
    } @else if (said(); as text) {
      <h2>Does it add up?</h2>
      <p role="status">{{ text }}</p>
    } @else if (suspected().length > 0) {
      <div class="sheet doubt" role="region" aria-label="Does not add up">
        <h2><span aria-hidden="true">▲</span> It does not add up</h2>
        <p>{{ lead() }}</p>
        <ol>
          @for (one of suspected(); track one.words; let n = $index) {
            <li>
              <button type="button" class="press" [class.main]="n === 0" [disabled]="busy()" (click)="accept(one)">
                <span class="said"
                  >{{ one.words }}<small>{{ one.odds }}</small></span
                >
              </button>
            </li>
          }
          <li>
            <button type="button" class="press quiet" [disabled]="busy()" (click)="none()">None of these</button>
          </li>
        </ol>
        <p class="soft">{{ tellApart() }} What you choose is entered as a correction; nothing is overwritten.</p>
      </div>
    } @else {
      <h2>Does it add up?</h2>
      <p role="status">
        {{
          isOdd()
            ? 'Readings and entries do not agree, and nothing single explains it.'
            : 'It does: readings and entries agree as well as such readings can.'
        }}
      </p>
      @if (waits()) {
        <p>It is unlike the other batches of this kitchen all the same, and teaches nothing until you say whether it should.</p>
        <p class="choice">
          <button type="button" class="press" [disabled]="busy()" (click)="teach(true)">Let it count</button>
          <button type="button" class="press" [disabled]="busy()" (click)="teach(false)">Leave it out</button>
        </p>
      }
    }
    @if (done() !== '') {
      <p role="status">{{ done() }}</p>
    }
    @if (trouble() !== '') {
      <p class="caution" role="alert">
        <span>{{ trouble() }}</span>
      </p>
    }
    @if (readings().length > 0) {
      <table>
        <thead>
          <tr>
            <th scope="col">read</th>
            <th scope="col" class="number">it said</th>
            <th scope="col" class="number">fits best</th>
            <th scope="col"><span class="unseen">how far off</span></th>
          </tr>
        </thead>
        <tbody>
          @for (row of readings(); track $index) {
            <tr>
              <th scope="row">
                {{ row.device }} <span class="soft">{{ row.step }}</span>
              </th>
              <td class="number">{{ row.read }}</td>
              <td class="number strong">{{ row.adjusted }}</td>
              <td [class.off]="row.off !== ''">{{ row.off }}</td>
            </tr>
          }
        </tbody>
      </table>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    h2 {
      font-size: 21px;
      margin-bottom: 6px;
    }
    :host:has(.doubt) {
      display: grid;
      grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
      gap: 10px 34px;
      align-items: start;
    }
    .doubt {
      padding: 18px 22px;
      border: 2px solid var(--saffron-line);
    }
    ol {
      display: grid;
      gap: 8px;
      margin: 12px 0;
      justify-items: start;
    }
    .choice {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin: 10px 0;
    }
    @media (width < 1000px) {
      :host:has(.doubt) {
        display: block;
      }
    }
    .said {
      display: grid;
      padding: 6px 0;
      text-align: left;
    }
    small {
      font-size: 15px;
      font-weight: 400;
    }
    table {
      width: 100%;
      margin-top: 14px;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 6px 8px 6px 0;
      border-bottom: 1px solid var(--hairline);
      font-weight: 400;
      text-align: left;
    }
    thead th {
      color: var(--ink-soft);
    }
    .number {
      text-align: right;
      white-space: nowrap;
    }
    .strong {
      font-weight: 700;
    }
    td:last-child {
      padding-left: 12px;
      white-space: nowrap;
    }
    .off {
      color: var(--saffron-ink);
      font-weight: 650;
    }
  `,
})
export class AddsUp {
  readonly open = input.required<OpenBatch>();
  readonly view = input.required<BatchView>();
  readonly nameOf = input.required<NameOf>();

  private readonly reconciling = inject(Reconciling);
  private readonly batches = inject(Batches);
  private readonly learned = inject(LearnedFigures);
  private readonly rows = toSignal(inject(Kitchen).rows$);
  private readonly learnt = toSignal(this.learned.learned$);
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  private readonly key = computed(() => `${this.open().batch.id} ${String(this.open().entries.length)}`);
  private readonly batchId = computed(() => this.open().batch.id);
  /** What was done; it stays while entries come in, and goes with the batch. */
  protected readonly done = linkedSignal({ source: this.batchId, computation: () => '' });
  /** The cook has looked and found nothing of what is offered. */
  private readonly dismissed = linkedSignal({ source: this.key, computation: () => false });

  protected readonly result = resource({
    params: () => {
      const rows = this.rows();
      return rows === undefined ? undefined : { key: this.key(), rows };
    },
    loader: ({ params: { rows } }) => {
      const { snapshot, entries } = this.open();
      return this.reconciling.ask.reconcile(snapshot, entries, rows).then((value) => value ?? null);
    },
  });

  private readonly found = computed(() => (this.result.hasValue() ? this.result.value() : undefined));
  protected readonly said = computed(() => {
    if (this.result.error() !== undefined) return 'That could not be worked out.';
    return this.found() === null
      ? 'Nothing was weighed, dipped, read or counted, so there is nothing to lay beside the entries.'
      : '';
  });
  protected readonly isOdd = computed(() => (this.found()?.sds ?? 0) > ODD_SD);

  /** What it says is so far from what the others do that the cook is asked whether it counts. */
  protected readonly waits = computed(() => {
    const answer = this.learnt();
    return answer?.ok === true && answer.value.batches.some(({ batchId, waits }) => waits && batchId === this.batchId());
  });

  protected readonly suspected = computed(() => {
    if (this.dismissed()) return [];
    return (this.found()?.suspected ?? []).map(({ suspects, odds }) => ({
      suspects,
      words: suspects.map((suspect) => suspectWords(suspect, this.around())).join(', and '),
      odds: oddsWords(odds),
    }));
  });

  private readonly around = computed(() => {
    const { kit, soup } = this.view();
    const steps = new Map(walk(soup.root).map(({ step }) => [step.id, step]));
    return {
      nameOf: this.nameOf(),
      units: kit.units,
      stepName: (id: string) => {
        const step = steps.get(id);
        return step === undefined ? id : stepName(step, this.nameOf());
      },
      measureM3: (name: string) => kit.ladles.find((one) => one.name === name)?.volumeM3,
    };
  });

  /** Which reading is farthest off, in words. */
  protected readonly lead = computed(() => {
    const worst = [...(this.found()?.readings ?? [])].sort((a, b) => Math.abs(b.sds) - Math.abs(a.sds))[0];
    if (worst === undefined) return '';
    const { read, adjusted } = this.shown(worst);
    return `${worst.sds > 0 ? 'More' : 'Less'} than was entered, by the ${deviceWords(worst.device)}: it said ${read}; ${adjusted} would fit the rest.`;
  });

  protected readonly tellApart = computed(() => tellApartWords(this.suspected().flatMap(({ suspects }) => suspects)));

  protected readonly readings = computed(() =>
    (this.found()?.readings ?? []).map((one) => ({
      device: deviceWords(one.device),
      step: this.around().stepName(one.stepId),
      ...this.shown(one),
      off: offWords(one.sds),
    })),
  );

  private shown({ device, read, adjusted }: Adjusted): { read: string; adjusted: string } {
    const { units } = this.view().kit;
    const as = (value: number): string => {
      if (device === 'scale' || device === 'count') return mass(value, units);
      if (device === 'salt meter') return `${(value * 100).toFixed(2)} %`;
      if (device !== 'dip') return `${value.toFixed(0)} mPa·s`;
      const { digits, unit } = showVolume(value, units);
      return `${digits} ${unit}`;
    };
    return { read: as(read), adjusted: as(adjusted) };
  }

  protected async accept(one: Pick<Suspected, 'suspects'> & { readonly words: string }): Promise<void> {
    const { snapshot, entries } = this.open();
    this.busy.set(true);
    this.trouble.set('');
    const corrections = await this.reconciling.ask.corrections(snapshot, entries, one.suspects, one.words.slice(0, 200));
    if (corrections.length === 0) this.trouble.set('That is not in the record any more: nothing was changed.');
    else {
      await this.batches.correct(this.open(), corrections);
      this.done.set(`Put right: ${one.words}. Take it back among the entries if it was not so.`);
    }
    this.busy.set(false);
  }

  protected async none(): Promise<void> {
    this.dismissed.set(true);
    if (this.open().batch.closedAtMs !== null) await this.teach(true);
  }

  /** Whether it counts in what the kitchen learns. */
  protected async teach(counts: boolean): Promise<void> {
    this.busy.set(true);
    const answer = await this.learned.teach(this.batchId(), counts);
    this.busy.set(false);
    const said = counts
      ? 'Left as it is: the kitchen learns from this batch as it stands.'
      : 'Left out: the kitchen learns nothing from it.';
    this.done.set(answer.ok ? said : '');
    this.trouble.set(answer.ok ? '' : answer.refusal.sentence);
  }
}
