import fc from 'fast-check';
import { ALLERGENS } from '../larder/index.js';
import { LABEL_SIZES, MM_A_POINT, layOut, onPages, type LabelText } from './index.js';

/** Letters of a middling width, a little wider in bold: what a font that is not here would measure. */
const measure = (text: string, sizePt: number, isBold: boolean): number =>
  text.length * sizePt * MM_A_POINT * (isBold ? 0.58 : 0.52);

const usual: LabelText = {
  name: 'Parsnip & butter',
  amount: '3 bowls, 900 g',
  made: 'made 5 Nov',
  useBy: 'use by 11 Nov',
  allergens: ['milk', 'celery'],
  bringBack: 'Heat it to 74 °C within 2 hours, once. Stir, taste, season; cream goes in at the end.',
  url: 'http://localhost:4180/cold/00000000-0000-4000-8000-000000000001',
};

const words = ({ texts }: ReturnType<typeof layOut>): string => texts.map(({ text }) => text).join(' ');

describe('a label', () => {
  it('has all of it on every size, within its edges, and nothing over the code', () => {
    for (const size of LABEL_SIZES) {
      const layout = layOut(usual, size, measure);
      expect(layout.dropped).withContext(size.id).toEqual([]);
      for (const part of ['Parsnip & butter', '3 bowls, 900 g', 'made 5 Nov', 'use by 11 Nov', 'MILK, CELERY', 'within 2 hours'])
        expect(words(layout)).withContext(size.id).toContain(part);
      for (const { xMm, baseMm, sizePt, isBold, text } of layout.texts) {
        const right = xMm + measure(text, sizePt, isBold);
        expect(right)
          .withContext(text)
          .toBeLessThanOrEqual(size.widthMm - 2);
        expect(baseMm)
          .withContext(text)
          .toBeLessThanOrEqual(size.heightMm - 2);
        const isBeside = baseMm + 0.2 * sizePt * MM_A_POINT > layout.code.yMm;
        if (isBeside) expect(right).withContext(`${size.id}: ${text}`).toBeLessThanOrEqual(layout.code.xMm);
      }
    }
  });

  it('never loses an allergen or the day, however much there is to say: something else goes first', () => {
    const any = fc.record({
      name: fc.string({ minLength: 1, maxLength: 80 }),
      bringBack: fc.string({ maxLength: 160 }),
      allergens: fc.subarray([...ALLERGENS]),
    });
    fc.assert(
      fc.property(any, fc.constantFrom(...LABEL_SIZES), (own, size) => {
        const layout = layOut({ ...usual, ...own }, size, measure);
        const flat = words(layout).replace(/\s+/g, '');
        expect(flat).toContain('useby11Nov');
        expect(flat).toContain(own.allergens.map((one) => one.toUpperCase()).join(','));
        expect(layout.texts.every(({ baseMm }) => baseMm <= size.heightMm - 2)).toBe(true);
      }),
      { numRuns: 150 },
    );
    const full = layOut(
      { ...usual, name: 'Seven vegetables of the quay and their garden herbs', allergens: [...ALLERGENS] },
      LABEL_SIZES[2],
      measure,
    );
    expect(full.dropped).toContain('bring back');
  });

  it('stands in its place on a sheet of 3 × 8, on as many pages as it takes, from any place on', () => {
    const [sheet, , roll] = LABEL_SIZES;
    const places = onPages(30, sheet, 20);
    expect(places[0]).toEqual({ page: 0, xMm: 140, yMm: 0.5 + 6 * 37 });
    expect(places[4]).toEqual({ page: 1, xMm: 0, yMm: 0.5 });
    expect(places.at(-1)!.page).toBe(2);
    expect(new Set(places.map(({ page, xMm, yMm }) => `${String(page)} ${String(xMm)} ${String(yMm)}`)).size).toBe(30);
    expect(onPages(3, roll).map(({ page }) => page)).toEqual([0, 1, 2]);
  });
});
