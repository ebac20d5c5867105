import { WHOLE, withoutHelp, type Heat } from './usual.js';
import { LIDS, type Sense } from './lexicon.js';
import type { Mention, MethodLine } from './mentions.js';
import { minutesIn, type Range } from './measures.js';
import { whereNow, type Vessel } from './vessel.js';
import type { Clause } from './clauses.js';
import type { Action, Doing, MethodAssumption } from './action.js';
import type { OpenUse } from './lines-in-use.js';
import { WordsInUse, type Blender, type KitchenContext } from './words-in-use.js';
import type { Line } from '../soup/index.js';

export interface TopUse {
  readonly use: OpenUse;
  readonly clause: number;
}

/** Characters before a food in which it is said how it is. */
const STATE_CHARACTERS = 14;
/** "In two goes if you need to": that is no condition of the blending. */
const IN_GOES_IF =
  /\bin (?:\w+ )?(?:goes|batches|two|lots|stages|turns)\b[^,;.]{0,12}\bif (?:you (?:need|have) to|need(?:ed| be)|necessary|required)\b/i;

export type Handler = (k: Kitchen, clause: Clause, n: number, verb: string) => void;
/** Reads a clause that says what it says by more than its verb; false where it is none of its kind. */
export type SetPhrase = (k: Kitchen, clause: Clause, n: number) => boolean;
/** How the verbs of each sense are read. */
export type Handlers = Readonly<Record<Sense, Handler>>;

/** More foods than this in hot liquid are the soup, and no side dish. */
export const LEAST_OF_SOUP = 3;

/** "Until golden, 25 to 30 minutes": the time behind a look, and a bracket that is not closed, are no part of it. */
const TIME_BEHIND =
  /(?:,? (?:for |about |around |roughly |approximately )*(?:\d[\d ½¼¾/]*(?: ?(?:-|–|to|or) ?\d+)?|an?|one|two|three|five|ten|fifteen|twenty) ?(?:more )?(?:minutes?|mins?|hours?|hrs?|seconds?|secs?)\b.*|\s*\([^)]*)$/i;

/** Cooks a method in the mind, clause by clause: what is where, what is hot, what has gone in. */
export class Kitchen extends WordsInUse {
  readonly top: TopUse[] = [];
  readonly topVessels = new Set<Vessel>();
  readonly cuts = new Map<string, NonNullable<Line['cut']>>();
  /** Lines peeled after heat: their trimming at the board is left out. */
  readonly peeledLate = new Set<string>();
  /** Lines that a step settles after all. */
  readonly settled = new Set<string>();
  /** Lines of which a part was left for thinning by eye. */
  readonly leftFor = new Set<string>();
  /** The fire was turned up, and nothing has been cooked over it yet. */
  isTurnedUp = false;
  /** The clause that brought a pot to pressure: the minutes right behind it are under it. */
  pressureAt: number | undefined;
  /** What was soaked, drained and has gone nowhere yet. */
  soaked: Vessel | undefined;
  /** What something dried was soaked in. */
  soakWater: string | undefined;
  /** The blender that the soup was poured into. */
  blenderSaid: 'jug' | 'processor' | undefined;
  /** A white sauce that stands by itself. */
  sauce: Vessel | undefined;
  lastSeason: number | undefined;
  /** Whether it was of what has no liquid yet. */
  isSeasonedDry = false;
  servedCold = false;
  /** What lies on a grill, to be cooked there by the next clause. */
  onGrill: Vessel | undefined;
  /** Whether the oven's heat was taken for granted. */
  isOvenGuessed = false;

  oven: number | undefined;
  lastHeat: Heat | undefined;
  beforeLast: Clause | undefined;
  constructor(
    lines: readonly MethodLine[],
    clauses: readonly Clause[],
    context: KitchenContext,
    private readonly handlers: Handlers,
  ) {
    super(lines, clauses, context);
  }

  /** Reads a clause as another verb would be read. */
  as(sense: Sense, clause: Clause, n: number, verb = ''): void {
    this.handlers[sense](this, clause, n, verb);
  }

