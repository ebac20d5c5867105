import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Clock, MAY_BE_OFF_MS } from './clock';

describe('the kitchen’s clock', () => {
  let clock: Clock;

  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    clock = TestBed.inject(Clock);
    jasmine.clock().install().mockDate(new Date(1_790_000_000_000));
  });

  afterEach(() => {
    jasmine.clock().uninstall();
  });

  it('is the tablet’s own as long as that is nearly right', () => {
    clock.heard(MAY_BE_OFF_MS - 1);
    expect(clock.now()).toBe(1_790_000_000_000);
    expect(clock.offMs()).toBe(0);
  });

  it('of two tablets ten minutes apart both say the same', () => {
    clock.heard(600_000);
    expect(clock.now()).toBe(1_790_000_600_000);
    expect(clock.offMs()).toBe(600_000);
    clock.heard(-600_000);
    expect(clock.now()).toBe(1_789_999_400_000);
  });
});
