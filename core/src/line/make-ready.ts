import { weigh } from '../amounts/index.js';
import { areaM2, boilingPointC, habitsOf, usableM3, type Kit, type Vessel } from '../kit/index.js';
import type { Ingredient, Larder } from '../larder/index.js';
import { SERVED_COLD_C, SERVED_HOT_C } from '../pot/index.js';
import { saltWanted, type SpiceSchool } from '../season/index.js';
import {
  CARD,
  cardsOf,
  checkCards,
  checkSoup,
  lineProblems,
  mapSteps,
  schooled,
  walk,
  type Line,
  type Soup,
  type SoupProblem,
} from '../soup/index.js';
import { outcomeOf } from './card.js';
import type { Readied, Ready, ReadyAtOne } from './ready.js';

/** Piece size where a line names none: what is already small. Kitchen default. */
export const UNCUT = { shape: 'cube', sizeMm: 6 } as const;

interface Around {
  readonly larder: Larder;
  readonly vessel: Vessel;
  readonly finishes: ReadonlySet<string>;
  readonly spices: SpiceSchool;
  readonly cardIngredient: (id: string) => Ingredient | undefined;
}

function readyLine(line: Line, around: Around): ReadyAtOne {
  const { larder, vessel, spices } = around;
  const ingredient = line.ingredient.startsWith(CARD)
    ? around.cardIngredient(line.ingredient.slice(CARD.length))
    : larder.get(line.ingredient);
  if (ingredient === undefined) throw new Error('A soup is checked before it is made ready.');
  const trim = line.way === undefined ? undefined : ingredient.row.trims.find(({ way }) => way === line.way);
  const keptShare = trim?.share ?? 1;
  const cut = line.cut ?? UNCUT;
  const { amount } = line;
  let massKg = 0;
  if (amount.rule === 'panFloor') massKg = amount.kgPerM2 * areaM2(vessel);
  if (amount.rule === 'scaled' || amount.rule === 'spice') {
    const weighed = weigh(amount.amount, ingredient);
    if (!weighed.ok) throw new Error('A soup is checked before it is made ready.');
    massKg = weighed.mass.basis === 'edible' ? weighed.mass.massKg / keptShare : weighed.mass.massKg;
  }
  return {
    follows: amount.rule === 'scaled' ? 'scale' : amount.rule === 'spice' ? spices : 'nothing',
    line: {
      id: line.id,
      ingredient,
      massKg,
      keptShare,
      saltKept: trim?.saltKept ?? 1,
      shape: cut.shape,
      sizeM: cut.sizeMm / 1000,
      finish: around.finishes.has(line.id),
    },
  };
}

/** Salt targets as wanted at the table: a soup eaten cold wants more, unless the cook has switched that off. */
function salted(soup: Soup): Soup {
  if (soup.served !== 'cold' || soup.schools?.moreSaltWhenCold === false) return soup;
  return {
    ...soup,
    root: mapSteps(soup.root, (step) =>
      step.op === 'season' ? [{ ...step, saltPct: Math.min(5, saltWanted(step.saltPct, 'cold', true)) }] : [step],
    ),
  };
}

/** What goes in as a finish, in the pot or in a bowl. */
function finishLines(soup: Soup): ReadonlySet<string> {
  return new Set(
    walk(soup.root).flatMap(({ step }) => {
      if (step.op === 'cream') return [step.line];
      if (step.op === 'liaison') return [step.cream.line];
      return step.op === 'dish' ? (step.shares ?? []).flatMap(({ finish }) => (finish ?? []).map(({ line }) => line)) : [];
    }),
  );
}

/** How much of each card's outcome is wanted, kg; the card is run at that size, since not all of it scales. */
export type CardAmounts = ReadonlyMap<string, number>;

const NO_AMOUNTS: CardAmounts = new Map();

interface Within {
  readonly cards: ReadonlyMap<string, Soup>;
  readonly amounts: CardAmounts;
}

function readyCard(card: Soup, larder: Larder, kit: Kit, within: Within): Readied {
  // A card is cooked in the smallest pot: it only has to hold the card's own written amount.
  const pot = [...kit.pots].sort((a, b) => usableM3(a) - usableM3(b))[0];
  return readied(card, larder, kit, pot?.id ?? '', card.writtenFor.bowlG / 1000, within);
}

function readied(written: Soup, larder: Larder, kit: Kit, potId: string, bowlKg: number, within: Within): Readied {
  const soup = salted(schooled(written, larder));
  const problems = checkSoup(soup, larder, kit);
  const vessel = kit.pots.find(({ id }) => id === potId);
  if (vessel === undefined) return { ok: false, problems: [...problems, { path: 'potId', code: 'UNKNOWN_POT', potId }] };
  if (problems.length > 0) return { ok: false, problems };
  const cards = new Map<string, Ready>();
  const outcomes = new Map<string, Ingredient>();
  const wrong: SoupProblem[] = [];
  for (const [n, line] of soup.lines.entries()) {
    if (!line.ingredient.startsWith(CARD)) continue;
    const id = line.ingredient.slice(CARD.length);
    const card = within.cards.get(id);
    if (card === undefined) continue;
    const made = cards.has(id) ? undefined : readyCard(card, larder, kit, within);
    if (made?.ok === false)
      return { ok: false, problems: made.problems.map((one) => ({ ...one, path: `cards.${id}.${one.path}` })) };
    const outcome = outcomes.get(id) ?? (made === undefined ? undefined : outcomeOf(made.ready, within.amounts.get(id)));
    if (outcome === undefined) {
      return { ok: false, problems: [{ path: `lines.${String(n)}.ingredient`, code: 'CARD_MAKES_NOTHING', card: id }] };
    }
    if (made !== undefined) cards.set(id, made.ready);
    outcomes.set(id, outcome);
    wrong.push(...lineProblems(line, outcome, `lines.${String(n)}`));
  }
  if (wrong.length > 0) return { ok: false, problems: wrong };
  const around: Around = {
    larder,
    vessel,
    finishes: finishLines(soup),
    spices: soup.schools?.spices ?? 'straight',
    cardIngredient: (id) => outcomes.get(id),
  };
  return {
    ok: true,
    ready: {
      soup,
      kit,
      habits: habitsOf(kit.habits),
      vessel,
      boilC: boilingPointC(kit.altitudeM),
      servedC: soup.served === 'hot' ? SERVED_HOT_C : SERVED_COLD_C,
      bowlKg,
      lines: soup.lines.map((line) => readyLine(line, around)),
      cards,
    },
  };
}

/** Checks a soup against larder and kit, works its schools into its steps, and looks everything up for the runner. */
export function makeReady(
  soup: Soup,
  larder: Larder,
  kit: Kit,
  potId: string,
  bowlKg: number,
  amounts: CardAmounts = NO_AMOUNTS,
): Readied {
  const cards = cardsOf(soup);
  const problems = checkCards(soup, cards);
  if (problems.length > 0) return { ok: false, problems };
  return readied(soup, larder, kit, potId, bowlKg, { cards, amounts });
}
