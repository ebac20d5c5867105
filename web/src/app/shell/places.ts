/** The six places of the dock, each with its icon and the letter that follows G. */
export const PLACES = [
  { path: '/board', name: 'Board', icon: 'layout', key: 'b' },
  { path: '/shelf', name: 'Shelf', icon: 'coffee', key: 's' },
  { path: '/plan', name: 'Plan', icon: 'bar-chart', key: 'p' },
  { path: '/stove', name: 'Stove', icon: 'fire', key: 't' },
  { path: '/cold', name: 'Cold', icon: 'inbox', key: 'c' },
  { path: '/ledger', name: 'Ledger', icon: 'book', key: 'l' },
] as const;

/** What every key does, for the list behind "?". */
export const KEYS = [
  ['G then a letter', 'go to a place: B board, S shelf, P plan, T stove, C cold, L ledger'],
  ['/', 'find a soup on the shelf'],
  ['N', 'a new soup, on the shelf'],
  ['Ctrl Z, Ctrl Y', 'undo and redo while changing a soup'],
  ['1 to 5', 'looks of a plan'],
  ['K', 'keep a plan'],
  ['Enter', 'plan, start, done: the main button of the screen'],
  ['1 to 9', 'one ladle of the liquid chosen'],
  ['A', 'add by weight'],
  ['D', 'dip: centimetres below the rim'],
  ['W', 'weigh the pot'],
  ['E', 'enter what the scale says; on a card, change the soup'],
  ['Space', 'start the timer of the step'],
  ['U', 'undo the last entry'],
  ['T, B, H', 'taste, body, how hot'],
  ['F', 'a timer beside the steps'],
  ['X', 'not as planned'],
  ['M', 'the other step that runs meanwhile'],
  ['V', 'vessels: spoons, cups, part of a ladle'],
  ['N, R', 'a note; the record of what was entered'],
  ['L', 'lock for wiping'],
  ['J', 'a jug blended, filled to its line'],
  ['C', 'count bowls'],
  ['O', 'beside the bowls: held, spilt, left over'],
  ['Backspace', 'back to the step before'],
  ['?', 'this list'],
] as const;
