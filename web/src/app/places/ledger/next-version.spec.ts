import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Again } from '@tureen/core/batch';
import { LARDER_ROWS } from '@tureen/core/larder';
import { EXAMPLE_SOUPS, type Soup } from '@tureen/core/soup';
import { of } from 'rxjs';
import { show } from '../../../../spec/stove-in-memory';
import { Kitchen } from '../../services/kitchen';
import { Soups } from '../../services/soups';
import { NextVersion } from './next-version';

describe('what a kitchen does to a soup again and again', () => {
  const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'beetroot-horseradish')!;
  const line = soup.lines.find(({ amount }) => amount.rule === 'scaled')!;
  const more: Again = {
    item: { key: `amount ${line.id}`, what: 'amount', line: line.id, unit: 'kg', was: 1, is: 1.25 },
    times: 4,
    of: 5,
  };
  const nutmeg: Again = {
    item: {
      key: 'brought nutmeg',
      what: 'brought',
      line: 'nutmeg',
      ingredient: 'nutmeg',
      stepId: soup.root.steps[0]!.id,
      kg: 0.002,
    },
    times: 3,
    of: 5,
  };
  let saved: { soup: Soup; basedOn: number; note: string }[];

  async function shown(again: readonly Again[], batches = 5) {
    saved = [];
    const answer = { soup, version: 3, again, batchIds: Array.from({ length: batches }, (_, n) => String(n)) };
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        {
          provide: Soups,
          useValue: {
            again: () => Promise.resolve({ ok: true, value: answer }),
            one: () => Promise.resolve({ ok: true, value: { soup, version: 7 } }),
            save: (next: Soup, basedOn: number, note: string) => {
              saved.push({ soup: next, basedOn, note });
              return Promise.resolve({ ok: true, value: { version: basedOn + 1 } });
            },
          },
        },
        {
          provide: Kitchen,
          useValue: { rows$: of(LARDER_ROWS), kitchen$: of({ ok: true, value: { kit: { units: 'metric' } } }) },
        },
      ],
    });
    return show(NextVersion, { soupId: soup.id });
  }

  it('is offered with how often, and what is ticked becomes a version of the newest card', async () => {
    const list = await shown([more, nutmeg]);
    expect(list.text()).toMatch(/1\.25 kg instead of 1 kg in 4 of 5/);
    expect(list.text()).toMatch(/nutmeg: 2(?:\.0)? g, new in 3 of 5/);
    const save = (): HTMLButtonElement => list.find('button.main') as HTMLButtonElement;
    expect(save().disabled).toBeTrue();
    list.find('input[type=checkbox]')?.click();
    await list.fixture.whenStable();
    await list.press('Save as a new version');
    expect(list.text()).toContain('Saved as version 8');
    expect(saved.map(({ basedOn, note }) => [basedOn, note])).toEqual([[7, 'as done again and again in 5 batches']]);
    const amountOf = (card: Soup | undefined): number => {
      const amount = card?.lines.find(({ id }) => id === line.id)?.amount;
      return amount?.rule === 'scaled' ? amount.amount.value : Number.NaN;
    };
    expect(amountOf(saved[0]?.soup) / amountOf(soup)).toBeCloseTo(1.25, 2);
    expect(saved[0]?.soup.lines.some(({ id }) => id === 'nutmeg')).toBeFalse();
  });

  it('says that there is nothing, and when it is too early to say', async () => {
    expect((await shown([])).text()).toMatch(/In the last 5 batches nothing was done otherwise/);
    TestBed.resetTestingModule();
    expect((await shown([], 2)).text()).toMatch(/Of 2 closed batches nothing can be said yet/);
  });
});
