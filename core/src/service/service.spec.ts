import { paceOf, perMinute, runsOut, usualPace } from './pace.js';
import { bowlsToMake, demandOn, pastErrors, type Served } from './tomorrow.js';

const MINUTE_MS = 60_000;

describe('how fast bowls go', () => {
  it('is what has gone out over the minutes since service began, leaning on the past while there is little', () => {
    const usual = usualPace(60);
    expect(perMinute(usual)).toBe(1);
    const out = Array.from({ length: 40 }, (_, n) => ({ atMs: n * 0.5 * MINUTE_MS, bowls: 1 }));
    const after = paceOf(usual, out, 0, 20 * MINUTE_MS);
    // 5 bowls in 5 minutes believed and 40 in 20 seen.
    expect(perMinute(after)).toBeCloseTo(45 / 25, 9);
    // Nobody came for half an hour: that counts too.
    expect(perMinute(paceOf(usual, out, 0, 50 * MINUTE_MS))).toBeLessThan(perMinute(after));
  });

  it('runs out as the closed form says: the mean of a scaled beta prime', () => {
    const pace = { shape: 30, rate: 20 };
    const { middleMin, bandMin } = runsOut(24, pace);
    // Mean n b / (a - 1); the median lies a little below it, the band round both.
    const mean = (24 * pace.rate) / (pace.shape - 1);
    expect(middleMin).toBeGreaterThan(mean * 0.9);
    expect(middleMin).toBeLessThan(mean);
    expect(bandMin[0]).toBeLessThan(middleMin);
    expect(bandMin[1]).toBeGreaterThan(mean);
    expect(runsOut(0, pace).middleMin).toBe(0);
  });

  it('of a hundred services with a pace that nobody knew nine in ten end within the band', () => {
    let state = 7;
    const uniform = (): number => {
      state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
      return (state + 0.5) / 4_294_967_296;
    };
    let within = 0;
    const services = 200;
    for (let n = 0; n < services; n++) {
      const perMin = 0.5 + 1.5 * uniform();
      const out: { atMs: number; bowls: number }[] = [];
      let at = 0;
      const next = (): number => (at += -Math.log(uniform()) / perMin);
      while (next() < 20) out.push({ atMs: at * MINUTE_MS, bowls: 1 });
      const pace = paceOf(usualPace(80), out, 0, 20 * MINUTE_MS);
      let gone = 20;
      for (let k = 0; k < 25; k++) gone += -Math.log(uniform()) / perMin;
      const [low, high] = runsOut(25, pace).bandMin;
      if (gone - 20 >= low && gone - 20 <= high) within += 1;
    }
    expect(within / services).toBeGreaterThan(0.84);
    expect(within / services).toBeLessThan(0.97);
  });
});

