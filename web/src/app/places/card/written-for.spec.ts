import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS } from '@tureen/core/larder';
import { EXAMPLE_SOUPS, bodyByCard, type Soup } from '@tureen/core/soup';
import { NzSelectComponent } from 'ng-zorro-antd/select';
import { show } from '../../../../spec/stove-in-memory';
import { Calculator } from '../../cooking/calculator';
import { targetsOf } from './targets';
import { WrittenFor, bodyChoices } from './written-for';

const free = EXAMPLE_SOUPS.find((soup) => bodyByCard(soup) === undefined)!;
const settled = EXAMPLE_SOUPS.find((soup) => bodyByCard(soup) !== undefined)!;

async function shown(soup: Soup) {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  const page = await show(WrittenFor, { soup, bowls: 4 });
  const changes: Partial<Soup>[] = [];
  page.fixture.componentInstance.changed.subscribe((change) => changes.push(change));
  const select = page.fixture.debugElement.query(By.directive(NzSelectComponent)) as {
    componentInstance: NzSelectComponent;
  } | null;
  return { page, changes, select: select?.componentInstance };
}

describe('what a soup is written for', () => {
  it('the body that is right is chosen by a word of the spoon, and let go again', async () => {
    const { changes, select } = await shown({ ...free, rightMPas: 340 });
    expect(select?.listOfContainerItem.map(({ nzLabel }) => nzLabel)).toEqual(bodyChoices(340).map(({ name }) => name));
    expect(bodyChoices(340)[1]?.name).toBe('judged right, 340 mPa·s (coats)');
    expect(bodyChoices(220).map(({ mPas }) => mPas)).toEqual([0, 12, 60, 220, 700, 2200]);
    select!.onItemClick(700);
    expect(changes.at(-1)).toEqual({ rightMPas: 700 });
    select!.onItemClick(0);
    expect(changes.at(-1)).toEqual({ rightMPas: undefined });
  });

  it('is not asked for where a step settles the body', async () => {
    const { page, select } = await shown(settled);
    expect(select).toBeUndefined();
    expect(page.text()).not.toContain('body');
  });

  it('bowls that its amounts do not come to are written over by one touch', async () => {
    const { page, changes } = await shown({ ...free, writtenFor: { bowls: 10, bowlG: 300 } });
    expect(page.text()).toContain('its amounts come to 4 bowls');
    await page.press('write it for those');
    expect(changes).toEqual([{ writtenFor: { bowls: 4, bowlG: 300 } }]);
    await page.press(`served ${free.served}`);
    expect(changes.at(-1)).toEqual({ served: free.served === 'hot' ? 'cold' : 'hot' });
  });

  it('the gauge of the card wants the body that was judged right', () => {
    const calculator = new Calculator();
    calculator.stock(LARDER_ROWS, READY_KITS.canteen);
    const wanted = (soup: Soup) => targetsOf(soup, calculator.written(soup)!, 'metric').find(({ name }) => name === 'Body')!.wanted;
    expect(wanted({ ...free, rightMPas: undefined })).toBe('no target set; the band is what is usual');
    expect(wanted({ ...free, rightMPas: 700 })).toBe('wanted 700 mPa·s, clings');
  });
});
