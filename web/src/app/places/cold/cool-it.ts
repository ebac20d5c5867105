import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, resource, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { bodyWord } from '@tureen/core/body';
import { HINDRANCES, OWN_RULE, rulesFor, type Hindrance } from '@tureen/core/cold';
import { makeIngredient } from '@tureen/core/larder';
import { letDown, saltForWaterKg, type Contents, type StockAction, type Store } from '@tureen/core/stock';
import { NzSelectModule } from 'ng-zorro-antd/select';
import type { CoolingWay } from '../../cooking/cold-view';
import { Cooking } from '../../cooking/cooking';
import { Choice } from '../../parts/choice';
import { Batches } from '../../services/batches';
import { Clock } from '../../services/clock';
import { newId } from '../../services/device';
import { Kitchen } from '../../services/kitchen';
import { recall, remember } from '../../services/remembered';
import { Soups } from '../../services/soups';
import { Stock } from '../../services/stock';
import { mass } from '../figures';
import { FromDevice } from '../stove/from-device';
import { CoolingChart } from './cooling-chart';
import { degrees } from '@tureen/core/units';
import { kitchenUnits } from '../../services/units';
import { QuantityField } from '../../parts/quantity-field';

/** A soup off the stove, and what is asked before anything was left over. */
const USUAL_START_C = 80;
const USUAL_KG = 10;
const MOST_KG = 2000;
/** Of a soup's own kilos that ice can be at most; more, and it is no soup. Kitchen default. */
const MOST_ICE = 0.7;
const RULE_KEY = 'tureen-cooling-rule';
/** Where it stands until the kitchen's own fridges are heard of. */
const FRIDGE: Store = { id: 'fridge', name: 'Fridge', kind: 'fridge' };

/** What is put away: something left over of a batch, or a soup of the shelf. */
interface Asked {
  readonly batchId: string | undefined;
  readonly entryId: string | undefined;
  readonly atMs: number | undefined;
  readonly soupId: string | undefined;
}

interface Held {
  readonly contents: Contents;
  readonly madeMs: number;
  readonly from?: { batchId: string; entryId: string };
}

type Outcome = { readonly ok: true; readonly value: Held } | { readonly ok: false; readonly why: string };

