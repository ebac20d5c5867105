import { readLine, type ReadingContext } from '../amounts/index.js';
import type { TakenLine } from '../draft/index.js';
import { figureIn } from './measures.js';
import type { Mention, MethodLine } from './mentions.js';
import { A_FEW, WHOLE } from './usual.js';

/** A use of a line whose share may be settled at the end. */
export interface OpenUse {
  line: string;
  share?: number;
  /** Said by the words, or settled by what is left. */
  said: boolean;
}

/** What is spoken of is what was held back. */
const HELD = /\b(?:reserved|kept|saved|held[- ]back|set[- ]aside|(?:the|those|these|asparagus|few|blanched) tips?)\b/i;

const BUT_HELD =
  /\b(?:all but|all except|except(?: for)?|without|not) (?:for )?(?:the |those |your )?(?:reserved|kept|saved|held[- ]back|set[- ]aside)\b/i;

/** "Asparagus, tips reserved, stalks sliced": what its line keeps back, and the share that it is. Kitchen default. */
const TIPS_APART =
  /\btips?\b[^,;]*\b(?:reserved|kept|saved|set aside|separated?|(?:left )?whole)\b|\b(?:reserv|keep|sav|separat)\w* (?:the )?tips?\b|\btips? and (?:stalks?|stems?|spears?) (?:separat\w+|kept apart|apart)/i;
const TIPS = 0.25;

const TINS = /\b(\d+|an?|one|two|three|the first)\s+(?:tins?|cans?|jars?|packs?|packets?|bunch(?:es)?)\s+(?:of )?(?:the )?$/i;
const TINS_IN_ALL = /^(\d+)\b(?=[^,;]*\b(?:tins?|cans?|jars?|packs?|packets?|bunch(?:es)?)\b)/i;

/** A count before a name: of all of them, or of one that is named as one. */
const COUNTED =
  /\b(an?|one|two|three|four|five|six|\d)(?: (of (?:the |your |those )))?\s*(?:(?:large|small|whole|halved|chopped|peeled|sliced|quartered) )*$/i;

/** So far apart two spoons of one thing may be by the tables of weights, and be the same spoon. Kitchen default. */
const SPOONS_STRAY = 0.15;

/** The lines of a recipe, and how much of each has gone in so far. */
export class LinesInUse {
  readonly all: MethodLine[];
  readonly uses = new Map<string, OpenUse[]>();
  /** Parts held back before the line went anywhere, by their share. */
  readonly heldBack = new Map<string, number>();
  /** Of these, what is said to be for the top, with the clause that says so. */
  readonly heldForTop = new Map<string, number>();
  /** What was lifted out of a pan for the bowls: "add the mushrooms" is the rest of them. */
  readonly keptForTop = new Set<string>();

  constructor(
    lines: readonly MethodLine[],
    readonly context: ReadingContext,
    /** All that the method says. */
    protected readonly methodText: string,
  ) {
    this.all = [...lines];
    // "1 can coconut milk, reserve 2 tablespoons for drizzling": what its line keeps of it.
    for (const { id, taken } of lines) {
      const kept =
        /(?:,? |\()(?:reserv(?:e|ing)|keep(?:ing)?|sav(?:e|ing)|hold back) ([\d½¼¾/ ]+ ?(?:tbsps?|tablespoons?|tsps?|teaspoons?|cups?|ml|g)\b)/i.exec(
          taken.text,
        )?.[1] ??
        // "2 cups small florets reserved".
        /,? (\d[\d½¼¾/ ]* ?(?:tbsps?|tablespoons?|cups?|ml|g)\b)[^,;]*\b(?:reserved|set aside|kept (?:back|aside))\b/i.exec(
          taken.text,
        )?.[1];
      const reading = kept === undefined ? undefined : readLine(`${kept} ${taken.row.name.split(',')[0] ?? ''}`, context);
      if (reading?.code === 'READ' && taken.kg > 0 && reading.kg < taken.kg) this.heldBack.set(id, reading.kg / taken.kg);
      // "1 chilli, sliced (keep a few slices for the top)".
      if (
        /\b(?:keep|reserve|save)\w* (?:back )?(?:a few|some|a little|a couple)\b[^)]*\b(?:top|garnish|serv\w*|finish)\b/i.test(
          taken.text,
        ) &&
        taken.kg > 0
      )
        this.heldBack.set(id, A_FEW);
      if (taken.row.id === 'asparagus' && TIPS_APART.test(taken.text)) this.heldBack.set(id, TIPS);
    }
  }

  lineOf(id: string): MethodLine | undefined {
    return this.all.find((line) => line.id === id);
  }

  /** How salt the list wants the soup, %: "salt to taste, to 1.2 %". */
  saltPctOfList(): number | undefined {
    const salt = this.all.find(({ taken }) => taken.role === 'salt');
    const pct = /(\d+(?:\.\d+)?) ?%/.exec(salt?.taken.text ?? '')?.[1];
    return pct === undefined ? undefined : Number(pct);
  }

