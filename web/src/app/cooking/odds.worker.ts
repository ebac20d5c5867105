import '../no-eval';
import { expose } from 'comlink';
import type { Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import { oddsOf, type HeldTo, type Odds } from '@tureen/core/odds';
import { planToBuy, type PlanRequest } from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';

export interface OddsQuestion {
  readonly soup: Soup;
  readonly rows: readonly IngredientRow[];
  readonly kit: Kit;
  readonly request: PlanRequest;
  readonly held: HeldTo;
  readonly samples: number;
  readonly seed: number;
}

/** A thread that answers one question and is ended when the question changes. */
const odds = {
  odds({ soup, rows, kit, request, held, samples, seed }: OddsQuestion, onShare: (share: number) => void): Odds | undefined {
    const planning = planToBuy(soup, rows, kit, request);
    if (!planning.ok) return undefined;
    const { prepared, snapshot } = planning.plan;
    return oddsOf(prepared, snapshot.scale, { seed, samples, held }, (share) => {
      onShare(share);
      return true;
    });
  },
};

export type OddsThread = typeof odds;

expose(odds);
