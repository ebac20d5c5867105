import { heatsAtOnce } from './ovens.js';
import type { LineUse } from './action.js';
import { cutOf, freeId, newLine, placeLine, slug, takeLine, type Role, type TakenLine } from '../draft/index.js';
import { CARD, walk, type Line, type PlainStep, type Soup, type SoupStep } from '../soup/index.js';
import { bodyIn } from './heated.js';
import { MOST_STEPS, StepBuilder } from './step-builder.js';
import { Kitchen } from './kitchen.js';
import type { KitchenContext } from './words-in-use.js';
import type { OpenUse } from './lines-in-use.js';
import type { Clause } from './clauses.js';
import type { MethodLine } from './mentions.js';
import { readLine } from '../amounts/index.js';
import { whereNow, type Vessel } from './vessel.js';

/** A soup made of a written method, with where each of its steps comes from. */
export interface MethodTree {
  readonly soup: Soup;
  /** The clauses that a step comes from, by step id; the steps of its cards too. */
  readonly clausesOf: Readonly<Record<string, readonly number[]>>;
  /** Lines that stand in no sentence and were put in by what they are. */
  readonly placed: readonly string[];
  /** Lines that stand in the method alone. */
  readonly fromMethod: readonly string[];
  /** Lines used more than once, whose shares the words leave open. */
  readonly equalShares: readonly string[];
  /** What was never said to join and was joined before the blade. */
  readonly joinedByGuess: readonly string[];
  /** Heats that one oven would have to give at the same time, °C. */
  readonly heatsAtOnce: readonly number[];
}

export interface TreeAsk {
  readonly id: string;
  readonly name: string;
  readonly bowls: number;
  readonly bowlG: number;
  readonly served?: Soup['served'] | undefined;
}

const LEAST_G = 0.01;
const MOST_G = 500;
/** What of a topping is left after its own heat. Kitchen default. */
const TOPPING_LEFT = 0.9;
const MILLI = 1000;
/** Fat for a topping's pan where no amount is written, g; and the least of a topping that a bowl is given, kg. Kitchen defaults. */
const PAN_FAT_G = 10;
const LEAST_TOPPING_KG = 0.0005;

/** How thick the words want it, where they compare it with something: "like single cream", "should coat a spoon", a bisque. */
function wantedBody(sentences: readonly string[], name: string): number | undefined {
  const spoken = sentences.find((text) => /\b(?:consistency|thickness|as thick as|coats?|coating|the texture of)\b/i.test(text));
  const said = spoken === undefined ? undefined : bodyIn(spoken);
  return said ?? (/\bbisque\b/i.test(name) ? bodyIn('bisque') : undefined);
}

/** Water's density, kg/m3: near enough for how large a whole root or a clove is. */
const DENSITY = 1000;
const USUAL_PIECE_G = 150;

/** What goes into the heat whole, as large as it comes: the cube of a piece's weight. */
function wholeCut({ row }: TakenLine): Line['cut'] {
  const pieces = row.pieces ?? {};
  const grams = pieces.medium ?? pieces.clove ?? Object.values(pieces)[0] ?? USUAL_PIECE_G;
  const sizeMm = Math.min(400, Math.max(5, Math.round(Math.cbrt(grams / MILLI / DENSITY) * MILLI)));
  return { shape: 'cube', sizeMm, name: 'whole' };
}

/** Shares of lines that are used more than once: what is said stands, the rest goes evenly to the other uses. */
function settleShares(uses: ReadonlyMap<string, readonly OpenUse[]>, leftFor: ReadonlySet<string>): string[] {
  const even: string[] = [];
  for (const [line, list] of uses) {
    const said = list.reduce((sum, { share = 0 }) => sum + share, 0);
    const open = list.filter(({ share }) => share === undefined);
    if (open.length === 0) {
      const last = list.at(-1);
      // What is left over when all is said goes in with the last of it.
      if (last?.share !== undefined && said < 1 - 1e-6 && !leftFor.has(line)) last.share += 1 - said;
      if (said > 1) for (const use of list) use.share = (use.share ?? 0) / said;
      continue;
    }
    if (list.length === 1) continue;
    const left = Math.max(0.01 * open.length, 1 - said);
    const scale = said + left > 1 ? (1 - left) / said : 1;
    for (const use of list) use.share = use.share === undefined ? left / open.length : use.share * scale;
    if (open.length > 1) even.push(line);
  }
  return even;
}

function middleG(kg: number, bowls: number): number {
  return Math.min(MOST_G, Math.max(LEAST_G, Math.round((kg / bowls) * MILLI * 100) / 100));
}

