import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { KeptEntry } from '@tureen/core/batch';
import type { Kit } from '@tureen/core/kit';
import type { IngredientRow } from '@tureen/core/larder';
import type { Ask, Snapshot } from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';
import type { BatchView, PlanOutcome, PlanView } from './views';

interface CookingThread {
  writtenView(soup: Soup, rows: readonly IngredientRow[], kit: Kit): PlanView | undefined;
  planView(soup: Soup, rows: readonly IngredientRow[], kit: Kit, ask: Ask): PlanOutcome;
  batchView(snapshot: Snapshot, entries: readonly KeptEntry[]): BatchView;
}

/** Runs core in a thread of its own, so that the screen never waits for the pot. */
@Injectable({ providedIn: 'root' })
export class Cooking {
  private readonly thread: Remote<CookingThread> = wrap<CookingThread>(
    new Worker(new URL('./cooking.worker', import.meta.url), { type: 'module' }),
  );

  written(soup: Soup, rows: readonly IngredientRow[], kit: Kit): Promise<PlanView | undefined> {
    return this.thread.writtenView(soup, rows, kit);
  }

  plan(soup: Soup, rows: readonly IngredientRow[], kit: Kit, ask: Ask): Promise<PlanOutcome> {
    return this.thread.planView(soup, rows, kit, ask);
  }

  batch(snapshot: Snapshot, entries: readonly KeptEntry[]): Promise<BatchView> {
    return this.thread.batchView(snapshot, entries);
  }
}
