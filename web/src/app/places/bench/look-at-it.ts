import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Practice } from '@tureen/server/api';
import { SPOON_READINGS, type SpoonReading } from '@tureen/core/body';
import type { Senses, Tasted } from '@tureen/core/practice';
import { combineLatest, from, map, of, switchMap } from 'rxjs';
import { Benching } from '../../cooking/benching';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { depth, mass } from '../figures';
import { degrees } from '@tureen/core/units';

const TASTES: Readonly<Record<Tasted, string>> = {
  [-2]: 'far too little salt',
  [-1]: 'a little too little salt',
  0: 'the salt is right',
  1: 'a little too salty',
  2: 'far too salty',
};

const SOURS: Readonly<Record<Tasted, string>> = {
  [-2]: 'flat: far too little sourness',
  [-1]: 'a little flat',
  0: 'sour as it should be in the end',
  1: 'a little too sour',
  2: 'far too sour',
};

const LOOKS: Readonly<Record<Senses['looks'], string>> = {
  boils: 'it boils',
  trembles: 'it trembles at the edge',
  steams: 'it steams and lies still',
  still: 'it lies still',
};

const RUNS: Readonly<Record<SpoonReading, string>> = {
  'runs off': 'it runs off like water; the metal shines through',
  'runs off to veils': 'it runs off, and leaves a mist on the metal',
  veils: 'a thin veil stays, a line drawn through it closes at once',
  'veils to coats': 'a film stays, a line drawn through it closes slowly',
  coats: 'it coats the back, a line drawn through it stays a moment',
  'coats to clings': 'it coats thickly, a line drawn through it stays, drops fall in a string',
  clings: 'it clings, the line stays, drops fall one by one',
  'clings to stands': 'it hangs on, the line has steep sides, drops hardly fall',
  stands: 'it stands on the spoon and falls in lumps',
};

function worded(words: Readonly<Record<Tasted, string>>, side: Tasted | undefined): string | undefined {
  return side === undefined ? undefined : words[side];
}

/** The film on the back of the spoon, and what hangs from it, as thick as the word says. */
function spoonPath(reading: SpoonReading): { readonly film: number; readonly drop: string } {
  const n = SPOON_READINGS.indexOf(reading) / 2;
  const width = 3 + 2.5 * n;
  const length = 46 - 7 * n;
  const x = 46;
  const y = 62;
  return {
    film: 2 + 3 * n,
    drop: `M${String(x - width)} ${String(y)} Q${String(x - width)} ${String(y + length)} ${String(x)} ${String(y + length)} Q${String(x + width)} ${String(y + length)} ${String(x + width)} ${String(y)} Z`,
  };
}

/** What is seen, read and tasted of a practice's pot now, as somebody standing at it would: the trainee enters it at the stove. */
@Component({
  selector: 'tt-look-at-it',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="look-title">Look at it</h2>
    <p class="soft">{{ brief() }}</p>
    @if (senses(); as seen) {
      <dl>
        <dt>Scale <span class="key" aria-hidden="true">W</span></dt>
        <dd>
          <strong>{{ seen.gross }}</strong> with the pot, which weighs {{ seen.tare }} empty
        </dd>
        <dt>Dip stick <span class="key" aria-hidden="true">D</span></dt>
        <dd>
          <strong>{{ seen.below }}</strong> from the rim down to the soup
        </dd>
        <dt>Spoon <span class="key" aria-hidden="true">B</span></dt>
        <dd>
          @if (seen.spoon; as word) {
            <svg viewBox="0 0 92 112" aria-hidden="true">
              <ellipse cx="46" cy="42" rx="26" ry="30" class="bowl" />
              <ellipse cx="46" cy="42" rx="26" ry="30" class="film" [attr.stroke-width]="spoon()?.film" />
              <path [attr.d]="spoon()?.drop" class="drop" />
            </svg>
            <strong>{{ word }}</strong>: {{ runs() }}
          } @else {
            nothing yet: it is in pieces
          }
        </dd>
        <dt>Tongue <span class="key" aria-hidden="true">T</span></dt>
        <dd>
          @if (tastes(); as words) {
            <strong>{{ words }}</strong>{{ sours() === undefined ? '' : ', ' + sours() }}
          } @else {
            nothing to taste yet
          }
        </dd>
        <dt>Probe</dt>
        <dd>
          <strong>{{ seen.probe }}</strong>, {{ looks() }}
        </dd>
        <dt>Salt meter <span class="key" aria-hidden="true">T</span></dt>
        <dd>
          <strong>{{ seen.saltMeterPct.toFixed(2) }} %</strong>
        </dd>
        @if (seen.viscometerMPas; as mPas) {
          <dt>Viscometer <span class="key" aria-hidden="true">B</span></dt>
          <dd>
            <strong>{{ twoDigits(mPas) }} mPa·s</strong> as it is served
          </dd>
        }
      </dl>
      <p class="soft">Nothing of this is on the record until you enter it. Each look sees a little otherwise.</p>
      @if (hint() !== '') {
        <details>
          <summary>What would a coach say?</summary>
          <p>{{ hint() }}</p>
        </details>
      }
    } @else {
      <p role="status" class="soft">Looking…</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 14px;
    }
    dl {
      display: grid;
      grid-template-columns: 130px 1fr;
      gap: 14px 12px;
      align-items: center;
      margin: 0;
      font-size: 18px;
    }
    dd {
      margin: 0;
    }
    strong {
      font-size: 21px;
    }
    svg {
      float: right;
      width: 92px;
      height: 112px;
    }
    .bowl {
      fill: var(--linen);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .film {
      fill: none;
      stroke: var(--saffron-ink);
      opacity: 0.75;
    }
    .drop {
      fill: var(--saffron-ink);
      opacity: 0.75;
    }
    summary {
      display: flex;
      align-items: center;
      min-height: var(--touch);
      cursor: pointer;
      text-decoration: underline;
    }
  `,
})
export class LookAtIt {
  readonly practice = input.required<Practice>();
  readonly brief = input('');
  /** What a coach says when asked. */
  readonly hint = input('');
  /** Which look at this screen it is. */
  readonly look = input(0);
  private readonly batches = inject(Batches);
  private readonly benching = inject(Benching);
  private readonly clock = inject(Clock);

  protected readonly senses = toSignal(
    toObservable(this.practice).pipe(
      switchMap((own) => combineLatest([of(own), this.batches.batch$(own.batchId)])),
      switchMap(([{ lesson, seed }, answer]) => {
        if (!answer.ok) return of(undefined);
        const { snapshot, entries } = answer.value;
        const { units } = snapshot.kit;
        return from(this.benching.ask.seenNow({ snapshot, entries, lesson, seed }, this.look(), this.clock.now())).pipe(
          map((senses) => ({
            ...senses,
            gross: mass(senses.grossKg, units),
            tare: mass(senses.tareKg, units),
            below: depth(senses.belowRimM, units),
            probe: degrees(senses.probeC, units),
          })),
        );
      }),
    ),
  );
  protected readonly tastes = computed(() => worded(TASTES, this.senses()?.salt));
  protected readonly sours = computed(() => worded(SOURS, this.senses()?.sour));
  protected readonly looks = computed(() => LOOKS[this.senses()?.looks ?? 'still']);
  protected readonly runs = computed(() => RUNS[this.senses()?.spoon ?? 'runs off']);
  protected readonly spoon = computed(() => {
    const word = this.senses()?.spoon;
    return word === undefined ? undefined : spoonPath(word);
  });

  protected twoDigits(value: number): string {
    return String(Number(value.toPrecision(2)));
  }
}
