import { MORE_PATTERNS } from '../../spec/phrases-more.js';
import { PATTERNS, type Pattern } from '../../spec/phrases.js';
import { readCorpus } from '../../spec/method-corpus.js';

const HEATS: Readonly<Record<string, string>> = { sweat: 'soft', fry: 'soft', bloom: 'bloom', toast: 'bloom' };
const DOINGS = /^(?:soft|bloom|simmer|blend|deglaze|roast|sieve|pressure)$/;
const ALONE = /^(?:takeOut|keep|garnish)$/;

/** What goes in, gathered up to what is done with it. */
class Told {
  readonly all: string[] = [];
  private added = new Set<string>();

  add(lines: readonly string[]): void {
    for (const line of lines) if (!/salt$|^(?:black|white)-pepper$/.test(line)) this.added.add(line);
  }

  does(word: string): void {
    this.all.push([...this.added].sort().concat(word).join(' '));
    this.added = new Set();
  }

  alone(word: string, lines: readonly string[]): void {
    this.end();
    const last = this.all.at(-1)?.split(' ') ?? [];
    const before = last[0] === word ? last.slice(1) : [];
    if (before.length > 0) this.all.pop();
    this.all.push([word, ...[...before, ...lines.filter((line) => !/salt$|^(?:black|white)-pepper$/.test(line))].sort()].join(' '));
  }

  end(): void {
    if (this.added.size > 0) this.all.push([...this.added].sort().join(' '));
    this.added = new Set();
  }
}

function wantedOf({ stages }: Pattern): readonly string[] {
  const told = new Told();
  for (const said of stages.flatMap(({ want }) => (want === '' ? [] : want.split('; ')))) {
    const words = said.split(' ');
    const [first = ''] = words;
    const at = words.findIndex((word) => DOINGS.test(word));
    if (ALONE.test(first)) told.alone(first, words.slice(1));
    else told.add(at < 0 ? words : words.slice(0, at));
    if (!ALONE.test(first) && at >= 0) told.does(words.slice(at).join(' '));
  }
  told.end();
  return told.all;
}

interface Reading {
  readonly told: readonly string[];
  readonly unread: readonly string[];
  /** What the blade has of the soup. */
  readonly blended: number | undefined;
}

function readOf(pattern: Pattern, method: string): Reading {
  const { reading } = readCorpus({
    country: 'gb',
    text: `Soup\nServes 4\n\nIngredients\n${pattern.lines}\n\nMethod\n${method}`,
  });
  const told = new Told();
  const unread: string[] = [];
  for (const { does, lines, minutes, assumed, clause } of reading.actions) {
    const named = lines.map(({ line }) => line.replace(/-\d$/, ''));
    const isSaid = minutes !== undefined && !assumed.includes('MINUTES') && does !== 'blend' && does !== 'deglaze';
    const time = isSaid ? ` ${String(Math.round(((minutes.low + minutes.high) / 2) * 100) / 100)}` : '';
    const heat = HEATS[does] ?? does;
    if (does === 'add' || does === 'cream' || does === 'cover') told.add(named);
    else if (does === 'deglaze') {
      told.add(named);
      told.does('deglaze');
    } else if (DOINGS.test(heat)) told.does(`${heat}${time}`);
    else if (/^(?:takeOut|keep|giveBack|garnish|thin)$/.test(does)) told.alone(does, named);
    const { text = '' } = reading.clauses[clause] ?? {};
    const isCaution = /\b(?:do not|don[’']t)\b/i.test(text);
    if (assumed.includes('NOT_ALL') || (does === 'remark' && !isCaution)) unread.push(text);
  }
  told.end();
  // What was heated apart has met the soup by the words, and not because something had to become of it.
  unread.push(...reading.tree.joinedByGuess);
  const blended = reading.actions.find(({ does }) => does === 'blend')?.share;
  return { told: told.all, unread, blended };
}

/** The same numbers at each run. */
function numbers(seed: number): () => number {
  let at = seed;
  return () => {
    at = (at * 1103515245 + 12345) % 2147483648;
    return at / 2147483648;
  };
}

const MIXED = 60;

describe('one thing said in many ways', () => {
  for (const pattern of [...PATTERNS, ...MORE_PATTERNS]) {
    const wanted = wantedOf(pattern);
    const part = pattern.stages.find(({ blended }) => blended !== undefined)?.blended;

    it(`${pattern.name}: each way to say each step`, () => {
      for (const [n, { alts }] of pattern.stages.entries()) {
        for (const alt of alts) {
          const method = pattern.stages.map((stage, at) => (at === n ? alt : (stage.alts[0] ?? ''))).join('\n');
          const { told, unread, blended } = readOf(pattern, method);
          expect(told).withContext(alt).toEqual(wanted);
          expect(unread).withContext(alt).toEqual([]);
          if (part !== undefined) expect(blended).withContext(alt).toBe(part);
        }
      }
    });

    it(`${pattern.name}: the ways mixed, in one paragraph or in many`, () => {
      const next = numbers(pattern.name.length);
      for (let k = 0; k < MIXED; k += 1) {
        const said = pattern.stages.map(({ alts }) => alts[Math.floor(next() * alts.length)] ?? '');
        const method = said.join(next() < 0.5 ? ' ' : '\n');
        const { told, unread, blended } = readOf(pattern, method);
        expect(told).withContext(method).toEqual(wanted);
        expect(unread).withContext(method).toEqual([]);
        if (part !== undefined) expect(blended).withContext(method).toBe(part);
      }
    });
  }
});
