/**
 * Every kitchen default that a run depends on, in one place: what it is, how far it is to be trusted, and on which
 * scale it varies. None has a published source unless it says so; a kitchen overrides any of them with its own figure.
 * `bias` is how far kitchens differ from it, `noise` how far one batch differs from the next in one kitchen: 1 sd, on
 * the log of the value, or on the logit where it is a share.
 */
export interface Parameter {
  readonly value: number;
  readonly unit: string;
  readonly on: 'log' | 'logit';
  readonly bias: number;
  readonly noise: number;
  readonly about: string;
}

export const PARAMETERS = {
  roastMost: {
    value: 0.8,
    unit: 'share',
    on: 'logit',
    bias: 0.2,
    noise: 0.1,
    about: 'most of its water that a piece can lose in the oven',
  },
  roastTauMin: {
    value: 95,
    unit: 'min',
    on: 'log',
    bias: 0.15,
    noise: 0.1,
    about: 'time constant of that loss for 25 mm at 200 °C',
  },
  ovenPace: {
    value: 0.5,
    unit: '1',
    on: 'log',
    bias: 0.15,
    noise: 0.05,
    about: 'how fast heat gets into a piece of 25 mm in an oven of 200 °C, against boiling liquid',
  },
  fatTaken: {
    value: 0.02,
    unit: 'kg/kg',
    on: 'log',
    bias: 0.3,
    noise: 0.2,
    about: 'fat that 25 mm pieces take up while they roast or fry',
  },
  sweatMost: {
    value: 0.6,
    unit: 'share',
    on: 'logit',
    bias: 0.4,
    noise: 0.2,
    about: 'most of its water that a piece can lose in the pan',
  },
  sweatTauMin: {
    value: 22,
    unit: 'min',
    on: 'log',
    bias: 0.2,
    noise: 0.15,
    about: 'time constant of that loss for 6 mm, gentle, lid off',
  },
  packingRaw: {
    value: 0.6,
    unit: 'share',
    on: 'logit',
    bias: 0.08,
    noise: 0.06,
    about: 'how closely raw pieces lie in the pot: the share of it that is not gaps',
  },
  packingSoft: {
    value: 0.68,
    unit: 'share',
    on: 'logit',
    bias: 0.14,
    noise: 0.09,
    about: 'how closely soft pieces lie, which sink together a little',
  },
  boilOff: { value: 1, unit: '1', on: 'log', bias: 0.2, noise: 0.1, about: 'boil-off against the rate of the simmer’s vigour' },
  lidAjar: { value: 0.35, unit: 'share', on: 'logit', bias: 0.3, noise: 0.2, about: 'what a lid ajar leaves of the boil-off' },
  lidOn: { value: 0.1, unit: 'share', on: 'logit', bias: 0.3, noise: 0.2, about: 'what a lid on leaves of it' },
  softening: {
    value: 1,
    unit: '1',
    on: 'log',
    bias: 0.15,
    noise: 0.1,
    about: 'softening rate of a piece against 0.25 a minute at 100 °C',
  },
  wholeGives: {
    value: 0.01,
    unit: '1/min',
    on: 'log',
    bias: 0.3,
    noise: 0.3,
    about: 'heat that a whole chilli gives up in a simmer',
  },
  airStick: {
    value: 0.08,
    unit: 'share',
    on: 'logit',
    bias: 0.3,
    noise: 0.3,
    about: 'air that a stick blender whips in, by volume',
  },
  airJug: { value: 0.04, unit: 'share', on: 'logit', bias: 0.3, noise: 0.3, about: 'air that a jug blender whips in' },
  sieveHolds: {
    value: 1,
    unit: '1',
    on: 'log',
    bias: 0.25,
    noise: 0.15,
    about: 'what a sieve holds back, against the product’s seeds and skins',
  },
  filmMm: {
    value: 0.3,
    unit: 'mm',
    on: 'log',
    bias: 0.25,
    noise: 0.15,
    about: 'film that clings to a wall at a body of 250 mPa·s',
  },
  holdFlux: { value: 2.5, unit: 'kg/(m² h)', on: 'log', bias: 0.2, noise: 0.1, about: 'water that leaves an open pot kept hot' },
  bodyA: {
    value: 14,
    unit: 'mPa·s',
    on: 'log',
    bias: 0.3,
    noise: 0.2646,
    about: 'body that one per cent of thickening solids gives at 32 °C',
  },
  bodyAnswers: {
    value: 1,
    unit: '1',
    on: 'log',
    bias: 0.3,
    noise: 0.18,
    about: 'how a body answers to what is poured, against what its composition says',
  },
  measured: {
    value: 1,
    unit: '1',
    on: 'log',
    bias: 0,
    noise: 0.015,
    about: 'what a cook measures out, against the amount written',
  },
} as const satisfies Record<string, Parameter>;

export type ParameterName = keyof typeof PARAMETERS;
export type ModelParameters = Readonly<Record<ParameterName, number>>;

export const PARAMETER_NAMES = Object.keys(PARAMETERS) as [ParameterName, ...ParameterName[]];

export const DEFAULT_PARAMETERS: ModelParameters = Object.fromEntries(
  PARAMETER_NAMES.map((name) => [name, PARAMETERS[name].value]),
) as Record<ParameterName, number>;

/** A kitchen's own figures over the defaults. */
export function parametersOf(own: Partial<Record<ParameterName, number | undefined>> | undefined): ModelParameters {
  if (own === undefined) return DEFAULT_PARAMETERS;
  const set = Object.fromEntries(Object.entries(own).filter(([, value]) => value !== undefined)) as Partial<ModelParameters>;
  return { ...DEFAULT_PARAMETERS, ...set };
}