function scaledAmount(line: Line, share: number): Line['amount'] {
  const { amount } = line;
  if (share > 1 - 1e-6 || (amount.rule !== 'scaled' && amount.rule !== 'spice')) return amount;
  return { ...amount, amount: { ...amount.amount, value: Math.round(amount.amount.value * share * 10_000) / 10_000 } };
}

/** The vessel that the bowls are filled from, with all that was never said to go anywhere joined to it. */
function rootOf(kitchen: Kitchen): { readonly root: Vessel | undefined; readonly guessed: string[] } {
  const open = kitchen.vessels.filter((one) => one.joinedTo === undefined && (one.steps.length > 0 || one.boiling !== undefined));
  const forTop = (one: Vessel): boolean => kitchen.topVessels.has(one) || (one.isForTop && !one.isBlended);
  const soups = open.filter((one) => !forTop(one));
  const root = soups.find(({ isBlended }) => isBlended) ?? soups.filter(({ isWet }) => isWet).at(-1) ?? soups.at(-1);
  const guessed: string[] = [];
  if (root === undefined) return { root, guessed };
  for (const one of soups) {
    if (one === root) continue;
    guessed.push(one.name);
    const blendAt = root.steps.findIndex((step) => step.kind === 'step' && step.id === 'blend');
    const at = blendAt < 0 ? root.steps.length : blendAt;
    root.steps.splice(at, 0, { kind: 'join', clause: one.steps.at(-1)?.clause ?? 0, vessel: one });
    one.joinedTo = root;
  }
  return { root, guessed };
}

const HEATS: ReadonlySet<SoupStep['op']> = new Set([
  'roast',
  'sweat',
  'fry',
  'simmer',
  'pressure',
  'reduce',
  'deglaze',
  'fryPuree',
]);