  isDivided(id: string): boolean {
    const row = this.lineOf(id)?.taken.row;
    return (
      row !== undefined &&
      /^(?:fats|liquids|dairy|herbs|spices|seasoning|drinks|cheeses|coconut and plant creams|nuts|fruit)$/.test(row.group)
    );
  }

  isUsedUp = (id: string): boolean => {
    const uses = this.uses.get(id) ?? [];
    if (uses.length === 0) return false;
    return uses.some(({ share }) => share === undefined) || uses.reduce((sum, { share = 0 }) => sum + share, 0) > WHOLE;
  };

  /** Whether any of a line has gone in. */
  isUsed(line: string): boolean {
    return (this.uses.get(line) ?? []).length > 0;
  }

  use(mention: Mention, text: string): OpenUse {
    const measured = this.measured(mention, text);
    const spent = (this.uses.get(mention.line) ?? []).reduce((sum, { share = 0 }) => sum + share, 0);
    // "1 tsp of the remaining oil" is so much of it; "the remaining 2 tbsp oil" is all that is left.
    const isOfRest =
      measured !== undefined &&
      /\bof (?:the |your )?(?:remaining|rest)\b/i.test(text.slice(Math.max(0, mention.at - 30), mention.at));
    // What was held back is no part of "the rest" that goes in before it.
    const isAllLeft = mention.rest === true && !isOfRest && !this.leavesHeld(mention.line, spent, text);
    // "The remaining tablespoon of oil" is what is left, whatever a spoon of it weighs.
    const isLastOfIt =
      measured !== undefined &&
      spent > 0 &&
      Math.abs(1 - spent - measured) < SPOONS_STRAY * measured &&
      /\b(?:remaining|last|other)\b/i.test(text.slice(Math.max(0, mention.at - 40), mention.at));
    const share = isAllLeft ? undefined : isLastOfIt ? 1 - spent : (measured ?? mention.share ?? this.heldOf(mention, text, spent));
    const whole = share === undefined || share >= WHOLE;
    const use: OpenUse = whole
      ? { line: mention.line, said: mention.rest === true }
      : { line: mention.line, share: Math.max(0.01, Math.min(share, spent < WHOLE ? 1 - spent : share)), said: true };
    this.uses.set(mention.line, [...(this.uses.get(mention.line) ?? []), use]);
    return use;
  }

  /** Of a line of which a part was held back: that part where the words say so, else what is left. */
  private heldOf({ line }: Mention, text: string, spent: number): number | undefined {
    const held = this.heldBack.get(line);
    if (held === undefined) return undefined;
    // "All but the reserved florets" are the others.
    const isHeld = HELD.test(text) && !BUT_HELD.test(text);
    if (isHeld) this.heldBack.delete(line);
    // Where all else has gone in, it is what was held back, whatever it is called.
    return isHeld || 1 - held - spent < 1 - WHOLE ? held : 1 - held - spent;
  }

  /** Whether the part that was held back is what is spoken of: by its name, or because all else has gone in. */
  protected isHeldBack(line: string, text: string): boolean {
    const held = this.heldBack.get(line);
    if (held === undefined) return false;
    const spent = (this.uses.get(line) ?? []).reduce((sum, { share = 0 }) => sum + share, 0);
    return (HELD.test(text) && !BUT_HELD.test(text)) || 1 - held - spent < 1 - WHOLE;
  }

  private leavesHeld(line: string, spent: number, text: string): boolean {
    return spent + (this.heldBack.get(line) ?? 1) < 1 && !HELD.test(text);
  }

