import { corpusOf, readCorpus, score } from '../../spec/method-corpus.js';
import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { namesOf, type Country } from '../amounts/index.js';
import { READY_KITS } from '../kit/index.js';
import { prepareSoup, run } from '../runner/index.js';
import { SoupSchema, checkSoup, walk, type Branch, type Soup, type SoupStep } from '../soup/index.js';
import { comesTo } from '../draft/index.js';
import { readRecipe, sentencesOf, type RecipeAsk, type RecipeReading } from './index.js';

const larder = makeLarder(LARDER_ROWS);
const names = namesOf(LARDER_ROWS);
const kit = READY_KITS.canteen;

/** Numbers between 0 and 1, the same ones every time. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff;
    return state / 0x7fffffff;
  };
}

type Read = Extract<RecipeReading, { ok: true }>;

function read(text: string, more: Partial<RecipeAsk> = {}, country: Country = 'gb'): Read {
  const reading = readRecipe(text, { id: 'read', bowlG: 300, blenders: ['jug', 'stick'], ...more }, { larder, names, country });
  if (!reading.ok) throw new Error(reading.code);
  return reading;
}

function soupOf(reading: Read): Soup {
  if (reading.soup === undefined) throw new Error('no soup');
  return reading.soup;
}

/** The steps of a branch in short: kind, lines or figures; branches in brackets. */
function short(branch: Branch): string {
  const one = (step: SoupStep): string => {
    switch (step.op) {
      case 'trim':
      case 'add':
        return step.uses.map(({ line, share }) => `${line}${share === undefined ? '' : `*${share.toFixed(2)}`}`).join('+');
      case 'join':
        return `[${step.branch.vessel}: ${short(step.branch)}]`;
      case 'roast':
        return `roast ${String(step.minutes)}@${String(step.ovenC)}`;
      case 'fry':
        return `${step.how} ${String(step.minutes)}`;
      case 'sweat':
      case 'simmer':
        return `${step.op} ${String(step.minutes)}`;
      default:
        return step.op;
    }
  };
  return branch.steps
    .filter(({ op }) => op !== 'film')
    .map(one)
    .join(', ');
}

/** From paste to a card one can cook, in the median of the corpus. */
const MOST_TOUCHES = 12;

const SOUPS = [...corpusOf('seen'), ...corpusOf('apart')];