/** How a leftover is best cooled by this kitchen's pans and places, against the rule; and put into those pans. */
@Component({
  selector: 'tt-cool-it',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, CoolingChart, FormsModule, FromDevice, NzSelectModule, QuantityField, RouterLink],
  templateUrl: './cool-it.html',
  styleUrl: './cool-it.less',
})
export class CoolIt {
  private readonly batches = inject(Batches);
  private readonly stock = inject(Stock);
  private readonly clock = inject(Clock);
  private readonly cooking = inject(Cooking);
  private readonly soups = inject(Soups);
  private readonly router = inject(Router);
  private readonly answer = toSignal(this.stock.cold$);
  private readonly kitchen = toSignal(inject(Kitchen).kitchen$);
  private readonly stores = toSignal(inject(Kitchen).coldStores$, { initialValue: [] });
  private readonly shelf = toSignal(this.soups.shelf$);
  /** The entry that says what was left over, from the address. */
  readonly of = input<string>();
  protected readonly mostKg = MOST_KG;
  private readonly ours = computed(() => {
    const answer = this.kitchen();
    return answer?.ok === true ? answer.value.kit?.coolingRule : undefined;
  });
  protected readonly rules = computed(() => rulesFor(this.ours()).map(({ id, name }) => ({ value: id, name })));
  private readonly wantedRule = signal(recall(RULE_KEY) ?? '');
  protected readonly ruleId = computed(() =>
    this.rules().some(({ value }) => value === this.wantedRule()) ? this.wantedRule() : 'two-stage',
  );
  protected readonly leftover = computed(() => {
    const answer = this.answer();
    return answer?.ok === true ? answer.value.leftovers.find(({ entryId }) => entryId === this.of()) : undefined;
  });
  protected readonly soupId = signal<string | undefined>(undefined);
  protected readonly shelfSoups = computed(() => {
    const answer = this.shelf();
    return answer?.ok === true ? answer.value.soups.filter(({ retired }) => !retired) : [];
  });
  private readonly rest = computed(() => {
    const own = this.leftover();
    return own === undefined ? undefined : Math.max(0.1, Math.round((own.kg - own.filledKg) * 100) / 100);
  });
  /** What is left over until something else is typed: only when that changes is it put in anew. */
  protected readonly kg = linkedSignal({ source: () => this.rest(), computation: (rest) => rest ?? USUAL_KG });
  protected readonly startC = signal(USUAL_START_C);
  /** How its pans will stand. */
  protected readonly hindrances = HINDRANCES;
  protected readonly hindered = signal<readonly Hindrance[]>([]);
  /** Of its liquid that is still to come, what is stirred in as ice, kg. */
  protected readonly iceKg = linkedSignal({ source: () => this.of(), computation: () => 0 });
  protected readonly mostIceKg = computed(() => Math.max(0, Math.floor(this.kg() * MOST_ICE * 10) / 10));
  /** The thread reckons by this kitchen's pans and places once it has been told of them. */
  private readonly stocked = toSignal(this.cooking.stocked$);
  private readonly asked = computed(
    (): Asked | undefined => {
      const [leftover, soupId, stocked] = [this.leftover(), this.soupId(), this.stocked()];
      return stocked === undefined || (leftover === undefined && soupId === undefined)
        ? undefined
        : { batchId: leftover?.batchId, entryId: leftover?.entryId, atMs: leftover?.atMs, soupId };
    },
    { equal: (a, b) => a?.entryId === b?.entryId && a?.soupId === b?.soupId },
  );
  /** What goes in, as soon as it is known which soup it is: its own composition cools, not a middling one's. */
  private readonly known = resource({
    params: () => this.asked(),
    loader: ({ params }) => this.held(params),
  });
  private readonly contents = computed(() => {
    const known = this.known.hasValue() ? this.known.value() : undefined;
    return known?.ok === true ? known.value.contents : undefined;
  });
  protected readonly isOwn = computed(() => this.contents() !== undefined);
  private readonly question = computed(() => {
    const [kg, startC, ruleId, stocked, contents] = [this.kg(), this.startC(), this.ruleId(), this.stocked(), this.contents()];
    const mix = contents === undefined ? undefined : makeIngredient(contents.row).perKg;
    const iceKg = Math.min(this.iceKg(), this.mostIceKg());
    return stocked !== undefined && kg > 0 && Number.isFinite(startC)
      ? { kg, startC, ruleId, mix, iceKg, hindered: this.hindered() }
      : undefined;
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
  /** How hot it is when it is put away: with its ice melted in it. */
  private readonly putAwayC = computed(() => {
    const iced = this.shown()?.iced;
    return iced === undefined ? this.startC() : Math.round(iced.startC * 10) / 10;
  });
  /** Cold already by its rule when it is put away: there is nothing to watch. */
  protected readonly isCold = computed(() => this.putAwayC() <= (this.shown()?.coldC ?? -Infinity));
  protected readonly icedWords = computed(() => {
    const iced = this.shown()?.iced;
    const contents = this.contents();
    if (iced === undefined) return '';
    const iceKg = iced.kg - this.kg();
    const head = `Stir the ice in until it is gone: ${mass(iced.kg, kitchenUnits())} at ${degrees(this.putAwayC(), kitchenUnits())}.`;
    if (contents === undefined) return head;
    const salt = saltForWaterKg(contents, iceKg);
    const body = letDown(contents, this.kg(), iceKg).bodyMPas;
    return `${head} ${mass(salt, kitchenUnits())} of salt keep it as salty as it is. On the spoon it ${bodyWord(body)} then; now it ${bodyWord(contents.bodyMPas)}.`;
  });
  protected readonly isBusy = signal(false);
  protected readonly said = signal('');

  protected stageWords({ stages }: CoolingWay): string {
    return stages.map(({ words }) => words).join('; ');
  }

  protected stand(by: Hindrance): void {
    this.hindered.update((have) => (have.includes(by) ? have.filter((one) => one !== by) : [...have, by]));
  }

  protected setRule(ruleId: string): void {
    this.wantedRule.set(ruleId);
    remember(RULE_KEY, ruleId);
  }

  /** What goes in, with when it was made and from which batch; or why that can't be known. */
  private async held({ batchId, entryId, atMs, soupId }: Asked): Promise<Outcome> {
    if (batchId === undefined || entryId === undefined || atMs === undefined) {
      const answer = soupId === undefined ? undefined : await this.soups.one(soupId);
      if (answer?.ok !== true) return { ok: false, why: answer?.refusal.sentence ?? 'Say first which soup it is.' };
      const contents = await this.cooking.calculator.contentsAsWritten(answer.value.soup, answer.value.version);
      return contents === undefined
        ? { ok: false, why: 'Nothing can be reckoned of this soup as its card stands: look at its card first.' }
        : { ok: true, value: { contents, madeMs: this.clock.now() } };
    }
    const answer = await this.batches.fetched(batchId);
    if (!answer.ok) return { ok: false, why: answer.refusal.sentence };
    const { snapshot, entries, version } = answer.value;
    const contents = await this.cooking.calculator.contents(snapshot, entries, version);
    return contents === undefined
      ? { ok: false, why: 'By its record nothing was in the pot: look at the batch first.' }
      : { ok: true, value: { contents, madeMs: atMs, from: { batchId, entryId } } };
  }

  private store(): Store {
    const stores = this.stores();
    const { id, name, kind } = stores.find((one) => one.kind === 'fridge') ?? stores[0] ?? FRIDGE;
    return { id, name, kind };
  }

  /** Fills these pans and sets them to cool, each on record by itself. */
  protected async fill(way: CoolingWay): Promise<void> {
    if (this.isBusy()) return;
    this.isBusy.set(true);
    this.said.set('');
    try {
      const leftover = this.leftover();
      const outcome = await this.held({
        batchId: leftover?.batchId,
        entryId: leftover?.entryId,
        atMs: leftover?.atMs,
        soupId: this.soupId(),
      });
      if (!outcome.ok) {
        this.said.set(outcome.why);
        return;
      }
      const held = outcome.value;
      const startC = this.putAwayC();
      const iced = this.shown()?.iced;
      const iceKg = iced === undefined ? 0 : iced.kg - this.kg();
      const contents = iceKg > 0 ? letDown(held.contents, this.kg(), iceKg) : held.contents;
      const ofIce = (kg: number): { addedKg?: number } =>
        iced === undefined || iceKg <= 0 ? {} : { addedKg: (kg * iceKg) / iced.kg };
      const { depthM, placeId, isStirred, each } = way;
      const ours = this.ours();
      const own = this.ruleId() === OWN_RULE && ours !== undefined ? { own: ours } : {};
      const actions = way.pans.flatMap(({ name, kg }): StockAction[] => {
        const container = newId();
        const filled: StockAction = {
          ...{ kind: 'filled', container, kg, ...ofIce(kg), vessel: name, store: this.store() },
          ...held,
          contents,
        };
        return this.isCold()
          ? [filled]
          : [
              filled,
              {
                kind: 'set to cool',
                container,
                startC,
                depthM,
                place: placeId,
                isStirred,
                ...(this.hindered().length > 0 ? { hindered: [...this.hindered()] } : {}),
                rule: this.ruleId(),
                ...own,
                words: [each, ...this.hindered()].join(', '),
              },
            ];
      });
      await this.stock.enter(...actions);
      await this.router.navigateByUrl('/cold');
    } finally {
      this.isBusy.set(false);
    }
  }
}