  put(does: Doing, clause: number, more: Partial<Action> = {}): Action {
    const { text } = this.clauses[clause] ?? { text: '' };
    const until = /\b(?:until|till|’til|'til)\b\s*([^;.]*)/i.exec(text)?.[1]?.replace(TIME_BEHIND, '').trim();
    const condition =
      /\b(?:if|should(?= (?:it|the|they|this|your)\b)) (?!you like|liked|using|you(?:'|’)re)[^,;.]*|^(?:and )?for an? (?:(?:really|very|extra|even|more) )?(?:silk\w*|smooth\w*|velvet\w*|refined|finer|thinner|restaurant\w*)[^,;.]*/i.exec(
        withoutHelp(text.replace(/\([^)]*(?:\)|$)/g, ' ').replace(IN_GOES_IF, ' ')),
      )?.[0];
    const action: Action = {
      n: this.actions.length,
      does,
      clause,
      lines: [],
      assumed: [],
      ...(until === undefined || until === '' ? {} : { until }),
      ...(condition === undefined ? {} : { condition }),
      ...(/\b(?:meanwhile|in the meantime|at the same time|while the|while they|while it)\b/i.test(text)
        ? { meanwhile: true }
        : {}),
      ...(this.here === undefined ? {} : { vessel: this.here.name }),
      ...more,
    };
    this.actions.push(action);
    return action;
  }

  // Vessels

  /** Tells what was put last before what its clause brought besides. */
  sayFirst(from: number): void {
    const last = this.actions.pop();
    if (last !== undefined) this.actions.splice(from, 0, last);
    for (const [n, action] of this.actions.entries()) if (action.n !== n) this.actions[n] = { ...action, n };
  }

  /** "The roasted parsnip", of which some is in the pot already: the hot tray that it lies on. */
  private ovenOf(line: string, state: string, to: Vessel): Vessel | undefined {
    if (!/\b(?:roast|roasted|charred|grilled)\s+$/i.test(state)) return undefined;
    return this.open().findLast((one) => one !== to && one.kind === 'tray' && one.isHot && !one.isForTop && one.lines.has(line));
  }

  /** What was left by where the other part of it went on, with its share. */
  private readonly leftBeside = new Map<string, number>();

  /** Lines into a vessel; what is cooked elsewhere comes with all that is there. */
  putLines(
    vessel: Vessel,
    mentions: readonly Mention[],
    text: string,
    clause: number,
  ): { added: OpenUse[]; joined: Vessel[]; back: string[] } {
    const added: OpenUse[] = [];
    const joined: Vessel[] = [];
    const back: string[] = [];
    // What went in with the first of them that was parted, a share of each.
    const parted = new Set<string>();
    for (const mention of mentions) {
      const { line } = mention;
      if (parted.has(line)) continue;
      const held = [...this.vessels].reverse().find(({ aside }) => aside.has(line));
      const isPartBack = this.actions.some(({ does, lines }) => does === 'giveBack' && lines.some((one) => one.line === line));
      const isReserved = isPartBack || /\b(?:reserved|set[- ]aside|kept|whole|back in|returned?|back)\b/i.test(text);
      const state = text.slice(Math.max(0, mention.at - STATE_CHARACTERS), mention.at);
      const at = this.ovenOf(line, state, vessel) ?? this.vesselOf(line);
      if (
        held !== undefined &&
        (isReserved || (at === vessel && !this.keptForTop.has(line))) &&
        (mention.rest !== true || isPartBack || this.leftBeside.has(line)) &&
        (at === undefined || whereNow(held) === vessel)
      ) {
        back.push(line);
        const share = mention.share ?? 1;
        const size = /\bchopped to (\d+(?:\.\d+)?) ?mm/i.exec(text);
        if (share >= WHOLE) held.aside.delete(line);
        this.spoon(vessel, {
          kind: 'step',
          clause,
          id: `give-back-${line}`,
          make: (id) => ({ id, op: 'giveBack', lines: [line], share, ...(size === null ? {} : { choppedMm: Number(size[1]) }) }),
        });
        continue;
      }
      const isDivided = this.isDivided(line);
      // Part of it is on the tray: "the raw florets" are what is left, "the roasted florets" are those.
      const isRaw = !this.isUsedUp(line) && /\b(?:raw|uncooked|unroasted)\s+$/i.test(state);
      // "The chopped sage" is none of the leaves that were crisped in the pan.
      const isFreshHerb =
        /\b(?:chopped|minced|shredded|fresh)\s+$/i.test(state) &&
        this.lineOf(line)?.taken.row.group === 'herbs' &&
        at?.kind === 'pan';
      const isCooked =
        (!this.isUsedUp(line) || at?.kind === 'tray') && /\b(?:roast|roasted|charred|grilled|fried|browned)\s+$/i.test(state);
      // "The strained milk" is what the fish was poached in.
      const isStrained =
        at?.isStock === true && at !== vessel && /\b(?:strained|poaching|infused|cooking|reserved)\s+$/i.test(state);
      const isSmall = at !== undefined && [...at.lines].every((one) => this.isDivided(one) || this.isBloomed(one));
      const joins =
        at !== undefined &&
        at !== vessel &&
        !isRaw &&
        !isFreshHerb &&
        (isCooked || !this.isHeldBack(line, text)) &&
        (isStrained || (isCooked && at.isHot)
          ? true
          : isDivided
            ? this.isUsedUp(line) && mention.rest !== true && mention.share === undefined && isSmall
            : (this.isUsedUp(line) && (mention.rest !== true || at.aside.has(line))) ||
              (mention.rest !== true && mention.share === undefined && (at.isHot || at.kind === 'bowl')));
      // A garnish in its own pan does not take the soup along.
      const isSoup = at !== undefined && (at.isBlended || (at.isWet && at.lines.size > LEAST_OF_SOUP));
      const isFried = /(?:^|[,;] |\band )(?:fry|saut|toast|crisp|brown|blanch|rub)/i.test(text);
      // Nor does a pot of it go where only one thing of it is named, and no place.
      const isSide = vessel.kind === 'pan' && !vessel.isWet && vessel.lines.size < (at?.lines.size ?? 0);
      const staysPut = joins && isSoup && ((!vessel.isBlended && isFried) || (isSide && this.placeIn(text) === undefined));
      if (staysPut && this.isUsedUp(line)) continue;
      if (joins && !staysPut) {
        if (!joined.includes(at)) {
          // "Three-quarters of the aubergine and onions": what is left of them stays by, before anything moves.
          for (const one of mentions) if (this.vesselOf(one.line) === at && this.keepRest(one, at, clause)) parted.add(one.line);
          this.move(at, vessel, clause);
          joined.push(at);
        }
        continue;
      }
      if (at === vessel && this.isUsedUp(line) && !this.isDivided(line)) continue;
      if (mention.share === undefined && mention.rest !== true && joined.some((one) => one.lines.has(line)) && this.isUsedUp(line))
        continue;
      if (at === vessel && this.isUsedUp(line) && mention.byGroup === true) continue;
      const use = this.use(mention, text);
      added.push(use);
      vessel.lines.add(line);
    }
    if (added.length > 0) {
      this.spoon(vessel, { kind: 'in', clause, uses: added });
      vessel.lastIn = added.map(({ line }) => line);
      this.wetted(vessel);
    }
    return { added, joined, back };
  }

  /** Of a piece of which a share goes on, what is left stays beside its vessel. */
  private keepRest({ line, share = 1 }: Mention, at: Vessel, clause: number): boolean {
    if (this.isDivided(line) || share >= WHOLE || !at.isHot || at.aside.has(line)) return false;
    const left = 1 - share;
    at.aside.set(line, left);
    this.leftBeside.set(line, left);
    this.step(at, clause, `keep-${line}`, (id) => ({ id, op: 'takeOut', lines: [line], share: left, keep: true }));
    return true;
  }

  /** Whether all of a line was taken out of a vessel and thrown away. */
  isGoneFrom({ name }: Vessel, line: string): boolean {
    return this.actions.some(
      ({ does, vessel, share, lines }) =>
        does === 'takeOut' && vessel === name && share === undefined && lines.some((use) => use.line === line),
    );
  }

  /** What joined: one thing by its name, a tray or pan as such. */
  told(joined: readonly Vessel[], vessel: Vessel, n: number): void {
    for (const one of joined) {
      const lines = [...one.lines]
        .filter((line) => !this.isGoneFrom(one, line))
        .map((line) => {
          const left = vessel.aside.has(line) ? this.leftBeside.get(line) : undefined;
          return left === undefined ? { line } : { line, share: 1 - left };
        });
      this.put(lines.length === 1 && one.kind !== 'tray' ? 'add' : 'join', n, { vessel: vessel.name, lines });
    }
  }

  // Heat

  /** The oven as the words set it. */
  setOven(ovenC: number): void {
    this.oven = ovenC;
    this.isOvenGuessed = false;
  }

  range(clause: Clause, usual: number): { minutes: Range; assumed: MethodAssumption[] } {
    const time = minutesIn(clause.text);
    if (time === undefined) return { minutes: { low: usual, high: usual }, assumed: ['MINUTES'] };
    return { minutes: { low: time.low, high: time.high }, assumed: [] };
  }

  lidOf(clause: Clause, vessel: Vessel): 'on' | 'ajar' | 'off' | undefined {
    const { text } = clause;
    const said = LIDS.off.test(text) ? 'off' : LIDS.ajar.test(text) ? 'ajar' : LIDS.on.test(text) ? 'on' : undefined;
    const lid = said ?? vessel.lid;
    vessel.lid = undefined;
    return lid;
  }

  isFinished(): boolean {
    return this.vessels.some(({ isBlended }) => isBlended);
  }

  movedNow = false;

  // On top

  mainVessel(): Vessel | undefined {
    const open = this.open();
    // An oil or a pesto that was blended before it is no soup.
    const blended = open.filter(({ isBlended }) => isBlended);
    const plain = blended.filter(({ section }) => !/^for (?!(?:the )?soup)/i.test(section));
    return plain[0] ?? blended[0] ?? open.filter(({ isForTop }) => !isForTop).at(-1);
  }

  /** Where a line lies beside the soup: blanched apart, crisped in a pan. */
  besides(line: string): Vessel | undefined {
    const main = this.mainVessel();
    return this.open().find((vessel) => vessel !== main && vessel.lines.has(line) && vessel.steps.length > 0);
  }

  // The blade

  /** The blender that is asked for, or the one that this kitchen has. */
  blenderOf(wanted: Blender | undefined): Blender {
    const { blenders } = this.context;
    const first = wanted ?? 'jug';
    return blenders === undefined || blenders.includes(first) ? first : (blenders[0] ?? first);
  }
}
