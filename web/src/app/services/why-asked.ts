import { Injectable, signal } from '@angular/core';
import type { StoredEntry } from '@tureen/core/batch';
import type { NameOf } from '@tureen/core/messages';
import type { PlanRequest, Snapshot } from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';
import type { Askable } from '@tureen/core/why';

/** A row of the pull list: one ingredient trimmed one way. */
export interface PulledRow {
  readonly ingredient: string;
  readonly way: string | undefined;
  readonly name: string;
}

export interface WhyQuestion {
  readonly soup: Soup;
  /** The plan's ask; undefined for the soup as written. */
  readonly request: PlanRequest | undefined;
  readonly figure: Askable | PulledRow;
  /** A batch as it stands when it is asked, where the figure is of one. */
  readonly batch?: (() => BatchAsked | undefined) | undefined;
}

/** What really happened, with the names that its lines go by. */
export interface BatchAsked {
  readonly snapshot: Snapshot;
  readonly entries: readonly StoredEntry[];
  readonly nameOf: NameOf;
}

/** Which figure was asked why: any figure asks, the shell answers in its drawer. */
@Injectable({ providedIn: 'root' })
export class WhyAsked {
  readonly question = signal<WhyQuestion | undefined>(undefined);
}
