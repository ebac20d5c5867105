import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { IS_PRACTICE, keptAs, PracticeClock, SERVER_PATH } from './practice-mode';

describe('the practice kitchen’s page', () => {
  it('is told by its path: elsewhere nothing is named or asked otherwise', () => {
    expect(IS_PRACTICE).toBeFalse();
    expect(SERVER_PATH).toBe('');
    expect(keptAs('tidy-tureen')).toBe('tidy-tureen');
  });

  it('has a clock that goes faster from where it stood, and as it is again', () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const clock = TestBed.inject(PracticeClock);
    expect(clock.at(5000)).toBe(5000);
    clock.go(60, 10_000);
    expect(clock.at(10_000)).toBe(10_000);
    expect(clock.at(11_000)).toBe(70_000);
    // Four hours in twenty-four seconds, and then it stands still.
    clock.go(600, 11_000);
    expect(clock.at(35_000)).toBe(70_000 + 4 * 3_600_000);
    clock.go(0, 35_000);
    expect(clock.at(99_000)).toBe(70_000 + 4 * 3_600_000);
    expect(clock.speed()).toBe(0);
    localStorage.removeItem('tureen-practice-clock');
  });

  it('goes back to the wall’s speed from where it stood', () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const clock = TestBed.inject(PracticeClock);
    clock.go(60, 10_000);
    expect(clock.at(11_000)).toBe(70_000);
    clock.go(1, 11_000);
    expect(clock.at(11_500)).toBe(70_500);
    expect(clock.speed()).toBe(1);
    localStorage.removeItem('tureen-practice-clock');
  });
});
