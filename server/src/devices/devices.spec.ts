import { ENTRY_SHAPE } from '@tureen/core/batch';
import { instrument } from '@tureen/core/bench';
import { USUAL_PLACES, coolingCurve, stuffOf } from '@tureen/core/cold';
import { READY_KITS } from '@tureen/core/kit';
import { LARDER_ROWS, makeIngredient } from '@tureen/core/larder';
import { makePlan } from '@tureen/core/plan';
import { EXAMPLE_SOUPS } from '@tureen/core/soup';
import { STOCK_SHAPE, contentsOf, type StockAction, type StockEntry } from '@tureen/core/stock';
import { startTestServer, type TestServer } from '../../spec/test-server.js';
import type { DeviceState } from './protocol.js';
import { SimulatedDevices } from './simulated-devices.js';

const START = 1_790_000_000_000;
const PLAN = '00000000-0000-4000-8000-00000000d001';
const BATCH = '00000000-0000-4000-8000-00000000d002';

describe('devices', () => {
  let server: TestServer;
  let nowMs = START;

  beforeEach(async () => {
    nowMs = START;
    server = await startTestServer(() => nowMs);
  });

  afterEach(() => {
    server.close();
  });

  const list = async (): Promise<readonly DeviceState[]> =>
    ((await server.send('GET', '/devices')).body as { devices: DeviceState[] }).devices;
  const say = (...lines: readonly object[]) =>
    server.send('POST', '/devices/lines', lines.map((line) => JSON.stringify(line)).join('\n'));

  it('lines of a bridge are taken in order; a reading ages by when it came in, whatever clock the device has', async () => {
    const told: string[] = [];
    server.hub.listen((change) => told.push(change.kind));
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
    const bad = await server.send(
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
    server.devices.onCommand((device, command) => heard.push([device, command.do]));
    await say({ type: 'reading', device: 'probe-1', unit: 'degC', value: 71 });
    expect((await server.send('POST', '/devices/probe-1/commands', { do: 'tare' })).status).toBe(202);
    expect((await server.send('POST', '/devices/nobody/commands', { do: 'tare' })).status).toBe(404);
    expect((await server.send('POST', '/devices/probe-1/commands', { do: 'explode' })).status).toBe(400);
    expect(heard).toEqual([['probe-1', 'tare']]);
  });

  it('the simulated devices follow the pot with their own errors, fall silent, and their plug can be pulled', async () => {
    await server.send('PUT', '/kitchen', { ready: 'canteen' });
    const [soup] = EXAMPLE_SOUPS;
    await server.send('POST', '/soups', { soup, basedOn: 0, note: '' });
    const request = { bowls: 80, bowlG: 300, potId: 'boiler-40' };
    await server.send('POST', '/plans', { id: PLAN, soupId: soup!.id, version: 1, request });
    await server.send('POST', '/batches', { id: BATCH, planId: PLAN });
    const simulatedDevices = new SimulatedDevices(server.database, server.devices, () => 1, START);
    const shows = async (kind: string): Promise<DeviceState> => (await list()).find((one) => one.kind === kind)!;
    await simulatedDevices.look(START);
    const tareKg = 8.6;
    // Every normal deviate is one here: a bias of 0.2 % and noise of 0.08 %, by hand.
    expect((await shows('scale')).reading?.value).toBeCloseTo(tareKg * Math.exp(0.0028), 2);
    const pot = {
      id: crypto.randomUUID(),
      shape: ENTRY_SHAPE,
      stamp: { counter: 1, device: 'spec-tablet', seq: 1 },
      atMs: START,
      who: '',
    };
    await server.send('POST', `/batches/${BATCH}/entries`, {
      entries: [{ ...pot, action: { kind: 'added', stepId: 'cover', line: 'stock', kg: 10 } }],
    });
    await simulatedDevices.look(START + 1000);
    const full = await shows('scale');
    expect(full.reading?.value).toBeGreaterThan(tareKg + 9.9);
    expect(full.reading?.steady).toBeFalse();
    for (let n = 2; n < 5; n++) await simulatedDevices.look(START + n * 1000);
    expect((await shows('scale')).reading?.steady).toBeTrue();
    await server.send('POST', '/devices/simulated-scale/commands', { do: 'tare' });
    await simulatedDevices.look(START + 5000);
    expect((await shows('scale')).reading?.value).toBeLessThan(0.2);
    await server.send('POST', '/devices/simulated-scale/commands', { do: 'off' });
    await simulatedDevices.look(START + 6000);
    expect((await shows('scale')).connected).toBeFalse();
    expect((await shows('probe')).connected).toBeTrue();
    await server.send('POST', '/devices/simulated-scale/commands', { do: 'on' });
    await simulatedDevices.look(START + 7000);
    expect((await shows('scale')).connected).toBeTrue();
  });

  it('each pan that cools has a probe of its own, until it is cold; another pan’s is not heard of any more', async () => {
    await server.send('PUT', '/kitchen', { ready: 'canteen' });
    const soup = EXAMPLE_SOUPS.find(({ id }) => id === 'parsnip-butter')!;
    const planning = makePlan(soup, LARDER_ROWS, READY_KITS.canteen, { bowls: 40, bowlG: 300, potId: 'boiler-40' });
    if (!planning.ok) throw new Error(planning.error.code);
    const contents = contentsOf(planning.plan, 1)!;
    const store = { id: 'fridge', name: 'Fridge', kind: 'fridge' } as const;
    let n = 0;
    const enter = async (...actions: StockAction[]): Promise<void> => {
      const entries = actions.map((action): StockEntry => {
        n += 1;
        const stamp = { counter: n, device: 'tablet-a', seq: n };
        return { of: 'stock', id: crypto.randomUUID(), shape: STOCK_SHAPE, stamp, atMs: START, who: '', action };
      });
      expect((await server.send('POST', '/cold/entries', { entries })).status).toBe(200);
    };
    const pans = [crypto.randomUUID(), crypto.randomUUID()];
    const [one = '', two = ''] = pans;
    const way = { startC: 80, depthM: 0.05, place: 'blast', isStirred: false, rule: 'two-stage', words: '' };
    for (const container of pans)
      await enter(
        { kind: 'filled', container, kg: 4, vessel: 'Shallow pan', madeMs: START, store, contents },
        { kind: 'set to cool', container, ...way },
      );
    // Each deviate nothing: it reads what is believed.
    const simulated = new SimulatedDevices(server.database, server.devices, () => 0, START);
    const probes = async (): Promise<readonly DeviceState[]> => (await list()).filter(({ container }) => container !== undefined);
    await simulated.look(START);
    expect((await probes()).map(({ container }) => container).sort()).toEqual([...pans].sort());
    expect((await probes())[0]?.reading?.value).toBe(80);
    await simulated.look(START + 60 * 60_000);
    const hourC = (await probes())[0]?.reading?.value ?? 0;
    const stuff = stuffOf(makeIngredient(contents.row).perKg, 1);
    const place = USUAL_PLACES.find(({ id }) => id === 'blast')!;
    const { warmestC } = coolingCurve({ stuff, depthM: 0.05, startC: 80, place, isStirred: false }, 60);
    expect(hourC).toBeCloseTo(warmestC[60]!, 1);
    await enter({ kind: 'cooled', container: one, store });
    await simulated.look(START + 61 * 60_000);
    expect((await probes()).map(({ container }) => container)).toEqual([two]);
  });

  it('an instrument drifts by the hour from when it was made', () => {
    const one = instrument({ biasSd: 0, noiseSd: 0, driftPerHour: 0.01 }, () => 1, START);
    expect(one.read(10, START)).toBeCloseTo(10, 9);
    expect(one.read(10, START + 3_600_000)).toBeCloseTo(10 * Math.exp(0.01), 9);
  });
});