describe('reading a written method', () => {
  for (const [half, least] of [
    ['seen', { facts: 0.97, lines: 0.97, invented: 0.02, unmarked: 0.02 }],
    ['apart', { facts: 0.87, lines: 0.9, invented: 0.04, unmarked: 0.1 }],
  ] as const) {
    it(`${half} half of the corpus: lines, facts, inventions`, () => {
      const sum = { right: 0, missed: 0, invented: 0, lines: 0, linesRight: 0, unmarked: 0 };
      const touches: number[] = [];
      const wrong: string[] = [];
      for (const recipe of corpusOf(half)) {
        const one = score(recipe);
        sum.right += one.right;
        sum.missed += one.missed;
        sum.invented += one.invented;
        sum.lines += one.lines;
        sum.linesRight += one.linesRight;
        sum.unmarked += one.unmarked;
        touches.push(one.touches);
        if (half === 'seen') wrong.push(...one.wrong.map((text) => `${recipe.file}: ${text}`));
      }
      const facts = sum.right / (sum.right + sum.missed);
      const invented = sum.invented / (sum.right + sum.invented);
      const lines = sum.linesRight / sum.lines;
      const unmarked = sum.unmarked / (sum.right + sum.missed);
      const median = touches.sort((a, b) => a - b)[Math.floor(touches.length / 2)] ?? Number.NaN;
      process.stdout.write(
        `\n${half}: ${(facts * 100).toFixed(1)} % of ${String(sum.right + sum.missed)} facts right, ${(invented * 100).toFixed(1)} % invented, ${(lines * 100).toFixed(1)} % of ${String(sum.lines)} lines, ${(unmarked * 100).toFixed(1)} % wrong without a mark, ${String(median)} touches to the right card in the median\n`,
      );
      expect(facts).withContext(wrong.join('\n')).toBeGreaterThanOrEqual(least.facts);
      expect(invented).withContext(wrong.join('\n')).toBeLessThanOrEqual(least.invented);
      expect(lines).withContext(wrong.join('\n')).toBeGreaterThanOrEqual(least.lines);
      expect(unmarked).toBeLessThanOrEqual(least.unmarked);
      expect(median).toBeLessThanOrEqual(MOST_TOUCHES);
    });
  }

  it('whatever was read can be cooked: its soup has a schema’s shape, no problems, and makes bowls', () => {
    for (const recipe of SOUPS) {
      const { reading, taken } = readCorpus(recipe);
      // A text in which no vegetable has an amount makes no soup: the page says so.
      if (taken.every(({ kg, row }) => kg === 0 || row.softening === 0)) continue;
      const { soup } = reading.tree;
      expect(SoupSchema.safeParse(soup).success).withContext(recipe.file).toBeTrue();
      const problems = checkSoup(soup, larder).filter(({ code }) => code !== 'UNKNOWN_INGREDIENT');
      expect(problems).withContext(recipe.file).toEqual([]);
      expect(comesTo(soup, LARDER_ROWS, kit) ?? 0)
        .withContext(recipe.file)
        .toBeGreaterThan(1);
    }
  });

  it('no line is lost and none is used twice over: what goes into the steps is what is written', () => {
    for (const recipe of SOUPS) {
      const { reading, taken } = readCorpus(recipe);
      const { soup } = reading.tree;
      const all = [...soup.lines, ...(soup.cards ?? []).flatMap((card) => card.lines)];
      for (const one of taken) {
        const own = all.filter(({ ingredient }) => ingredient === one.row.id);
        expect(own.length).withContext(`${recipe.file}: ${one.text}`).toBeGreaterThan(0);
      }
    }
  });

  it('every clause has its place in the text and says what became of it', () => {
    for (const recipe of SOUPS) {
      const { reading } = readCorpus(recipe);
      for (const [n, { start, end, text }] of reading.clauses.entries()) {
        const written = recipe.text.slice(start, end);
        const inFull = written
          .replace(/\bw\//gi, 'with')
          .replace(/\bthru\b/gi, 'through')
          .replace(/\bTbs\./g, 'tbsp')
          .replace(/\b1\/2 c\./g, '1/2 cup');
        expect(inFull).withContext(recipe.file).toBe(text);
        expect(reading.actions.some(({ clause }) => clause === n))
          .withContext(`${recipe.file}: ${text}`)
          .toBeTrue();
      }
      const ids = new Set(walk(reading.tree.soup.root).map(({ step }) => step.id));
      for (const id of ids) {
        if (/^(?:pot-film|dish)/.test(id) || (id === 'tip-in' && !reading.actions.some(({ does }) => does === 'join'))) continue;
        const isPlaced = reading.tree.placed.some((line) => id.includes(line)) || /^(?:season|cover|cream)/.test(id);
        expect(reading.tree.clausesOf[id] !== undefined || isPlaced)
          .withContext(`${recipe.file}: ${id}`)
          .toBeTrue();
      }
    }
  });

  it('of what is drained, the measure that is kept is the share of the liquid that it is', () => {
    const read = readRecipe(
      'Soup\n1 kg broad beans\n2 l water\n1 l vegetable stock\n\nBoil the beans in the water for 5 minutes. Drain, reserving 300 ml of the cooking water. Add the stock, simmer for 10 minutes and blend.',
      { id: 'drained', bowlG: 300 },
      { larder, names, country: 'gb' },
    );
    const root = read.ok ? read.soup?.root : undefined;
    const drained = root === undefined ? undefined : walk(root).find(({ step }) => step.op === 'drain')?.step;
    expect(drained?.op === 'drain' ? drained.liquidShare : 0).toBeCloseTo(0.15, 3);
  });

  it('two trays at heats too far apart are told to want two ovens; alike, one behind the other or near each other they share one', () => {
    const heats = (method: string): readonly number[] => {
      const text = `Soup\n500 g carrots\n500 g parsnips\n1 l vegetable stock\n\n${method}`;
      const read = readRecipe(text, { id: 'ovens', bowlG: 300 }, { larder, names, country: 'gb' });
      return read.ok ? (read.method?.tree.heatsAtOnce ?? []) : [];
    };
    const rest = 'Tip both trays into a pan with the stock, simmer for 10 minutes and blend.';
    const both = (a: number, b: number): string =>
      `Roast the carrots on a tray at ${String(a)} °C for 30 minutes. On a second tray roast the parsnips at ${String(b)} °C for 40 minutes. ${rest}`;
    expect(heats(both(180, 220))).toEqual([180, 220]);
    expect(heats(both(200, 200))).toEqual([]);
    expect(heats(both(200, 190))).toEqual([]);
    expect(heats(`Roast the carrots and parsnips on a tray at 220 °C for 30 minutes. ${rest}`)).toEqual([]);
  });
});

describe('whatever is pasted', () => {
  /** Sentences and lines of all recipes shuffled into one: what no cook wrote, and the reader has to live with. */
  it('it never throws, and its soup has no problems', () => {
    const random = seeded(20_311);
    const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)];
    const sentences = SOUPS.flatMap(({ text }) => sentencesOf(text).map((sentence) => sentence.text)).filter(
      (text) => text.length > 15,
    );
    const foods = SOUPS.flatMap(({ text }) => text.split('\n').filter((line) => /^[\d½¼a]/.test(line) && line.length < 60));
    for (let n = 0; n < 150; n += 1) {
      const lines = Array.from({ length: 3 + Math.floor(random() * 10) }, () => pick(foods));
      const method = Array.from({ length: 1 + Math.floor(random() * 14) }, () => pick(sentences));
      const text = ['Soup', ...lines, '', 'Method', ...method].join('\n');
      const { soup } = read(text);
      if (soup === undefined) continue;
      expect(SoupSchema.safeParse(soup).success).withContext(text).toBeTrue();
      for (const one of [soup, ...(soup.cards ?? [])]) {
        expect(checkSoup(one, larder).filter(({ code }) => code !== 'UNKNOWN_INGREDIENT'))
          .withContext(text)
          .toEqual([]);
      }
    }
  });
});

