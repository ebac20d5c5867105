import { Injectable, signal } from '@angular/core';
import type { Ask } from '@tureen/core/plan';
import type { Soup } from '@tureen/core/soup';
import type { Askable } from '@tureen/core/why';

export interface WhyQuestion {
  readonly soup: Soup;
  /** The plan's ask; undefined for the soup as written. */
  readonly ask: Ask | undefined;
  readonly figure: Askable;
}

/** Which figure was asked why: any figure asks, the shell answers in its drawer. */
@Injectable({ providedIn: 'root' })
export class WhyAsked {
  readonly question = signal<WhyQuestion | undefined>(undefined);
}