  /** "2 tbsp of the oil": the share that it is of the line. */
  measured({ line, at }: Mention, text: string): number | undefined {
    const own = this.lineOf(line);
    if (own === undefined || own.taken.kg <= 0) return undefined;
    const before = text.slice(Math.max(0, at - 45), at);
    // "1 tin chickpeas": the tin is what the line is named by.
    const tin = /^(?:tins?|cans?|jars?)\b/i.exec(text.slice(at))?.[0];
    const tins = TINS.exec(tin === undefined ? before : `${before}${tin} `);
    const all = tins === null ? null : TINS_IN_ALL.exec(own.taken.text);
    if (tins !== null && all !== null && Number(all[1]) > 1) {
      // "1 tin of the chickpeas", of two.
      return Math.min(1, figureIn((tins[1] ?? '').replace(/^(?:one of the|the first)$/i, '1')) / Number(all[1]));
    }
    const byCount = this.counted(own.taken, before, text.slice(at));
    if (byCount !== undefined) return byCount;
    const hit =
      /((?:\d+\s+\d\/\d|\d+\s*[½¼¾⅓⅔]|[½¼¾⅓⅔]|\d\/\d|\d+(?:[.,]\d+)?|\b(?:a|one|two|three|four|five|six)(?: and a half)?|\bhalf an?|\b(?:the |your )?(?:remaining|last|other)(?= (?:tbsp|tablespoon|tsp|teaspoon|cup|pint|quart|litre|liter)\b))\s*-?(?:(?:cut|halved|peeled|fat|raw|whole) )?(?:kg|g|grams?|ml|l|ltrs?|litres?|liters?|cups?|c|tbsps?|tablespoons?|tsps?|teaspoons?|t|oz|ounces?|pints?|quarts?|spoonfuls?|knobs?|cloves?|slices?|sprigs?)\b\.?)\)?\s*(?:of\s+)?(?:the |your |remaining |rest of |hot |cold |boiling |simmering |warm |reserved |ground |grated |chopped |olive |vegetable |chicken |finely )*$/i.exec(
        before,
      );
    if (hit === null) return undefined;
    const figure = (hit[1] ?? '')
      .replace(/^(?:the |your )?(?:remaining|last|other)\b/i, '1')
      .replace(/^(half an?|(?:a|one|two|three|four|five|six)(?: and a half)?)\b/i, (word) =>
        /^half/i.test(word) ? '0.5' : String(figureIn(word.replace(/ and a half$/i, '')) + (/ and a half$/i.test(word) ? 0.5 : 0)),
      );
    const reading = readLine(`${figure} ${(own.taken.row.name.split(',')[0] ?? '').toLowerCase()}`, this.context);
    const kg = reading.code === 'READ' ? reading.kg : reading.code === 'ASK' ? reading.options[0]?.kg : undefined;
    if (kg === undefined) return undefined;
    const share = Math.min(1, kg / own.taken.kg);
    // "All but 2 tablespoons of the cream."
    return /\b(?:all|everything) (?:but|except)(?: for)?(?: about)? $/i.test(before.slice(0, hit.index)) ? 1 - share : share;
  }

  /** Whether the method goes on to speak of the others: "the other onion", "the rest of the carrots". */
  private saysOfRest(named: string): boolean {
    const word = /^[a-z]+/i.exec(named)?.[0];
    return (
      word !== undefined &&
      new RegExp(`\\b(?:other|remaining|rest of (?:the|your)|last|second) (?:[a-z]+ )?${word}(?:e?s)?\\b`, 'i').test(
        this.methodText,
      )
    );
  }

  /** "One of the onions", of two; "a carrot", of three that go in at more than one place. */
  private counted({ row, amount }: TakenLine, before: string, behind: string): number | undefined {
    if (amount.rule !== 'scaled' || amount.amount.unit !== 'piece' || !Number.isInteger(amount.amount.value)) return undefined;
    const all = amount.amount.value;
    const said = COUNTED.exec(before);
    if (said === null || all < 2 || row.group === 'herbs' || /^\w+ (?:cloves?|sticks?|ribs?|heads?|bulbs?)\b/i.test(behind))
      return undefined;
    const count = figureIn((said[1] ?? '').toLowerCase());
    const isOfThem = said[2] !== undefined;
    const isOne = /^[a-z]+(?<!s)\b/i.test(behind);
    return count < all && (isOfThem || (count === 1 && isOne && this.saysOfRest(behind))) ? count / all : undefined;
  }

  /** "1/2 cup" of a line: the share that it is of it; undefined where it can't be told. */
  measuredAs(line: string, amount: string): number | undefined {
    return this.measured({ line, at: amount.trimEnd().length + 1, length: 0 }, `${amount.trimEnd()} `);
  }

  isBloomed(id: string): boolean {
    const taken = this.lineOf(id)?.taken;
    if (taken === undefined) return false;
    const { group, id: row } = taken.row;
    return (
      /^(?:spices|pastes and sauces|flours and starches|herbs|chillies|fats)$/.test(group) ||
      /^(?:garlic|ginger|galangal|turmeric-root|lemongrass|lemon-zest|lime-zest)$/.test(row)
    );
  }

  /** The spice, and not the vegetable. */
  isSaltOrPepper(line: string): boolean {
    return /salt$|^(?:black|white)-pepper$/.test(this.lineOf(line)?.taken.row.id ?? '');
  }

  isLiquid(line: string): boolean {
    const taken = this.lineOf(line)?.taken;
    return taken !== undefined && (taken.role === 'liquid' || /milk(?!-powder)|juice/.test(taken.row.id));
  }

  isCream(line: string): boolean {
    const taken = this.lineOf(line)?.taken;
    return (
      taken !== undefined &&
      (taken.row.group === 'coconut and plant creams' || /cream|crema|fraiche|half-and-half|mascarpone/.test(taken.row.id)) &&
      taken.row.group !== 'cheeses'
    );
  }
}
