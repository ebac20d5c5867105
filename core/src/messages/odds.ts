import { PARAMETERS, PARAMETER_NAMES } from '../kit/index.js';
import type { NameOf } from './steps.js';

/** What an unsure thing is, in words: a model parameter, what trimming leaves, how exactly something is weighed. */
export function unsureWords(key: string, nameOf: NameOf): string {
  const parameter = PARAMETER_NAMES.find((name) => name === key);
  if (parameter !== undefined) return PARAMETERS[parameter].about;
  const [kind, line = ''] = key.split(':');
  if (kind === 'salt') return `how salt the ${nameOf(line)} really is`;
  return kind === 'trim' ? `what trimming leaves of the ${nameOf(line)}` : `how exactly the ${nameOf(line)} is measured out`;
}
