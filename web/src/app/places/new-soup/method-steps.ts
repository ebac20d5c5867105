import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { DOING_CHOICES, DOING_WORDS, actionDetail, actionTitle, methodAssumptions } from '@tureen/core/messages';
import type { Doing, Fix, VesselKind } from '@tureen/core/method';
import type { UnitSystem } from '@tureen/core/units';
import type { UnderstoodMethod } from '../../cooking/answers';

/** What stands for one clause: all that it asks for, and what was taken for granted. */
interface ClauseCard {
  readonly clause: number;
  readonly n: number;
  readonly words: string;
  readonly does: readonly { readonly title: string; readonly detail: string }[];
  readonly marks: readonly string[];
  readonly doing: Doing;
  readonly lines: readonly string[];
  readonly isStep: boolean;
}

const PLACES: readonly { readonly value: VesselKind; readonly name: string }[] = [
  { value: 'tray', name: 'Tray' },
  { value: 'pan', name: 'Second pan' },
  { value: 'pot', name: 'Pot' },
];

const IDLE: ReadonlySet<Doing> = new Set(['remark', 'setting', 'serve']);

/** The things to do that a method asks for, each tied to its words; a wrong one is set right in two touches. */
@Component({
  selector: 'tt-method-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './method-steps.html',
  styleUrl: './method-steps.less',
})
export class MethodSteps {
  readonly method = input.required<UnderstoodMethod>();
  readonly units = input.required<UnitSystem>();
  readonly fixes = input.required<Readonly<Record<string, Fix>>>();
  readonly lit = input<number>();
  readonly lights = output<number>();
  readonly sets = output<{ readonly words: string; readonly fix: Fix | undefined }>();

  protected readonly open = signal<number | undefined>(undefined);
  protected readonly choices = DOING_CHOICES.map((value) => ({
    value,
    name: value === 'remark' ? 'Not a step' : DOING_WORDS[value],
  }));
  protected readonly places = PLACES;

  private readonly nameOf = computed(() => {
    const names = new Map(this.method().names);
    return (line: string): string => names.get(line) ?? line.replace(/-\d+$/, '').replaceAll('-', ' ');
  });

  protected readonly cards = computed((): readonly ClauseCard[] => {
    const { clauses, actions } = this.method();
    const units = this.units();
    const nameOf = this.nameOf();
    let n = 0;
    return clauses.flatMap((clause, index): ClauseCard[] => {
      const own = actions.filter((action) => action.clause === index);
      const [first] = own;
      if (first === undefined) return [];
      const isStep = own.some(({ does }) => !IDLE.has(does));
      if (isStep) n += 1;
      const shown = own.filter(({ does }) => !isStep || !IDLE.has(does));
      return [
        {
          clause: index,
          n,
          words: clause.text,
          does: shown.map((action) => ({ title: actionTitle(action, nameOf), detail: actionDetail(action, units) })),
          marks: [...new Set(own.flatMap(methodAssumptions))],
          doing: (shown[0] ?? first).does,
          lines: [...new Set(own.flatMap(({ lines }) => lines.map(({ line }) => line)))],
          isStep,
        },
      ];
    });
  });

  protected readonly lines = computed(() => {
    const names = new Map(this.method().names.filter(([line]) => !line.endsWith('-top')));
    return [...names].map(([line, name]) => ({ line, name }));
  });

  protected fixOf(card: ClauseCard): Fix | undefined {
    return this.fixes()[card.words];
  }

  protected toggle(card: ClauseCard): void {
    this.lights.emit(card.clause);
    this.open.update((open) => (open === card.clause ? undefined : card.clause));
  }

  protected does(card: ClauseCard, does: Doing): void {
    this.sets.emit({ words: card.words, fix: { ...this.fixOf(card), does } });
    this.open.set(undefined);
  }

  protected line(card: ClauseCard, line: string): void {
    const have = this.fixOf(card)?.lines ?? card.lines;
    const lines = have.includes(line) ? have.filter((one) => one !== line) : [...have, line];
    this.sets.emit({ words: card.words, fix: { does: card.doing, ...this.fixOf(card), lines } });
  }

  protected place(card: ClauseCard, place: VesselKind): void {
    this.sets.emit({ words: card.words, fix: { does: card.doing, ...this.fixOf(card), place } });
    this.open.set(undefined);
  }

  protected asRead(card: ClauseCard): void {
    this.sets.emit({ words: card.words, fix: undefined });
    this.open.set(undefined);
  }
}
