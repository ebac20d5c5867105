import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { makePlan } from '@tureen/core/plan';
import { planOutcome, type PlanView } from '../../cooking/views';
import { alignedPoints, axisOf, bandPath, drawn, heaviest, inRows, placed, scaleBar, type Frame } from './layout';
import { pictureOf } from './picture';
import { RibbonPicture } from './ribbon';

function plan(id: string): PlanView {
  const soup = EXAMPLE_SOUPS.find((one) => one.id === id)!;
  const outcome = planOutcome(
    makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 80, bowlG: 300, potId: 'boiler-40' }),
    undefined,
  );
  if (!outcome.ok) throw new Error(outcome.error.code);
  return outcome.view;
}

function frameOf(view: PlanView): Frame {
  return { width: 1224, height: 200, mostKg: heaviest(view.ribbon), units: 'metric', left: 0, right: 1150, rows: 2 };
}

/** Numbers of a path, in order. */
function numbers(path: string): number[] {
  return [...path.matchAll(/-?\d+(?:\.\d+)?/g)].map(([text]) => Number(text));
}

describe('the ribbon', () => {
  const view = plan('beetroot-horseradish');
  const frame = frameOf(view);

  it('is as thick as it is heavy, at every stop', () => {
    const { pxPerKg, centre } = axisOf(placed(view.ribbon, frame), frame);
    for (const kg of [0.5, 12, 24]) {
      const [, top, , , , , , topEnd] = numbers(
        bandPath(
          [
            { x: 0, kg },
            { x: 100, kg },
          ],
          centre,
          pxPerKg,
        ),
      );
      expect(2 * (centre - (top ?? Number.NaN))).toBeCloseTo(kg * pxPerKg, 0);
      expect(topEnd).toBeCloseTo(top ?? Number.NaN, 1);
    }
    expect(frame.mostKg * pxPerKg).toBeLessThan(frame.height);
  });

  it('places every stop once, left to right, from edge to edge', () => {
    const all = placed(view.ribbon, frame);
    expect(all.length).toBe(view.ribbon.bands.reduce((sum, { stops }) => sum + stops.length, 0));
    expect(all[0]?.x0).toBe(0);
    expect(all.at(-1)?.x1).toBeCloseTo(1150, 6);
    for (const [n, one] of all.entries()) if (n > 0) expect(one.x0).toBeCloseTo(all[n - 1]?.x1 ?? Number.NaN, 9);
    expect(all.map(({ stop }) => stop.stepId).slice(0, 4)).toEqual(['trim', 'oil', 'roast', 'tip-in']);
    expect(all.every(({ lane }) => lane === 0)).toBeTrue();
  });

  it('labels never touch', () => {
    const picture = drawn(
      view.ribbon,
      frame,
      (id) => id,
      ({ stepId }) => stepId,
    );
    for (const labels of [picture.labels, picture.stations]) {
      for (const a of labels) {
        for (const b of labels) {
          if (a === b || a.y !== b.y) continue;
          const [left, right] = a.x < b.x ? [a, b] : [b, a];
          expect(left.x + left.text.length * 7)
            .withContext(`${left.text} / ${right.text}`)
            .toBeLessThan(right.x);
        }
      }
    }
    expect(picture.labels.some(({ text }) => text.startsWith('cream'))).toBeTrue();
    expect(
      inRows(
        [
          { x: 5, text: 'a long one', weight: 1 },
          { x: 6, text: 'another one', weight: 2 },
        ],
        [10],
        frame,
      ).map(({ text }) => text),
    ).toEqual(['another one']);
  });

  it('what was done lies over its plan at the same places', () => {
    expect(alignedPoints(view.ribbon, view.ribbon, frame).at(-1)?.x).toBeCloseTo(1150, 6);
    expect(alignedPoints({ bands: [] }, view.ribbon, frame)).toEqual([]);
  });

  it('has a scale bar of a round number of kilos', () => {
    expect(scaleBar(24, 'metric')).toEqual({ kg: 10, text: '10 kg' });
    expect(scaleBar(3, 'metric').kg).toBe(1);
    expect(scaleBar(24, 'us').text).toBe('20 lb');
    expect(scaleBar(24, 'us').kg).toBeCloseTo(9.072, 3);
    expect(scaleBar(0.4, 'metric').text).toBe('0.1 kg');
  });

  it('can be read as a table', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(RibbonPicture);
    fixture.componentRef.setInput(
      'picture',
      pictureOf({
        ribbon: view.ribbon,
        actual: view.ribbon,
        at: 'dish',
        nameOf: (id) => id,
        stationName: ({ stepId }) => stepId,
        units: 'metric',
      }),
    );
    await fixture.whenStable();
    const page = fixture.nativeElement as HTMLElement;
    const rows = [...page.querySelectorAll('tbody tr')].map((row) => row.textContent);
    expect(rows.length).toBe(18);
    expect(rows.find((text) => text.includes('cream'))).toMatch(/cream 1\.6 kg\s*2[34](\.\d)? kg\s*2[34](\.\d)? kg/);
    expect(page.querySelector('svg')?.getAttribute('aria-label')).toContain('24');
    expect(page.querySelectorAll('.here').length).toBe(1);
  });
});
