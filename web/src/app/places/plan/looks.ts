/** The looks of a plan, in the order in which they are wanted, each with its key. */
export const LOOKS = [
  { look: 'pull', name: 'Pull list', key: '1' },
  { look: 'stations', name: 'Stations', key: '2' },
  { look: 'odds', name: 'Odds', key: '3' },
  { look: 'money', name: 'Cost and bowl', key: '4' },
  { look: 'beside', name: 'Side by side', key: '5' },
] as const;
export type Look = (typeof LOOKS)[number]['look'];