describe('bowls of a day to come', () => {
  const weeks = (bowlsOn: (weekday: number) => number, count = 8): Served[] =>
    Array.from({ length: count * 7 }, (_, n) => {
      const date = new Date(Date.UTC(2026, 8, 7 + n)).toISOString().slice(0, 10);
      return { date, bowls: bowlsOn((n + 1) % 7) };
    });

  it('says of the past how far off it was, each day by those before it alone', () => {
    // Alike week after week: the week before is right to the bowl, the forecast still leans on the other days.
    const alike = pastErrors(weeks((day) => 40 + 10 * day))!;
    expect(alike.days).toBe(7 * 7);
    expect(alike.weekBefore).toBe(0);
    expect(alike.forecast).toBeGreaterThan(0);
    // By hand: 50 and 60 bowls, a week apart. The second is foretold as 50: off by a sixth, as the week before is.
    const two = pastErrors([
      { date: '2026-09-07', bowls: 50 },
      { date: '2026-09-14', bowls: 60 },
    ])!;
    expect(two.days).toBe(1);
    expect(two.forecast).toBeCloseTo(1 / 6, 12);
    expect(two.weekBefore).toBeCloseTo(1 / 6, 12);
    expect(pastErrors([{ date: '2026-09-07', bowls: 50 }])).toBeUndefined();
    expect(pastErrors([])).toBeUndefined();
  });

  it('where days stray at random it is nearer than the week before, and its band holds about four of five', () => {
    let state = 11;
    const uniform = (): number => {
      state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
      return (state + 0.5) / 4_294_967_296;
    };
    const stray = (): number => (uniform() + uniform() + uniform() + uniform() - 2) * 0.35;
    const past = weeks((day) => Math.round((60 + 8 * day) * (1 + stray())), 20);
    const { days, forecast, weekBefore, inBand } = pastErrors(past)!;
    expect(forecast).toBeLessThan(0.85 * weekBefore);
    expect(inBand / days).toBeGreaterThan(0.7);
    expect(inBand / days).toBeLessThan(0.92);
  });

  it('are those of its weekday where there are many, and those of all days where there are none', () => {
    // Mondays 40, all else 80; 2026-11-02 is a Monday.
    const past = weeks((weekday) => (weekday === 1 ? 40 : 80));
    const monday = demandOn('2026-11-02', past);
    const tuesday = demandOn('2026-11-03', past);
    expect(monday?.middle).toBeLessThan(60);
    expect(tuesday?.middle).toBeGreaterThan(74);
    expect(demandOn('2026-11-02', past.slice(1, 4))?.middle).toBeCloseTo(80, 6);
    expect(demandOn('2026-11-02', [])).toBeUndefined();
    // What is still to come says nothing of it.
    expect(demandOn('2026-09-07', past)).toBeUndefined();
  });

  it('lean to what is recent, and the band is wide where the past is short', () => {
    const rising = weeks(() => 0).map((one, n) => ({ ...one, bowls: 40 + n }));
    expect(demandOn('2026-11-02', rising)?.middle).toBeGreaterThan(67.5);
    const short = demandOn('2026-11-02', [{ date: '2026-10-30', bowls: 50 }]);
    expect(short?.high).toBeGreaterThan(60);
    expect(short?.low).toBeLessThan(40);
  });

  it('are more or fewer where the weather is told and days of that word were; a word of no day changes nothing', () => {
    // Wet days take half as many again.
    const past = weeks(() => 60, 12).map((one, n) => (n % 3 === 0 ? { ...one, bowls: 90, weather: 'Wet' } : one));
    const usual = demandOn('2026-11-27', past);
    const wet = demandOn('2026-11-27', past, ' wet ');
    const hot = demandOn('2026-11-27', past, 'hot');
    expect(wet?.middle).toBeGreaterThan(78);
    expect(wet?.middle).toBeLessThanOrEqual(90);
    expect(wet?.weather?.days).toBe(past.filter(({ date, weather }) => date < '2026-11-27' && weather !== undefined).length);
    expect(hot?.middle).toBeCloseTo(usual?.middle ?? 0, 9);
    expect(hot?.weather).toEqual({ days: 0, times: 1 });
    // One such day is hardly believed: ln 1.5 is leant on three days of none.
    const once = weeks(() => 60, 4).map((one, n) => (n === 0 ? { ...one, bowls: 90, weather: 'wet' } : one));
    expect(demandOn('2026-11-27', once, 'wet')?.weather?.times).toBeLessThan(1.12);
    // The past is foretold better with what the weather was.
    const without = pastErrors(past.map(({ date, bowls }) => ({ date, bowls })))!;
    expect(pastErrors(past)!.forecast).toBeLessThan(0.75 * without.forecast);
  });

  it('to make are the middle where too many and too few cost the same, and more where too few cost more', () => {
    const demand = { middle: 80, low: 70, high: 90, sd: 10, days: 20 };
    expect(bowlsToMake(demand, 1, 1)).toBeCloseTo(80, 6);
    // Normal quantiles of 0.75 and 0.975: 0.6745 and 1.9600.
    expect(bowlsToMake(demand, 1, 3)).toBeCloseTo(86.745, 1);
    expect(bowlsToMake(demand, 1, 39)).toBeCloseTo(99.6, 1);
    expect(bowlsToMake(demand, 3, 1)).toBeCloseTo(73.255, 1);
  });
});
