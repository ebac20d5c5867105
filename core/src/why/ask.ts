/** Figures that can be asked about. Sums are of what reaches the bowls, or of what the steps take and give off. */
export const ASKABLE = [
  'salt',
  'sodium',
  'fat',
  'fibre',
  'energy',
  'cost',
  'litres',
  'yield',
  'bowls',
  'body',
  'minutes',
  'stock',
  'cream',
  'steam',
  'boil',
  'trays',
  'rounds',
  'jugs',
  'contains',
] as const;
export type Askable = (typeof ASKABLE)[number];