describe('from actions to a tree', () => {
  const FOODS =
    '1 kg butternut squash, peeled\n1 onion, chopped\n2 tbsp olive oil\n1 litre vegetable stock\n100 ml double cream\n\n';

  it('a tray and a pan side by side run in where the text tips them in', () => {
    const soup = soupOf(
      read(
        `Squash soup\n${FOODS}Roast the squash with half the oil at 200C for 40 minutes. Meanwhile, heat the rest of the oil in a large pan and sweat the onion for 10 minutes. Add the squash and stock, bring to the boil and simmer for 10 minutes. Blend and stir in the cream.`,
      ),
    );
    expect(short(soup.root)).toBe(
      'olive-oil*0.50, onion, sweat 10, [tray: butternut, olive-oil*0.50, roast 40@200], vegetable-stock, simmer 10, blend, cream, dish',
    );
    expect(soup.school).toBe('roast');
  });

  it('a tray filled in two goes is roasted in two goes', () => {
    const soup = soupOf(
      read(
        'Squash soup\n1 kg butternut squash\n2 pears\n1 l stock\n\nRoast the squash at 190C for 45 minutes, the pears joining them after 30. Tip into a pot with the stock, simmer 5 minutes and blend.',
      ),
    );
    expect(short(soup.root)).toBe('[tray: butternut, roast 30@190, pear, roast 15@190], vegetable-stock, simmer 5, blend, dish');
  });

  it('what only the method names becomes a line, and what no sentence names is placed and marked', () => {
    const reading = read(
      'Leek soup\n500 g leeks\n100 ml double cream\n\nCook the leeks in a litre of water for 20 minutes. Blend.',
    );
    const soup = soupOf(reading);
    expect(soup.lines.find(({ ingredient }) => ingredient === 'water')?.amount).toEqual({
      rule: 'scaled',
      amount: { value: 1, unit: 'l' },
    });
    expect(reading.method?.tree.placed).toEqual(['double-cream']);
    expect(short(soup.root)).toContain('cream');
  });

  it('a topping with work of its own is a card with its steps, and a share of a line goes with it', () => {
    const soup = soupOf(
      read(
        'Leek soup\n500 g leeks\n40 g butter\n1 l vegetable stock\n60 g breadcrumbs\n\nSweat the leeks in half the butter for 10 minutes, add the stock and simmer 15 minutes. Blend until smooth.\n\nFor the crumbs:\nMelt the rest of the butter in a frying pan and fry the breadcrumbs until golden. Scatter over the soup.',
      ),
    );
    const [card] = soup.cards ?? [];
    expect(card?.name).toBe('Crumbs');
    expect(short(card?.root ?? soup.root)).toBe('butter+breadcrumbs, sauté 8, dish');
    expect(card?.lines.find(({ ingredient }) => ingredient === 'butter')?.amount).toEqual({
      rule: 'scaled',
      amount: { value: 20, unit: 'g' },
    });
    expect(soup.lines.find(({ ingredient }) => ingredient === 'butter')?.amount).toEqual({
      rule: 'scaled',
      amount: { value: 20, unit: 'g' },
    });
  });

  it('skins taken off after the oven are a step with its own yield, and not trimmed at the board', () => {
    const reading = read(
      'Beetroot soup\n1 kg beetroot\n1 l vegetable stock\n\nRoast the beetroot at 190C for 1 hour. Leave until cool enough to handle, then slip off the skins. Put in a pan with the stock, simmer 5 minutes and blend.',
    );
    const soup = soupOf(reading);
    expect(short(soup.root)).toBe('[tray: beetroot, roast 60@190, rest, peel], vegetable-stock, simmer 5, blend, dish');
    expect(soup.lines[0]?.way).toBeUndefined();
    const prepared = prepareSoup(soup, larder, kit, kit.pots[0]?.id ?? '', 0.3);
    if (!prepared.ok) throw new Error('not prepared');
    const peeled = run(prepared.prepared, 1).records.find(({ step }) => step.op === 'peel');
    const lost = peeled?.outflows.reduce((sum, { parcel }) => sum + parcel.mix.reduce((a, b) => a + b, 0), 0) ?? 0;
    const before = peeled?.before.cohorts.reduce((sum, { parcel }) => sum + parcel.mix.reduce((a, b) => a + b, 0), 0) ?? 0;
    // The larder's yield of peeling a beetroot
    expect(lost / before).toBeCloseTo(0.23, 5);
  });

  it('a title is a title, cold butter does not make a cold soup, and one that is served so is', () => {
    const warm = read(
      'Roast pepper soup\n4 red peppers\n1 l stock\n20 g butter\n\nSimmer the peppers in the stock for 20 minutes. Blend with the cold butter and a splash of cold water.',
    );
    expect(warm.pasted.title).toBe('Roast pepper soup');
    expect(soupOf(warm).served).toBe('hot');
    expect(soupOf(warm).school).toBe('sweat');
    const cold = read(
      'Pea soup\n500 g peas\n1 l stock\n\nSimmer the peas in the stock for 5 minutes. Blend, chill for 2 hours and serve cold.',
    );
    expect(soupOf(cold).served).toBe('cold');
  });

  it('what is set right by hand stays, whatever is typed around it', () => {
    const text = 'Leek soup\n500 g leeks\n1 l stock\n\nWork the leeks in the stock for 20 minutes. Blend.';
    const fixes = { 'Work the leeks in the stock for 20 minutes': { does: 'simmer' as const, lines: ['leek', 'vegetable-stock'] } };
    expect(short(soupOf(read(text, { fixes })).root)).toBe('leek, vegetable-stock, simmer 20, blend, dish');
    expect(short(soupOf(read(`${text}\nServe hot with bread.`, { fixes })).root)).toBe(
      'leek, vegetable-stock, simmer 20, blend, dish',
    );
    const none = read(text.replace('Blend.', 'Blend. Simmer for 5 minutes.'), {
      fixes: { ...fixes, 'Simmer for 5 minutes': { does: 'remark' } },
    });
    expect(short(soupOf(none).root)).toBe('leek, vegetable-stock, simmer 20, blend, dish');
  });

  it('the words say how thick it is wanted, and where they do not nothing is wanted', () => {
    const text = 'Leek soup\n500 g leeks\n1 l stock\n\nSimmer the leeks in the stock for 20 minutes. Blend.';
    expect(soupOf(read(text)).rightMPas).toBeUndefined();
    // The middle of "coats", on the scale of the back of a spoon
    expect(soupOf(read(`${text} It should coat the back of a spoon.`)).rightMPas).toBe(220);
    expect(soupOf(read(`${text} Thin to the consistency of single cream.`)).rightMPas).toBe(60);
    expect(soupOf(read(text.replace('Leek soup', 'Leek bisque'))).rightMPas).toBe(300);
  });

  it('a text without a method is put together in the usual order', () => {
    const reading = read('Leek soup\n500 g leeks\n1 l stock');
    expect(reading.method).toBeUndefined();
    expect(short(soupOf(reading).root)).toContain('simmer');
  });

  it('sixty thousand characters of method do not hang it', () => {
    const one = 'Add the leeks and simmer for 5 minutes, stirring, until soft. ';
    const text = `Leek soup\n500 g leeks\n1 l stock\n\n${one.repeat(Math.floor(59_000 / one.length))}`;
    const reading = read(text);
    expect(reading.method?.clauses.length).toBeGreaterThan(1000);
  });
});
