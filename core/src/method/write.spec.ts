import { namesOf } from '../amounts/index.js';
import { writtenLines } from '../draft/index.js';
import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { EXAMPLE_SOUPS, isBatchStep, walk, type Branch, type Soup, type SoupStep } from '../soup/index.js';
import { readRecipe, writeMethod } from './index.js';

const larder = makeLarder(LARDER_ROWS);
const context = { larder, names: namesOf(LARDER_ROWS), country: 'gb' as const };

function nameIn(soup: Soup): (line: string) => string {
  return (line) => {
    const ingredient = soup.lines.find(({ id }) => id === line)?.ingredient ?? '';
    return larder.get(ingredient)?.row.name.toLowerCase().split(',')[0] ?? line.replaceAll('-', ' ');
  };
}

function written(soup: Soup): string {
  const lines = [...writtenLines(soup, (ingredient) => larder.get(ingredient)?.row).values()];
  return [
    soup.name,
    `Serves ${String(soup.writtenFor.bowls)}`,
    '',
    'Ingredients',
    ...lines,
    '',
    'Method',
    ...writeMethod(soup, nameIn(soup)),
  ].join('\n');
}

const FOODS = 'foods: ';
function isFoods(text: string): boolean {
  return text.startsWith(FOODS);
}

/** What a soup's steps are, line by line of food and figure by figure; what is scraped and how bowls are topped left out. */
function inShort(soup: Soup): string[] {
  const ingredientOf = (line: string): string => soup.lines.find(({ id }) => id === line)?.ingredient ?? line;
  const goesIn = (step: SoupStep): string[] =>
    step.op === 'trim' || step.op === 'add'
      ? step.uses.map(({ line, share }) => `${ingredientOf(line)}${share === undefined ? '' : ` ${share.toFixed(2)}`}`)
      : [];
  const branch = ({ steps }: Branch): string[] => {
    const out: string[] = [];
    for (const step of steps) {
      if (step.op === 'film' || isBatchStep(step)) continue;
      if (step.op === 'join') {
        out.push(`${step.branch.vessel} [`, ...branch(step.branch), ']');
        continue;
      }
      if (step.op === 'trim' || step.op === 'add') {
        // In which order one sentence's foods go in is not said.
        const last = out.at(-1);
        const before = last !== undefined && isFoods(last) ? (out.pop() ?? '').slice(FOODS.length).split(' + ') : [];
        out.push(`${FOODS}${[...before, ...goesIn(step)].sort((a, b) => a.localeCompare(b)).join(' + ')}`);
        continue;
      }
      if (step.op === 'dish') {
        out.push('dish');
        continue;
      }
      const figures = Object.entries(step).flatMap(([key, value]) => {
        if (key === 'id' || key === 'say' || key === 'photo') return [];
        if (key === 'line' || key === 'topUp') return [`${key}: ${ingredientOf(String(value))}`];
        if (key === 'lines') return [`lines: ${(value as string[]).map(ingredientOf).join()}`];
        if (typeof value === 'number') return [`${key}: ${String(Math.round(value * 1000) / 1000)}`];
        if (key === 'holdBack' || key === 'parts') {
          const uses = value as { line: string; share?: number; parts?: number }[];
          return [`${key}: ${uses.map(({ line, share, parts }) => `${ingredientOf(line)} ${String(share ?? parts ?? 1)}`).join()}`];
        }
        return typeof value === 'string' || typeof value === 'boolean' ? [`${key}: ${String(value)}`] : [];
      });
      out.push([...figures].sort((a, b) => a.localeCompare(b)).join(', '));
    }
    return out;
  };
  return branch(soup.root);
}

/** What words can't hold: lines that are cards of their own, and bowls that are finished in more than one way. */
function isBeyondWords(soup: Soup): boolean {
  const dish = soup.root.steps.at(-1);
  const finishes = dish?.op === 'dish' && (dish.shares ?? []).some(({ finish }) => finish !== undefined);
  return finishes || soup.lines.some(({ ingredient }) => ingredient.startsWith('card:'));
}

describe('a card in words', () => {
  const within = EXAMPLE_SOUPS.filter((soup) => !isBeyondWords(soup));

  it('most of the examples can be told in words', () => {
    expect(within.length).toBeGreaterThanOrEqual(10);
  });

  for (const soup of within) {
    it(`${soup.name}: from the card to words and back, the same steps`, () => {
      const read = readRecipe(written(soup), { id: soup.id, bowlG: 300 }, context);
      if (!read.ok || read.soup === undefined) throw new Error('not read');
      expect(inShort(read.soup)).withContext(written(soup)).toEqual(inShort(soup));
    });
  }

  it('what is brought back to a temperature is read back as that', () => {
    const [soup] = within.filter(({ id }) => id === 'leek-potato');
    if (soup === undefined) throw new Error('A soup is needed.');
    const steps = soup.root.steps.flatMap((step): SoupStep[] =>
      step.op === 'film' ? [{ id: 'back', op: 'reheat', toC: 74, lid: 'on' }, step] : [step],
    );
    const again: Soup = { ...soup, root: { ...soup.root, steps } };
    const read = readRecipe(written(again), { id: soup.id, bowlG: 300 }, context);
    if (!read.ok || read.soup === undefined) throw new Error('not read');
    expect(inShort(read.soup)).toEqual(inShort(again));
    expect(inShort(again).some((words) => words.includes('op: reheat'))).toBeTrue();
  });

  it('every step of every example has its sentence, and none of them is a remark to the reader', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const steps = walk(soup.root).filter(({ step }) => step.op !== 'film');
      const sentences = writeMethod(soup, nameIn(soup));
      expect(sentences.length).withContext(soup.id).toBe(steps.length);
    }
  });
});
