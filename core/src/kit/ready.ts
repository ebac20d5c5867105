import type { Kit } from './kit.js';

const LADLES = [
  { id: 'ladle-120', name: 'Small ladle', volumeM3: 120e-6 },
  { id: 'ladle-300', name: 'Ladle', volumeM3: 300e-6 },
  { id: 'ladle-500', name: 'Big ladle', volumeM3: 500e-6 },
  { id: 'jug-1000', name: 'Measuring jug', volumeM3: 1e-3 },
];

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
      { id: 'tub', name: 'Tub of a litre', lengthM: 0.17, widthM: 0.11, depthM: 0.07, count: 8 },
    ],
    coldPlaces: [
      { id: 'fridge', name: 'Fridge', airC: 4, topW: 10, belowC: 4, belowW: 10 },
      { id: 'ice-bath', name: 'Ice bath', airC: 20, topW: 10, belowC: 0.5, belowW: 200, canStir: true },
    ],
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
    pans: [
      { id: 'wide-shallow', name: 'Wide shallow pan', lengthM: 0.53, widthM: 0.325, depthM: 0.065, count: 4 },
      { id: 'half-shallow', name: 'Half shallow pan', lengthM: 0.325, widthM: 0.265, depthM: 0.065, count: 4 },
      { id: 'tub', name: 'Tub of a litre', lengthM: 0.17, widthM: 0.11, depthM: 0.07, count: 20 },
    ],
    coldPlaces: [
      { id: 'fridge', name: 'Fridge', airC: 4, topW: 10, belowC: 4, belowW: 10 },
      { id: 'walk-in', name: 'Walk-in cold room', airC: 3, topW: 10, belowC: 3, belowW: 10 },
      { id: 'ice-bath', name: 'Ice bath', airC: 20, topW: 10, belowC: 0.5, belowW: 200, canStir: true },
    ],
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
    pans: [
      { id: 'wide-shallow', name: 'Wide shallow pan', lengthM: 0.53, widthM: 0.325, depthM: 0.065, count: 8 },
      { id: 'half-shallow', name: 'Half shallow pan', lengthM: 0.325, widthM: 0.265, depthM: 0.065, count: 6 },
      { id: 'wide-deep', name: 'Wide deep pan', lengthM: 0.53, widthM: 0.325, depthM: 0.15, count: 2 },
      { id: 'tub', name: 'Tub of a litre', lengthM: 0.17, widthM: 0.11, depthM: 0.07, count: 30 },
    ],
    coldPlaces: [
      { id: 'walk-in', name: 'Walk-in cold room', airC: 3, topW: 10, belowC: 3, belowW: 10 },
      { id: 'blast', name: 'Blast chiller', airC: 0, topW: 25, belowC: 0, belowW: 25 },
      { id: 'ice-bath', name: 'Ice bath', airC: 20, topW: 10, belowC: 0.5, belowW: 200, canStir: true },
    ],
  },
};
