import { USUAL_PANS, USUAL_PLACES } from './cold-kit.js';
import type { ColdPlace, Kit, Pan } from './kit.js';

const LADLES = [
  { id: 'ladle-120', name: 'Small ladle', volumeM3: 120e-6 },
  { id: 'ladle-300', name: 'Ladle', volumeM3: 300e-6 },
  { id: 'ladle-500', name: 'Big ladle', volumeM3: 500e-6 },
  { id: 'jug-1000', name: 'Measuring jug', volumeM3: 1e-3 },
];

/** Usual pans, so many of each. */
function usualPans(counts: Readonly<Record<string, number>>): Pan[] {
  return USUAL_PANS.flatMap((pan) => (counts[pan.id] === undefined ? [] : [{ ...pan, count: counts[pan.id] ?? 1 }]));
}

function usualPlaces(...ids: readonly string[]): ColdPlace[] {
  return USUAL_PLACES.filter(({ id }) => ids.includes(id));
}

/** Three kitchens to start from; every figure in them can be changed. Kitchen defaults: usual sizes, no source. */
export const READY_KITS: Readonly<Record<'home' | 'cafe' | 'canteen', Kit>> = {
  home: {
    kitchen: 'Home stove',
    altitudeM: 0,
    units: 'metric',
    country: 'gb',
    currency: 'GBP',
    pots: [
      { id: 'saucepan-3', name: 'Saucepan', widthM: 0.2, depthM: 0.11, tareKg: 1.1, burnerW: 1800, efficiency: 0.6 },
      {
        id: 'stockpot-8',
        name: 'Stockpot',
        widthM: 0.24,
        depthM: 0.18,
        tareKg: 1.9,
        burnerW: 2300,
        efficiency: 0.6,
        pressureC: 118,
      },
    ],
    trays: [{ id: 'oven-tray', name: 'Oven tray', widthM: 0.42, depthM: 0.34, count: 2 }],
    blenders: [
      { id: 'jug-blender', name: 'Jug blender', kind: 'jug', volumeM3: 1.5e-3 },
      { id: 'stick', name: 'Stick blender', kind: 'stick', volumeM3: 8e-3 },
    ],
    ladles: LADLES.slice(0, 2).concat(LADLES.slice(3)),
    bowls: [{ id: 'soup-bowl', name: 'Soup bowl', volumeM3: 400e-6 }],
    pans: [
      { id: 'roasting-dish', name: 'Roasting dish', lengthM: 0.36, widthM: 0.26, depthM: 0.06, count: 2 },
      { id: 'bowl-wide', name: 'Wide bowl', lengthM: 0.26, widthM: 0.26, depthM: 0.1, count: 2 },
      ...usualPans({ tub: 8 }),
    ],
    coldPlaces: usualPlaces('fridge', 'ice-bath'),
    keeps: 'home',
  },
  cafe: {
    kitchen: 'Café',
    altitudeM: 0,
    units: 'metric',
    country: 'gb',
    currency: 'GBP',
    pots: [
      {
        id: 'stockpot-12',
        name: 'Stockpot',
        widthM: 0.28,
        depthM: 0.2,
        tareKg: 2.8,
        burnerW: 3500,
        efficiency: 0.55,
        pressureC: 118,
      },
      { id: 'wide-20', name: 'Wide pot', widthM: 0.36, depthM: 0.2, tareKg: 4.2, burnerW: 5000, efficiency: 0.5 },
    ],
    trays: [{ id: 'gn-tray', name: 'Gastronorm tray', widthM: 0.53, depthM: 0.325, count: 5 }],
    blenders: [
      { id: 'jug-blender', name: 'Jug blender', kind: 'jug', volumeM3: 2e-3 },
      { id: 'stick', name: 'Stick blender', kind: 'stick', volumeM3: 20e-3 },
    ],
    ladles: LADLES,
    bowls: [{ id: 'soup-bowl', name: 'Soup bowl', volumeM3: 400e-6 }],
    pans: usualPans({ 'wide-shallow': 4, 'half-shallow': 4, tub: 20 }),
    coldPlaces: usualPlaces('fridge', 'walk-in', 'ice-bath'),
  },
  canteen: {
    kitchen: 'Canteen',
    hands: 2,
    altitudeM: 0,
    units: 'metric',
    country: 'gb',
    currency: 'GBP',
    pots: [
      { id: 'saucepot-8', name: 'Saucepot', widthM: 0.24, depthM: 0.18, tareKg: 1.9, burnerW: 3500, efficiency: 0.5 },
      {
        id: 'stockpot-20',
        name: 'Stockpot',
        widthM: 0.32,
        depthM: 0.26,
        tareKg: 4.5,
        burnerW: 6000,
        efficiency: 0.5,
        pressureC: 118,
      },
      { id: 'boiler-40', name: 'Broad boiler', widthM: 0.4, depthM: 0.32, tareKg: 8.6, burnerW: 9000, efficiency: 0.5 },
      { id: 'boiler-98', name: 'Deep boiler', widthM: 0.5, depthM: 0.5, tareKg: 14.5, burnerW: 14_000, efficiency: 0.5 },
    ],
    trays: [{ id: 'gn-tray', name: 'Gastronorm tray', widthM: 0.53, depthM: 0.325, count: 6 }],
    blenders: [
      { id: 'jug-blender', name: 'Jug blender', kind: 'jug', volumeM3: 4e-3 },
      { id: 'stick', name: 'Stick blender', kind: 'stick', volumeM3: 100e-3 },
    ],
    ladles: LADLES,
    bowls: [
      { id: 'canteen-bowl', name: 'Canteen bowl', volumeM3: 400e-6 },
      { id: 'flask', name: 'Flask', volumeM3: 500e-6 },
    ],
    pans: usualPans({ 'wide-shallow': 8, 'half-shallow': 6, 'wide-deep': 2, tub: 30 }),
    coldPlaces: usualPlaces('walk-in', 'blast', 'ice-bath'),
  },
};