/** What a method that was cooked in the mind becomes. */
export function treeOf(
  kitchen: Kitchen,
  clauses: readonly Clause[],
  sentences: readonly string[],
  ask: TreeAsk,
  context: KitchenContext,
): MethodTree {
  for (const vessel of kitchen.vessels) kitchen.flushBoil(vessel);
  const { root, guessed } = rootOf(kitchen);
  const all = new Map<string, MethodLine>(kitchen.all.map((line) => [line.id, line]));
  const equalShares = settleShares(kitchen.uses, kitchen.leftFor);
  const topOf = new Map<string, number>();
  for (const { use } of kitchen.top) topOf.set(use.line, (topOf.get(use.line) ?? 0) + (use.share ?? 1));
  const inCards = new Map<string, number>();
  const cardVessels = kitchen.vessels.filter((one) => whereNow(one) === one && one !== root && one.steps.length > 0);
  const usesIn = (vessel: Vessel): OpenUse[] =>
    vessel.steps.flatMap((step): OpenUse[] =>
      step.kind === 'in'
        ? (step.uses as OpenUse[])
        : step.kind === 'join'
          ? usesIn(step.vessel)
          : step.kind === 'cream' || step.kind === 'deglaze'
            ? [step.use as OpenUse]
            : [],
    );
  for (const vessel of cardVessels)
    for (const { line, share } of usesIn(vessel)) inCards.set(line, (inCards.get(line) ?? 0) + (share ?? 1));

  const plainLine = ({ id, taken }: MethodLine): Line => {
    const made: Line = { ...newLine(taken, new Set()), id };
    const isWhole = kitchen.peeledLate.has(id);
    const cut = kitchen.cuts.get(id) ?? (isWhole && cutOf(taken.text) === undefined ? wholeCut(taken) : undefined);
    const { way, ...rest } = made;
    return {
      ...(isWhole || way === undefined ? rest : made),
      ...(cut === undefined ? {} : { cut }),
      ...(kitchen.settled.has(id) ? { amount: { rule: 'byStep' } as const } : {}),
    };
  };

  // Salt
  const salts = [...all.values()].filter(({ taken }) => taken.row.id.endsWith('salt') && taken.row.group === 'seasoning');
  const byStep = salts.find(({ taken }) => taken.amount.rule === 'byStep');
  let saltLine = byStep?.id;
  if (saltLine === undefined && kitchen.lastSeason !== undefined && salts.length === 0) {
    const taken = takeLine(readLine('salt to taste', context), { larder: context.larder, bowls: ask.bowls });
    if (taken !== undefined) {
      saltLine = freeId('salt', new Set(all.keys()));
      all.set(saltLine, { id: saltLine, taken, heading: '' });
    }
  }

  const builder = new StepBuilder(clauses, sentences, saltLine, kitchen.lastSeason);
  for (const id of all.keys()) builder.elsewhere.set(id, Math.min(1, (topOf.get(id) ?? 0) + (inCards.get(id) ?? 0)));

  const lines = new Map<string, Line>();
  for (const [id, own] of all) lines.set(id, plainLine(own));
  const soupLines = new Map<string, Line>();
  for (const [id, line] of lines) {
    const away = builder.topShare(id);
    if (away > 1 - 1e-6) continue;
    soupLines.set(id, { ...line, amount: scaledAmount(line, 1 - away) });
  }
  const steps = root === undefined ? [] : builder.steps(root.steps, (id) => soupLines.get(id));
  const placedSteps: SoupStep[] =
    root?.kind === 'tray'
      ? [{ id: builder.id('tip-in'), op: 'join', branch: { id: builder.id('tray'), name: 'Tray', vessel: 'tray', steps } }]
      : steps;

  // Toppings with work of their own become cards.
  const garnish: { line: string; gPerBowl: number }[] = [];
  const topLines: Line[] = [];
  const cards: Soup[] = [];
  for (const vessel of cardVessels) {
    const own = new Map<string, Line>();
    let kg = 0;
    const totals = new Map<string, number>();
    for (const { line: id, share } of usesIn(vessel)) totals.set(id, Math.min(1, (totals.get(id) ?? 0) + (share ?? 1)));
    for (const [id, share] of totals) {
      const line = lines.get(id);
      if (line === undefined) continue;
      own.set(id, { ...line, amount: scaledAmount(line, share) });
      kg += (all.get(id)?.taken.kg ?? 0) * share;
    }
    // Within the card a share is of what goes into the card.
    const within = ({ line, share }: LineUse): LineUse => {
      const total = totals.get(line) ?? 1;
      return share === undefined || share > total - 1e-6 ? { line } : { line, share: share / total };
    };
    for (const id of vessel.lines) {
      const line = lines.get(id);
      if (line !== undefined && !own.has(id) && kitchen.settled.has(id)) own.set(id, line);
    }
    const shares = new Map(builder.elsewhere);
    for (const id of own.keys()) builder.elsewhere.set(id, 0);
    const made = builder.steps(
      vessel.steps.map((step) => (step.kind === 'in' ? { ...step, uses: step.uses.map(within) } : step)),
      (id) => own.get(id),
    );
    for (const [id, share] of shares) builder.elsewhere.set(id, share);
    if (own.size === 0 || made.length === 0) continue;
    const [first] = own.keys();
    const lead = all.get(first ?? '')?.taken.row.name.split(',')[0] ?? 'Topping';
    const heading = /^(?:for|to make|to prepare) (?:the |a )?(.+)$/i.exec(vessel.section)?.[1];
    const name = heading === undefined ? lead : `${heading[0]?.toUpperCase() ?? ''}${heading.slice(1)}`;
    const id = freeId(slug(name), new Set(cards.map((card) => card.id)));
    cards.push({
      id,
      name: name.slice(0, 80),
      lead,
      school: vessel.kind === 'tray' ? 'roast' : vessel.isHot ? 'sweat' : 'raw',
      served: 'hot',
      writtenFor: { bowls: ask.bowls, bowlG: Math.max(20, middleG(kg, ask.bowls)) },
      lines: [...own.values()].map((line) =>
        line.amount.rule === 'panFloor' ? { ...line, amount: { rule: 'scaled', amount: { value: PAN_FAT_G, unit: 'g' } } } : line,
      ),
      root: {
        id: `${id}-pan`.slice(0, 55),
        name: vessel.name,
        vessel: vessel.kind === 'tray' ? 'tray' : 'pot',
        steps: [...made, { id: builder.id('keep'), op: 'dish' }],
      },
    });
    const lineId = freeId(id, new Set([...all.keys(), ...topLines.map((line) => line.id)]));
    topLines.push({ id: lineId, ingredient: `${CARD}${id}`, amount: { rule: 'byStep' } });
    garnish.push({ line: lineId, gPerBowl: middleG(Math.max(kg, LEAST_TOPPING_KG * ask.bowls) * TOPPING_LEFT, ask.bowls) });
  }
  for (const [id, share] of topOf) {
    const own = all.get(id);
    const line = lines.get(id);
    if (own === undefined || line === undefined) continue;
    const whole = !soupLines.has(id);
    const lineId = whole ? id : freeId(`${id}-top`, new Set([...all.keys(), ...topLines.map((one) => one.id)]));
    topLines.push({ ...line, id: lineId, amount: { rule: 'byStep' } });
    garnish.push({
      line: lineId,
      gPerBowl: middleG((own.taken.kg > 0 ? own.taken.kg : LEAST_TOPPING_KG * ask.bowls) * share, ask.bowls),
    });
  }

  const used = new Set(walk({ id: 'x', name: 'x', vessel: 'pot', steps: placedSteps }).flatMap(({ step }) => namedIn(step)));
  // The water that a topping is blanched in is no line of the soup.
  for (const { lines: own } of cards)
    for (const { id, amount } of own) if (amount.rule === 'byStep' && !used.has(id)) soupLines.delete(id);
  const loose: { id: string; role: Role; taken: TakenLine }[] = [];
  for (const [id, { taken }] of all) {
    if (
      used.has(id) ||
      topLines.some((line) => line.id === id) ||
      cards.some((card) => card.lines.some((line) => line.id === id) && !soupLines.has(id))
    )
      continue;
    if (builder.topShare(id) > 1 - 1e-6) continue;
    loose.push({ id, role: taken.role, taken });
  }
  const isHeated = walk({ id: 'x', name: 'x', vessel: 'pot', steps: placedSteps }).some(({ step }) => HEATS.has(step.op));
  const isRoast = walk({ id: 'x', name: 'x', vessel: 'pot', steps: placedSteps }).some(({ step }) => step.op === 'roast');
  const dish: PlainStep = {
    id: builder.id('dish'),
    op: 'dish',
    ...(garnish.length === 0 ? {} : { shares: [{ id: 'bowls', name: 'All bowls', part: 1, garnish }] }),
  };
  const hasPotFilm = placedSteps.some((step) => step.op === 'film' && step.on === 'pot');
  const leadLine = [...all.values()]
    .filter(({ taken }) => taken.role === 'vegetable' || taken.role === 'greens' || taken.role === 'grain')
    .reduce<MethodLine | undefined>((a, b) => (a === undefined || b.taken.kg > a.taken.kg ? b : a), undefined);
  const isCold =
    ask.served === 'cold' ||
    (ask.served === undefined && (kitchen.servedCold || /\b(?:chilled|iced|cold)\b(?!.*\b(?:butter|water)\b)/i.test(ask.name)));
  let soup: Soup = {
    id: ask.id,
    name: ask.name.slice(0, 80),
    lead: (leadLine ?? [...all.values()][0])?.taken.row.name.split(',')[0] ?? ask.name,
    school: !isHeated ? 'raw' : isRoast ? 'roast' : 'sweat',
    served: isCold || !isHeated ? 'cold' : 'hot',
    writtenFor: { bowls: ask.bowls, bowlG: ask.bowlG },
    lines: [...[...soupLines.values()].filter(({ id }) => used.has(id) || loose.some((one) => one.id === id)), ...topLines],
    ...(cards.length === 0 ? {} : { cards: cards.slice(0, 12) }),
    root: {
      id: 'pot',
      name: 'Pot',
      vessel: 'pot',
      steps: [
        ...placedSteps.slice(0, MOST_STEPS - 2),
        ...(hasPotFilm ? [] : [{ id: builder.id('pot-film'), op: 'film', on: 'pot' } as const]),
        dish,
      ],
    },
  };
  const seasoned: string[] = [];
  const rightMPas = wantedBody(sentences, ask.name);
  if (rightMPas !== undefined) soup = { ...soup, rightMPas };
  for (const { id, role, taken } of loose) soup = placeLine(soup, id, role, taken.kg);
  // "Season with salt" of an onion in its butter is no seasoning of a soup that is poured on it.
  if (
    saltLine !== undefined &&
    kitchen.lastSeason !== undefined &&
    kitchen.isSeasonedDry &&
    loose.every(({ id }) => id !== saltLine)
  ) {
    soup = placeLine(soup, saltLine, 'salt', 0);
    seasoned.push(saltLine);
  }
  const note = kitchen.actions
    .filter(({ does }) => does === 'store')
    .map(({ clause }) => sentences[clauses[clause]?.sentence ?? -1] ?? '')
    .filter((text, n, list) => text !== '' && list.indexOf(text) === n)
    .join(' ')
    .slice(0, MILLI);
  return {
    soup: { ...soup, ...(note === '' ? {} : { note }) },
    clausesOf: builder.clausesOf,
    placed: [...loose.map(({ id }) => id), ...seasoned],
    fromMethod: kitchen.added.map(({ id }) => id).concat(byStep === undefined && saltLine !== undefined ? [saltLine] : []),
    equalShares,
    joinedByGuess: guessed,
    heatsAtOnce: heatsAtOnce(soup.root),
  };
}

function namedIn(step: SoupStep): string[] {
  switch (step.op) {
    case 'trim':
    case 'add':
      return step.uses.map(({ line }) => line);
    case 'deglaze':
      return [step.use.line];
    case 'cover':
    case 'thin':
    case 'season':
    case 'cream':
    case 'tune':
      return [step.line];
    case 'liaison':
      return [step.yolks.line, step.cream.line];
    case 'hold':
      return step.topUp === undefined ? [] : [step.topUp];
    case 'thicken':
      return step.parts.map(({ line }) => line);
    default:
      return [];
  }
}
