import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  DOCUMENT,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { LABEL_SIZES, labelText, type LabelSize } from '@tureen/core/labels';
import { dayOf } from '@tureen/core/kit';
import { Choice } from '../../parts/choice';
import { NumberField } from '../../parts/number-field';
import { Clock } from '../../services/clock';
import { recall, remember } from '../../services/remembered';
import { SERVER_PATH } from '../../services/practice-mode';
import { Stock } from '../../services/stock';
import { kitchenZone } from '../../services/zone';
import { day, mass, timeOfDay } from '../figures';
import { saveAs } from '../save-as';
import { drawLabel, LabelCanvas } from './label-canvas';
import { kitchenUnits } from '../../services/units';

const SIZE_KEY = 'tureen-label-size';
/** What was filled so lately is meant where nothing is said, ms. */
const LATELY_MS = 12 * 3_600_000;

/** Labels of containers as they will be printed: on paper, as PDF, or as pictures for a label printer. */
@Component({
  selector: 'tt-labels',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, FormsModule, LabelCanvas, NumberField, RouterLink],
  templateUrl: './labels.html',
  styleUrl: './labels.less',
})
export class Labels {
  private readonly document = inject(DOCUMENT);
  private readonly clock = inject(Clock);
  private readonly answer = toSignal(inject(Stock).cold$);
  /** Containers that are meant, with commas, from the address. */
  readonly ids = input<string>();
  protected readonly sizes = LABEL_SIZES.map(({ id, name }) => ({ value: id, name }));
  protected readonly sizeId = signal<LabelSize['id']>(LABEL_SIZES.find(({ id }) => id === recall(SIZE_KEY))?.id ?? 'a4-24');
  protected readonly size = computed((): LabelSize => LABEL_SIZES.find(({ id }) => id === this.sizeId()) ?? LABEL_SIZES[0]);
  protected readonly isSheet = computed(() => this.size().columns > 1);
  protected readonly mostFrom = computed(() => this.size().columns * this.size().rows);
  protected readonly from = signal(1);
  protected readonly isLoading = computed(() => this.answer() === undefined);
  private readonly containers = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? [...answer.value.containers].sort((a, b) => b.filledMs - a.filledMs) : [];
  });
  private readonly unsent = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.unsent : new Set<string>();
  });
  private readonly isHere = computed(() => this.containers().length > 0);
  /** Chosen anew for other ids, and once when the containers are here: not when another screen enters something. */
  protected readonly chosen = linkedSignal<string, ReadonlySet<string>>({
    source: () => `${String(this.isHere())} ${this.ids() ?? ''}`,
    computation: () => {
      const asked = (this.ids() ?? '').split(',').filter((id) => id !== '');
      if (asked.length > 0) return new Set(asked);
      const since = this.clock.now() - LATELY_MS;
      return new Set(untracked(this.containers).flatMap(({ id, filledMs }) => (filledMs >= since ? [id] : [])));
    },
  });
  protected readonly rows = computed(() =>
    this.containers().map((one) => ({
      id: one.id,
      name: one.contents.name,
      words: `${one.vessel.toLowerCase()}, ${mass(one.kg, kitchenUnits())}, filled ${day(one.filledMs)} ${timeOfDay(one.filledMs)}`,
      isChosen: this.chosen().has(one.id),
    })),
  );
  protected readonly labels = computed(() => {
    return this.containers()
      .filter(({ id }) => this.chosen().has(id))
      .map((one) => ({
        id: one.id,
        text: labelText(one, this.document.location.origin, (ms) => dayOf(ms, kitchenZone()), kitchenUnits()),
      }));
  });
  protected readonly waits = computed(() => this.labels().some(({ id }) => this.unsent().has(id)));
  protected readonly pdf = computed(() => {
    const ids = this.labels().map(({ id }) => id);
    return `${SERVER_PATH}/api/cold/labels.pdf?ids=${ids.join(',')}&size=${this.sizeId()}&from=${String(this.from() - 1)}`;
  });
  /** Places of the sheet that are left free. */
  protected readonly free = computed(() => (this.isSheet() ? Array.from({ length: this.from() - 1 }, (_, n) => n) : []));

  constructor() {
    // The page that the printer is told of is the label's own.
    const style = this.document.createElement('style');
    this.document.head.append(style);
    effect(() => {
      const [wide, high] = this.size().pageMm;
      style.textContent = `@page { size: ${String(wide)}mm ${String(high)}mm; margin: 0; }`;
    });
    inject(DestroyRef).onDestroy(() => {
      style.remove();
    });
  }

  protected setSize(id: LabelSize['id']): void {
    this.sizeId.set(id);
    this.from.set(1);
    remember(SIZE_KEY, id);
  }

  protected turn(id: string): void {
    const next = new Set(this.chosen());
    if (!next.delete(id)) next.add(id);
    this.chosen.set(next);
  }

  protected print(): void {
    this.document.defaultView?.print();
  }

  /** Each label as a picture of its own. */
  protected async pictures(): Promise<void> {
    for (const { text } of this.labels()) {
      const canvas = this.document.createElement('canvas');
      drawLabel(canvas, text, this.size());
      const blob = await new Promise<Blob | null>((resolve) => {
        canvas.toBlob(resolve, 'image/png');
      });
      if (blob !== null) saveAs(`${text.name} ${text.useBy}.png`, 'image/png', blob);
    }
  }
}
