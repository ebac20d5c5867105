import { weigh } from '../amounts/index.js';
import { areaM2, boilingPointC, parametersOf, potsBySize, type Kit, type ParameterName, type Vessel } from '../kit/index.js';
import type { Ingredient, Larder } from '../larder/index.js';
import { SERVED_COLD_C, SERVED_HOT_C, thickeningFactor, type Shape } from '../pot/index.js';
import { UNREAD_ANSWERS_SD, UNREAD_BODY_SD, unreadWith } from '../body/index.js';
import { saltWanted, type SpiceScaling } from '../season/index.js';
import {
  bodyByCard,
  CARD,
  cardsOf,
  checkCards,
  checkSoup,
  lineProblems,
  mapSteps,
  withMethodChoices,
  walk,
  type Line,
  type Soup,
  type SoupProblem,
} from '../soup/index.js';
import { asIngredient } from './card.js';
import { covarianceOf, inputsOf, learnedMoves, withMoves } from './inputs.js';
import type { Preparation, PreparedSoup, PreparedLine } from './prepared.js';

/** Piece size where a line names none: what is already small. Kitchen default. */
export const UNCUT = { shape: 'cube', sizeMm: 6 } as const;

interface Around {
  readonly larder: Larder;
  readonly vessel: Vessel;
  readonly finishes: ReadonlySet<string>;
  readonly spices: SpiceScaling;
  readonly cardIngredient: (id: string) => Ingredient | undefined;
}

/** The cut of a line, no thicker than its ingredient is by nature. */
function cutOfLine(line: Line, { row }: Ingredient): { readonly shape: Shape; readonly sizeMm: number } {
  const cut = line.cut ?? UNCUT;
  return row.wallMm !== undefined && row.wallMm < cut.sizeMm ? { shape: 'slab', sizeMm: row.wallMm } : cut;
}

function readyLine(line: Line, around: Around): PreparedLine {
  const { larder, vessel, spices } = around;
  const ingredient = line.ingredient.startsWith(CARD)
    ? around.cardIngredient(line.ingredient.slice(CARD.length))
    : larder.get(line.ingredient);
  if (ingredient === undefined) throw new Error('A soup is checked before it is prepared.');
  const trim = line.way === undefined ? undefined : ingredient.row.trims.find(({ way }) => way === line.way);
  const keptShare = trim?.share ?? 1;
  const cut = cutOfLine(line, ingredient);
  const { amount } = line;
  let massKg = 0;
  if (amount.rule === 'panFloor') massKg = amount.kgPerM2 * areaM2(vessel);
  if (amount.rule === 'fixed') massKg = amount.kg;
  if (amount.rule === 'scaled' || amount.rule === 'spice') {
    const weighed = weigh(amount.amount, ingredient);
    if (!weighed.ok) throw new Error('A soup is checked before it is prepared.');
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
  if (soup.served !== 'cold' || soup.methodChoices?.moreSaltWhenCold === false) return soup;
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

function readyCard(card: Soup, larder: Larder, kit: Kit, within: Within): Preparation {
  // A card is cooked in the smallest pot: it only has to hold the card's own written amount.
  const pot = potsBySize(kit)[0];
  return preparation(card, larder, kit, pot?.id ?? '', card.writtenFor.bowlG / 1000, within);
}

function preparation(written: Soup, larder: Larder, kit: Kit, potId: string, bowlKg: number, within: Within): Preparation {
  const soup = salted(withMethodChoices(written, larder));
  const problems = checkSoup(soup, larder, kit);
  const vessel = kit.pots.find(({ id }) => id === potId);
  if (vessel === undefined) return { ok: false, problems: [...problems, { path: 'potId', code: 'UNKNOWN_POT', potId }] };
  if (problems.length > 0) return { ok: false, problems };
  const cards = new Map<string, PreparedSoup>();
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
    const outcome = outcomes.get(id) ?? (made === undefined ? undefined : asIngredient(made.prepared, within.amounts.get(id)));
    if (outcome === undefined) {
      return { ok: false, problems: [{ path: `lines.${String(n)}.ingredient`, code: 'CARD_MAKES_NOTHING', card: id }] };
    }
    if (made !== undefined) cards.set(id, made.prepared);
    outcomes.set(id, outcome);
    wrong.push(...lineProblems(line, outcome, `lines.${String(n)}`));
  }
  if (wrong.length > 0) return { ok: false, problems: wrong };
  const around: Around = {
    larder,
    vessel,
    finishes: finishLines(soup),
    spices: soup.methodChoices?.spices ?? 'straight',
    cardIngredient: (id) => outcomes.get(id),
  };
  const servedC = soup.served === 'hot' ? SERVED_HOT_C : SERVED_COLD_C;
  const meantMPas = bodyByCard(soup) ?? soup.rightMPas;
  const hotter = thickeningFactor(SERVED_HOT_C) / thickeningFactor(servedC);
  return {
    ok: true,
    prepared: asLearned({
      ...(meantMPas === undefined ? {} : { meantLn: Math.log(meantMPas * hotter) }),
      soup,
      kit,
      parameters: parametersOf(kit.parameters),
      vessel,
      boilC: boilingPointC(kit.altitudeM),
      servedC,
      bowlKg,
      lines: soup.lines.map((line) => readyLine(line, around)),
      cards,
    }),
  };
}

/** A soup with what this kitchen's own batches have shown of it. */
function asLearned(prepared: PreparedSoup): PreparedSoup {
  const { kit } = prepared;
  if (kit.learned === undefined || kit.learned.figures.length === 0) return prepared;
  const inputs = inputsOf(prepared);
  const sdOf = (name: ParameterName, unlearnt: number): number => {
    const own = inputs.filter(({ parameter }) => parameter === name);
    return Math.sqrt(covarianceOf(kit, own)[0]?.[0] ?? unlearnt ** 2);
  };
  const unread = unreadWith(sdOf('bodyA', UNREAD_BODY_SD), sdOf('bodyAnswers', UNREAD_ANSWERS_SD));
  return { ...withMoves(prepared, learnedMoves(kit, inputs)), unread };
}

/** Checks a soup against larder and kit, works its method choices into its steps, and looks everything up for the runner. */
export function prepareSoup(
  soup: Soup,
  larder: Larder,
  kit: Kit,
  potId: string,
  bowlKg: number,
  amounts: CardAmounts = NO_AMOUNTS,
): Preparation {
  const cards = cardsOf(soup);
  const problems = checkCards(soup, cards);
  if (problems.length > 0) return { ok: false, problems };
  return preparation(soup, larder, kit, potId, bowlKg, { cards, amounts });
}
