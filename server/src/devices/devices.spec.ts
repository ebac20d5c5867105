import { instrument } from '@tureen/core/bench';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { openHouse, type House } from '../../spec/house.js';
import type { DeviceState } from './protocol.js';
import { StandIns } from './stand-ins.js';

const START = 1_790_000_000_000;
const PLAN = '00000000-0000-4000-8000-00000000d001';
const BATCH = '00000000-0000-4000-8000-00000000d002';

describe('devices', () => {
  let house: House;
  let nowMs = START;

  beforeEach(async () => {
    nowMs = START;
    house = await openHouse(() => nowMs);
  });

  afterEach(() => {
    house.close();
  });

  const list = async (): Promise<readonly DeviceState[]> =>
    ((await house.send('GET', '/devices')).body as { devices: DeviceState[] }).devices;
  const say = (...lines: readonly object[]) =>
    house.send('POST', '/devices/lines', lines.map((line) => JSON.stringify(line)).join('\n'));

  it('lines of a bridge are taken in order; a reading ages by when it came in, whatever clock the device has', async () => {
    const told: string[] = [];
    house.hub.listen((change) => told.push(change.kind));
    const answer = await say(
      { type: 'hello', device: 'scale-1', kind: 'scale', name: 'Bench scale' },
      { type: 'reading', device: 'scale-1', unit: 'kg', value: 14.32, atMs: START - 600_000 },
    );
    expect(answer.body).toEqual({ taken: 2 });
    expect(told).toEqual(['device', 'device']);
    nowMs += 7000;
    const [scale] = await list();
    expect(scale).toEqual(jasmine.objectContaining({ name: 'Bench scale', connected: true }));
    expect(scale?.reading).toEqual(jasmine.objectContaining({ value: 14.32, unit: 'kg', ageMs: 7000 }));
    await say({ type: 'bye', device: 'scale-1' });
    expect((await list())[0]?.connected).toBeFalse();
  });

  it('one bad line is named by its number and none of them is taken', async () => {
    const bad = await house.send(
      'POST',
      '/devices/lines',
      '{"type":"hello","device":"a","kind":"scale","name":"A"}\n{"type":"reading"',
    );
    expect(bad.status).toBe(400);
    expect(JSON.stringify(bad.body)).toContain('line 2');
    const wild = await say({ type: 'reading', device: 'scale-1', unit: 'kg', value: 1e9 });
    expect(wild.status).toBe(400);
    expect(await list()).toEqual([]);
  });

  it('a command goes to whoever speaks for the device, and to nobody for one that is not known', async () => {
    const heard: unknown[] = [];
    house.devices.onCommand((device, command) => heard.push([device, command.do]));
    await say({ type: 'reading', device: 'probe-1', unit: 'degC', value: 71 });
    expect((await house.send('POST', '/devices/probe-1/commands', { do: 'tare' })).status).toBe(202);
    expect((await house.send('POST', '/devices/nobody/commands', { do: 'tare' })).status).toBe(404);
    expect((await house.send('POST', '/devices/probe-1/commands', { do: 'explode' })).status).toBe(400);
    expect(heard).toEqual([['probe-1', 'tare']]);
  });

  it('the stand-ins follow the pot with their own errors, fall silent, and their plug can be pulled', async () => {
    await house.send('PUT', '/kitchen', { ready: 'canteen' });
    const [soup] = EXAMPLE_SOUPS;
    await house.send('POST', '/soups', { soup, basedOn: 0, note: '' });
    const ask = { bowls: 80, bowlG: 300, potId: 'boiler-40' };
    await house.send('POST', '/plans', { id: PLAN, soupId: soup!.id, version: 1, ask });
    await house.send('POST', '/batches', { id: BATCH, planId: PLAN });
    const standIns = new StandIns(house.database, house.devices, () => 1, START);
    const shows = async (kind: string): Promise<DeviceState> => (await list()).find((one) => one.kind === kind)!;
    await standIns.look(START);
    const tareKg = 8.6;
    // Every normal deviate is one here: a bias of 0.2 % and noise of 0.08 %, by hand.
    expect((await shows('scale')).reading?.value).toBeCloseTo(tareKg * Math.exp(0.0028), 2);
    const pot = { id: crypto.randomUUID(), shape: 1, stamp: { counter: 1, device: 'spec-tablet', seq: 1 }, atMs: START, who: '' };
    await house.send('POST', `/batches/${BATCH}/entries`, {
      entries: [{ ...pot, deed: { kind: 'added', stepId: 'cover', line: 'stock', kg: 10 } }],
    });
    await standIns.look(START + 1000);
    const full = await shows('scale');
    expect(full.reading?.value).toBeGreaterThan(tareKg + 9.9);
    expect(full.reading?.steady).toBeFalse();
    for (let n = 2; n < 5; n++) await standIns.look(START + n * 1000);
    expect((await shows('scale')).reading?.steady).toBeTrue();
    await house.send('POST', '/devices/stand-in-scale/commands', { do: 'tare' });
    await standIns.look(START + 5000);
    expect((await shows('scale')).reading?.value).toBeLessThan(0.2);
    await house.send('POST', '/devices/stand-in-scale/commands', { do: 'off' });
    await standIns.look(START + 6000);
    expect((await shows('scale')).connected).toBeFalse();
    expect((await shows('probe')).connected).toBeTrue();
    await house.send('POST', '/devices/stand-in-scale/commands', { do: 'on' });
    await standIns.look(START + 7000);
    expect((await shows('scale')).connected).toBeTrue();
  });

  it('an instrument drifts by the hour from when it was made', () => {
    const one = instrument({ biasSd: 0, noiseSd: 0, driftPerHour: 0.01 }, () => 1, START);
    expect(one.read(10, START)).toBeCloseTo(10, 9);
    expect(one.read(10, START + 3_600_000)).toBeCloseTo(10 * Math.exp(0.01), 9);
  });
});
