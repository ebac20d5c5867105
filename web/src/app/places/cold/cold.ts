import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { COOLING_RULES, KEEPING_RULES, useBy } from '@tureen/core/cold';
import { useByWords } from '@tureen/core/messages';
import { showMinutes } from '@tureen/core/units';
import { map, timer } from 'rxjs';
import type { CoolingWay } from '../../cooking/cold-view';
import { Cooking } from '../../cooking/cooking';
import { Choice } from '../../parts/choice';
import { NumberField } from '../../parts/number-field';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { recall, remember } from '../../services/remembered';
import { day, mass, timeOfDay } from '../figures';
import { CoolingChart } from './cooling-chart';
import { PanWatch } from './pan-watch';

const MINUTE_MS = 60_000;
const LOOK_MS = 30_000;
/** A soup off the stove, and what is asked before anything was left over. */
const USUAL_START_C = 80;
const USUAL_KG = 10;
const MOST_KG = 2000;
const RULE_KEY = 'tureen-cooling-rule';

/** What came off the stove to be kept, and how it is best cooled: by this kitchen's pans and places, against the rule. */
@Component({
  selector: 'tt-cold',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, CoolingChart, FormsModule, NumberField, PanWatch, RouterLink],
  templateUrl: './cold.html',
  styleUrl: './cold.less',
})
export class Cold {
  private readonly batches = inject(Batches);
  private readonly clock = inject(Clock);
  private readonly cooking = inject(Cooking);
  private readonly answer = resource({ loader: () => this.batches.stored() });
  private readonly nowMs = toSignal(timer(0, LOOK_MS).pipe(map(() => this.clock.now())), { initialValue: this.clock.now() });
  protected readonly mostKg = MOST_KG;
  protected readonly rules = COOLING_RULES.map(({ id, name }) => ({ value: id, name }));
  protected readonly ruleId = signal(
    COOLING_RULES.some(({ id }) => id === recall(RULE_KEY)) ? (recall(RULE_KEY) ?? '') : 'two-stage',
  );
  protected readonly trouble = computed(() => {
    const answer = this.answer.value();
    return answer?.ok === false ? answer.refusal.sentence : undefined;
  });
  protected readonly isLoading = this.answer.isLoading;
  protected readonly stored = computed(() => {
    const answer = this.answer.value();
    if (answer?.ok !== true) return [];
    return answer.value.stored.map(({ atMs, kg, ...one }) => {
      const until = useBy(atMs, KEEPING_RULES.readyToEat, []);
      return {
        ...one,
        kg,
        mass: mass(kg, 'metric'),
        since: `${day(atMs)} ${timeOfDay(atMs)}`,
        ago: showMinutes(Math.max(0, this.nowMs() - atMs) / MINUTE_MS),
        isOver: until.atMs < this.nowMs() - 24 * 60 * MINUTE_MS,
        until: day(until.atMs),
        why: useByWords(until),
      };
    });
  });

  /** The leftover whose cooling is planned: the newest until another is chosen. */
  protected readonly chosenId = linkedSignal(() => this.stored()[0]?.entryId);
  protected readonly chosen = computed(() => this.stored().find(({ entryId }) => entryId === this.chosenId()));
  protected readonly kg = linkedSignal(() => this.chosen()?.kg ?? USUAL_KG);
  protected readonly startC = signal(USUAL_START_C);
  private readonly question = computed(() => {
    const [kg, startC, ruleId] = [this.kg(), this.startC(), this.ruleId()];
    return kg > 0 && Number.isFinite(startC) ? { kg, startC, ruleId } : undefined;
  });
  protected readonly ways = resource({
    params: () => this.question(),
    loader: ({ params }) => this.cooking.calculator.cooling(params),
  });
  /** Old ways stay on screen while new ones are worked out. */
  protected readonly shown = linkedSignal<ReturnType<typeof this.ways.value>, ReturnType<typeof this.ways.value>>({
    source: () => this.ways.value(),
    computation: (now, before) => now ?? before?.value,
  });
  protected readonly wayAt = linkedSignal({ source: () => this.ruleId(), computation: () => 0 });
  protected readonly way = computed(() => {
    const ways = this.shown()?.ways ?? [];
    return ways[Math.min(this.wayAt(), ways.length - 1)];
  });

  protected stageWords({ stages }: CoolingWay): string {
    return stages.map(({ words }) => words).join('; ');
  }

  protected setRule(ruleId: string): void {
    this.ruleId.set(ruleId);
    remember(RULE_KEY, ruleId);
  }
}
