import { LARDER_ROWS, makeLarder } from '../larder/index.js';
import { namesOf } from '../amounts/index.js';
import { checkSoup } from '../soup/index.js';
import { PASTED } from '../../spec/pasted.js';
import { compose, takeLine } from '../draft/index.js';
import { readPaste } from './index.js';

const larder = makeLarder(LARDER_ROWS);
const names = namesOf(LARDER_ROWS);
/** What is written is worked out by hand to three figures or so. */
const WITHIN = 0.02;

describe('soups as they are pasted', () => {
  it(`${String(PASTED.length)} of many habits: nine lines in ten understood without help, none wrong without a mark`, () => {
    let understood = 0;
    let lines = 0;
    const wrong: string[] = [];
    const missed: string[] = [];
    for (const { country, text, food } of PASTED) {
      const pasting = readPaste(text, { larder, names, country });
      if (!pasting.ok) throw new Error(`${pasting.code}: ${text}`);
      const read = pasting.pasted.lines;
      if (read.length !== food.length) wrong.push(`${String(read.length)} lines for ${String(food.length)}: ${text}`);
      for (const [n, wanted] of food.entries()) {
        lines += 1;
        const reading = read[n]?.reading;
        if (reading === undefined) continue;
        const said = `${reading.text} -> ${JSON.stringify(reading)}`;
        if (reading.code === 'READ') {
          const right =
            wanted !== 'ask' && reading.ingredient === wanted[0] && Math.abs(reading.kg / (wanted[1] ?? Number.NaN) - 1) < WITHIN;
          if (right) understood += 1;
          else if (reading.assumed.length === 0) wrong.push(said);
          else missed.push(said);
        } else if (reading.code === 'BY_STEP' || reading.code === 'NO_AMOUNT') {
          if (wanted !== 'ask' && reading.ingredient === wanted[0] && wanted[1] === null) understood += 1;
          else missed.push(said);
        } else {
          missed.push(said);
        }
      }
    }
    const share = understood / lines;
    process.stdout.write(
      `\n${String(understood)} of ${String(lines)} pasted lines understood without help (${(share * 100).toFixed(1)} %)\n`,
    );
    if (process.env.TUREEN_SHOW_MISSED !== undefined) process.stdout.write(`${missed.join('\n')}\n`);
    expect(wrong).toEqual([]);
    expect(share).withContext(missed.join('\n')).toBeGreaterThanOrEqual(0.9);
  });

  it('what was understood can be put together and cooked, whatever the school', () => {
    for (const school of ['roast', 'sweat', 'raw'] as const) {
      for (const { country, text } of PASTED) {
        const pasting = readPaste(text, { larder, names, country });
        if (!pasting.ok) throw new Error(pasting.code);
        const { lines, title, method } = pasting.pasted;
        const taken = lines.flatMap(({ reading, heading }) => takeLine(reading, { larder, heading, bowls: 4 }) ?? []);
        const soup = compose({ id: 'pasted', name: title ?? 'Pasted', lines: taken, bowls: 4, bowlG: 300, school, method });
        expect(checkSoup(soup, larder)).withContext(`${school}: ${text}`).toEqual([]);
        expect(new Set(soup.lines.map(({ written }) => written)).size).toBeGreaterThanOrEqual(taken.length);
      }
    }
  });
});
