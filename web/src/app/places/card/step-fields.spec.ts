import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { namer } from '@tureen/core/messages';
import { EXAMPLE_SOUPS, walk, type Soup } from '@tureen/core/soup';
import { Calculator } from '../../cooking/calculator';
import { NEW_LINE, type Unread } from './editing';
import { fieldsOf, type Fielding, type StepField } from './step-fields';

const calculator = new Calculator();
calculator.stock(LARDER_ROWS, READY_KITS.canteen);

function soupOf(id: string): Soup {
  return EXAMPLE_SOUPS.find((one) => one.id === id)!;
}

function fields(soup: Soup, more: Partial<Fielding> = {}): StepField[] {
  return fieldsOf({
    soup,
    edit: calculator.edited(soup),
    unread: new Map(),
    assumed: new Map(),
    rows: LARDER_ROWS,
    units: 'metric',
    nameOf: namer(soup, LARDER_ROWS),
    ...more,
  });
}

describe('the fields of a card', () => {
  const leek = soupOf('celeriac-leek-apple');

  it('there is one for every step and line of every soup, in cooking order, with its words and kilos', () => {
    for (const soup of EXAMPLE_SOUPS) {
      const all = fields(soup);
      expect(all.map(({ id }) => id)).toEqual(walk(soup.root).map(({ step }) => step.id));
      for (const step of all) {
        for (const line of step.lines) {
          expect(line.text.length).withContext(`${soup.id} ${line.id}`).toBeGreaterThan(2);
          expect(line.stepId).toBe(step.id);
          expect(line.share).toBeGreaterThan(0);
        }
      }
      const lines = new Set(all.flatMap((step) => step.lines.map(({ id }) => id)));
      expect([...lines].sort())
        .withContext(soup.id)
        .toEqual(soup.lines.map(({ id }) => id).sort());
    }
  });

  it('some of a line can be held back only before the blade; a step of the main pot that takes lines can get a tray', () => {
    const all = fields(leek);
    const blend = all.findIndex(({ step }) => step.op === 'blend');
    for (const [at, step] of all.entries()) {
      for (const line of step.lines)
        expect(line.canHold)
          .withContext(`${step.id} ${line.id}`)
          .toBe(step.takesLines && at < blend);
      expect(step.canPart).toBe(step.takesLines && !step.onTray);
    }
    const beetroot = fields(soupOf('beetroot-horseradish'));
    expect(beetroot.filter(({ onTray }) => onTray).length).toBeGreaterThan(1);
    expect(beetroot.find(({ onTray, takesLines }) => onTray && takesLines)?.canPart).toBeFalse();
  });

  it('what is not understood stands in its own field, with what is asked and what it could be', () => {
    const typed = calculator.typed(leek, 'celeriac', '2 kg celeriak');
    if (typed.ok) throw new Error('It was understood.');
    const unread: Unread = { text: '2 kg celeriak', reading: typed.reading };
    const all = fields(leek, { unread: new Map([['celeriac', unread]]) });
    const line = all.flatMap(({ lines }) => lines).find(({ id }) => id === 'celeriac')!;
    expect(line.text).toBe('2 kg celeriak');
    expect(line.asked?.nearest.map(({ id }) => id)).toContain('celeriac');
    expect(line.asked?.asks).toMatch(/celeriak/);
    const others = all.flatMap(({ lines }) => lines).filter(({ id }) => id !== 'celeriac');
    expect(others.every(({ asked }) => asked === undefined)).toBeTrue();
    const adds = all.find(({ addsLines }) => addsLines)!;
    const fresh = fields(leek, { unread: new Map([[NEW_LINE + adds.id, unread]]) });
    expect(fresh.find(({ id }) => id === adds.id)?.unread?.text).toBe('2 kg celeriak');
  });

  it('an amount that may mean two things is offered as choices with their kilos', () => {
    const typed = calculator.typed(leek, 'cream', '8 oz single cream');
    if (typed.ok) throw new Error('It was taken without asking.');
    const asked = fields(leek, { unread: new Map([['cream', { text: '8 oz single cream', reading: typed.reading }]]) })
      .flatMap(({ lines }) => lines)
      .find(({ id }) => id === 'cream')?.asked;
    // An ounce is 28.349523125 g by weight; eight imperial fluid ounces of cream weigh a little more.
    expect(asked?.choices.map(({ label }) => label)).toEqual(['8 oz, 227 g', '8 fl oz (imp), 230 g']);
    expect(asked?.choices[0]?.answer.kg).toBeCloseTo(8 * 0.028349523125, 9);
  });

  it('a problem stands at its place and nowhere else', () => {
    const broken: Soup = {
      ...leek,
      lines: leek.lines.map((line) => (line.id === 'leek' ? { ...line, ingredient: 'no-such-thing' } : line)),
    };
    const all = fields(broken);
    const wrong = all.flatMap(({ lines }) => lines).filter(({ problems }) => problems.length > 0);
    expect(new Set(wrong.map(({ id }) => id))).toEqual(new Set(['leek']));
    expect(wrong[0]?.problems[0]).toMatch(/no-such-thing/);
  });

  it('a step that did not change keeps the same settings, so that it is not drawn anew', () => {
    const nameOf = namer(leek, LARDER_ROWS);
    const [first, second] = [fields(leek, { nameOf }), fields(leek, { nameOf })];
    for (const [n, step] of first.entries()) expect(second[n]?.settings).toBe(step.settings);
    const garnished = fields(soupOf('base-two-ways'));
    const settings = garnished.find(({ isDish }) => isDish)!.settings;
    const cream = settings.find(({ label }) => label.includes('double cream stirred in, creamed'))!;
    if (cream.kind !== 'number') throw new Error(cream.kind);
    const changed = cream.set(35);
    expect(changed.op === 'dish' && changed.shares?.find(({ id }) => id === 'creamed')?.finish?.[0]?.gPerBowl).toBe(35);
  });
});
