import type { CreamTarget } from '../steps/index.js';
import type { PlainStep } from '../soup/index.js';
import type { LineUse } from './action.js';
import type { VesselKind } from './lexicon.js';

/** What a step of the draft is, before its lines' shares are settled. */
export type DraftStep = { readonly clause: number } & (
  | { readonly kind: 'in'; readonly uses: LineUse[] }
  | { readonly kind: 'cream'; readonly use: LineUse; readonly target?: CreamTarget | undefined }
  | { readonly kind: 'deglaze'; readonly use: LineUse; readonly minutes: number }
  | { readonly kind: 'join'; readonly vessel: Vessel }
  | { readonly kind: 'step'; readonly id: string; readonly make: (id: string) => PlainStep }
);

/** A tray, pan or pot of the method, with what has gone into it so far. */
export interface Vessel {
  readonly name: string;
  kind: VesselKind;
  steps: DraftStep[];
  readonly lines: Set<string>;
  /** Lifted out and kept beside it, with the share. */
  readonly aside: Map<string, number>;
  isHot: boolean;
  isWet: boolean;
  isBlended: boolean;
  /** Boiled apart and drained: what is heated next is heated elsewhere. */
  isDrained: boolean;
  /** Brought to the boil by this clause; a simmer that follows takes it over. */
  boiling: number | undefined;
  /** The lid was put on for what comes next. */
  lid: 'on' | 'ajar' | 'off' | undefined;
  /** What went in last, for what a short cooking is of. */
  lastIn: string[];
  joinedTo: Vessel | undefined;
  /** Strained before any blade: what is left is a stock. */
  isStock: boolean;
  readonly section: string;
  isForTop: boolean;
  /** Set aside with all that is in it: the cook goes on in another. */
  isAside: boolean;
}

export function newVessel(name: string, kind: VesselKind, section: string): Vessel {
  return {
    name,
    kind,
    steps: [],
    lines: new Set(),
    aside: new Map(),
    isHot: false,
    isWet: false,
    isBlended: false,
    isDrained: false,
    boiling: undefined,
    lid: undefined,
    lastIn: [],
    joinedTo: undefined,
    isStock: false,
    section,
    isForTop: false,
    isAside: false,
  };
}

/** Where a vessel's contents are now. */
export function whereNow(vessel: Vessel): Vessel {
  let at = vessel;
  while (at.joinedTo !== undefined) at = at.joinedTo;
  return at;
}

export function isHob({ kind }: Vessel): boolean {
  return kind === 'pan' || kind === 'pot' || kind === 'jug';
}
