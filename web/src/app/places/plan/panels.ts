/** The panels of a plan, in the order in which they are wanted, each with its key. */
export const PANELS = [
  { value: 'pull', name: 'Pull list', key: '1' },
  { value: 'stations', name: 'Stations', key: '2' },
  { value: 'odds', name: 'Odds', key: '3' },
  { value: 'money', name: 'Cost and bowl', key: '4' },
  { value: 'beside', name: 'Side by side', key: '5' },
] as const;
export type PanelName = (typeof PANELS)[number]['value'];
