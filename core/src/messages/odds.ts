import { HABITS, HABIT_NAMES } from '../kit/index.js';
import type { NameOf } from './steps.js';

/** What an unsure thing is, in words: a kitchen's habit, what trimming leaves, how exactly something is weighed. */
export function unsureWords(key: string, nameOf: NameOf): string {
  const habit = HABIT_NAMES.find((name) => name === key);
  if (habit !== undefined) return HABITS[habit].about;
  const [kind, line = ''] = key.split(':');
  return kind === 'trim' ? `what trimming leaves of the ${nameOf(line)}` : `how exactly the ${nameOf(line)} is measured out`;
}
