import type { ChoiceOption } from '../../parts/choice';

/** What stands beside the card. */
export type Panel = 'bowl' | 'methodChoices' | 'substitute' | 'versions' | 'file';
const ALWAYS: readonly ChoiceOption<Panel>[] = [
  { value: 'bowl', name: 'Bowl' },
  { value: 'methodChoices', name: 'Method choices' },
];
/** While the card is being changed. */
export const CHANGING: readonly ChoiceOption<Panel>[] = [...ALWAYS, { value: 'substitute', name: 'Substitutes' }];
/** While it is only read. */
export const READING: readonly ChoiceOption<Panel>[] = [
  ...ALWAYS,
  { value: 'versions', name: 'Versions' },
  { value: 'file', name: 'More' },
];
