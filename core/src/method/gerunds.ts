import { GERUNDS } from './lexicon.js';

/** A word of a sentence with its place in it; commas and brackets are words too. */
export interface Word {
  readonly text: string;
  readonly at: number;
}

/** "Get the carrots roasting", "get the onion going in the butter": what is done to it. */
export function verbGoing(after: readonly string[], first = ''): string | undefined {
  const doing = after.map((text) => GERUNDS[text]).find((verb) => verb !== undefined && verb !== 'serve');
  if (doing !== undefined || !after.includes('going')) return doing;
  const what = [first, ...after];
  if (what.some((text) => /^(?:blender|processor|liquidi[sz]er|machine|motor)s?$/.test(text))) return 'blend';
  if (what.includes('oven')) return 'preheat';
  return what.includes('kettle') ? undefined : 'cook';
}

/** "Cook, whisking constantly, for 2 minutes": how it is done, and nothing of its own. */
export function isHowOnly(words: readonly Word[], n: number): boolean {
  return (
    /^(?:whisking|scraping|simmering|skimming)$/.test(words[n]?.text ?? '') &&
    /^(?:constantly|continuously|often|frequently|occasionally|all|vigorously|steadily|well|regularly)$/.test(
      words[n + 1]?.text ?? '',
    )
  );
}

/** What a form in -ing asks for as a thing of its own to do; undefined where it is none. */
export function gerundAt(words: readonly Word[], n: number): string | undefined {
  const { text = '' } = words[n] ?? {};
  const behind = (least: number, most: number, said: RegExp): boolean =>
    words.slice(n + least, n + most).some((word) => said.test(word.text));
  if (GERUNDS[text] !== undefined) return GERUNDS[text];
  // "Taking the peppers out after 25", and not "taking care".
  if (/^(?:taking|lifting|pulling)$/.test(text)) return behind(1, 6, /^(?:out|off)$/) ? 'take' : undefined;
  // "Letting it down with more of the stock."
  if (text === 'letting') return behind(2, 3, /^down$/) ? 'let' : undefined;
  // "Holding back a quarter of it."
  return text === 'holding' && behind(1, 8, /^back$/) ? 'hold' : undefined;
}
