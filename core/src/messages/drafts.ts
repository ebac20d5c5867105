import type { LineReading } from '../amounts/index.js';
import type { Assumed, SoupDifference } from '../draft/index.js';
import { MOST_LINES, type Pasting } from '../method/index.js';
import { problemSentence } from './problems.js';

const ASKS: Readonly<Record<Extract<LineReading, { code: 'ASK' }>['what'], string>> = {
  NUMBER: 'Is the mark in the number a decimal or a thousand?',
  OUNCE: 'Ounces by weight or by volume?',
  SPOON: 'Whose spoon?',
  CUP: 'Whose cup?',
  PINT: 'Whose pint?',
  SIZE: 'Which size?',
  WHICH: 'Which of these is meant?',
  COOKED: 'Is that its weight once cooked, or raw?',
  TOGETHER: 'Of both together, or of each of them?',
};

/** What has to be asked of a line, or undefined where nothing has. */
export function readingSentence(reading: LineReading): string | undefined {
  switch (reading.code) {
    case 'READ':
    case 'BY_STEP':
      return undefined;
    case 'ASK':
      return ASKS[reading.what];
    case 'UNKNOWN_FOOD':
      return reading.nearest.length > 0
        ? `“${reading.name.slice(0, 60)}” is not in the larder. Is one of these meant?`
        : `“${reading.name.slice(0, 60)}” is not in the larder. Write it another way, or add it there.`;
    case 'NO_AMOUNT':
      return 'How much of it? Write an amount before it.';
    case 'RATIO':
      return 'As much as of what? Write that line with an amount first.';
    case 'CANNOT_MEASURE':
      return problemSentence({ path: '', ...reading.error });
  }
}

const ASSUMED: Readonly<Record<Assumed, string>> = {
  FIRST_CUT: 'cup filled with the usual cut',
  MEDIUM_SIZE: 'of medium size',
  MIDDLE_OF_RANGE: 'the middle of the range',
  USUAL_CAN: 'the usual can here',
  CAN_CONTENTS: 'by what the can says',
  TO_TASTE: 'no amount written: a usual one',
};

/** What was taken for granted of a line, in a few words; empty where nothing was. */
export function assumedWords(assumed: readonly Assumed[]): string {
  return assumed.map((one) => ASSUMED[one]).join(', ');
}

/** Why a pasted text can't be read. */
export function pastingSentence(pasting: Extract<Pasting, { ok: false }>): string {
  switch (pasting.code) {
    case 'TOO_LONG':
      return `That is ${String(pasting.lines)} lines; one soup is at most ${String(MOST_LINES)}. Nothing was read; paste one soup at a time.`;
    case 'NOTHING_IN_IT':
      return 'There is no line of food in it. Write one thing a line, its amount first.';
    case 'NOT_TEXT':
      return 'That is not a text but a file of another kind. Nothing was read; choose a text, a web page, JSON or CSV.';
  }
}

const SETTINGS: Readonly<Record<string, string>> = {
  ovenC: 'oven °C',
  minutes: 'minutes',
  saltPct: 'salt %',
  overM: 'metres over the pieces',
  uses: 'what goes in',
  say: 'note',
  toMPas: 'body',
  vigour: 'how hard',
  shares: 'bowls',
};

/** One difference between two versions, in words: what, from what, to what. */
export function differenceWords({ what, id, setting, was, is }: SoupDifference): {
  readonly what: string;
  readonly was: string;
  readonly is: string;
} {
  const name = setting === undefined ? '' : `, ${SETTINGS[setting] ?? setting}`;
  const titles: Readonly<Record<SoupDifference['what'], string>> = {
    name: 'Name',
    note: 'Note',
    bowls: 'Written for',
    served: 'Served',
    body: 'Body that is right, mPa·s',
    line: `Line ${id}${name}`,
    step: `Step ${id}${name}`,
    order: 'Order of steps',
    school: `School${name}`,
    variant: `Variant ${id}`,
  };
  return { what: titles[what], was: was ?? 'not there', is: is ?? 'gone' };
}
