/** The panels of a plan, in the order in which they are wanted, each with its key. */
export const PANELS = [
  { panel: 'pull', name: 'Pull list', key: '1' },
  { panel: 'stations', name: 'Stations', key: '2' },
  { panel: 'odds', name: 'Odds', key: '3' },
  { panel: 'money', name: 'Cost and bowl', key: '4' },
  { panel: 'beside', name: 'Side by side', key: '5' },
] as const;
export type PanelName = (typeof PANELS)[number]['panel'];
