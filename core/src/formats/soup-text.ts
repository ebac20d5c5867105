import { writtenLines } from '../draft/index.js';
import { minutesSaid, stepSentence } from '../messages/index.js';
import { walk, type Soup } from '../soup/index.js';

/** A soup as plain text, so written that it can be pasted in again. */
export function toText(
  soup: Soup,
  nameRow: (ingredient: string) => { readonly name: string } | undefined,
  nameOf: (lineId: string) => string,
): string {
  const { bowls, bowlG } = soup.writtenFor;
  const steps = walk(soup.root)
    .map(({ step }) => step)
    .filter(({ op }) => op !== 'film' && op !== 'read');
  const said = steps.map((step, n) => {
    return `${String(n + 1)}. ${stepSentence(step, nameOf)}${minutesSaid(step)}.${step.say === undefined ? '' : ` ${step.say}`}`;
  });
  return [
    soup.name,
    `Makes ${String(Math.round(bowls * 10) / 10)} bowls of ${String(bowlG)} g`,
    '',
    'Ingredients',
    ...writtenLines(soup, nameRow).values(),
    '',
    'Method',
    ...said,
    ...(soup.note === undefined ? [] : ['', soup.note]),
    '',
  ].join('\n');
}
