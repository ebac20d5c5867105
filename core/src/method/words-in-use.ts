import type { ReadingContext } from '../amounts/index.js';
import type { TakenLine } from '../draft/index.js';
import type { Action, Doing } from './action.js';
import type { Clause } from './clauses.js';
import { EVERYTHING, leftOut } from './food-words.js';
import { GARNISH_SECTION, PLACES, VERBS, type Sense, type VesselKind } from './lexicon.js';
import { LineNames, type Mention, type MethodLine } from './mentions.js';
import { VesselsInUse } from './vessels-in-use.js';

export interface KitchenContext extends ReadingContext {
  readonly bowls: number;
  /** Blenders of the kitchen; a method that asks for another is blended with the first of them. All there are when left out. */
  readonly blenders?: readonly Blender[] | undefined;
  /** What the cook set right, by the words of the clause. */
  readonly fixes?: Readonly<Record<string, Fix>> | undefined;
}

export type Blender = 'jug' | 'stick' | 'processor';

/** A clause set right by hand: another thing to do, other lines, another place; what is left out stays as it was read. */
export interface Fix {
  readonly does?: Doing | undefined;
  readonly lines?: readonly string[] | undefined;
  readonly place?: VesselKind | undefined;
}

/** A vessel that the words name. */
export interface Place {
  readonly kind: VesselKind;
  readonly isNew: boolean;
  /** Told apart from the one before: "a second tray", "the other pan". */
  readonly isOther: boolean;
  readonly word: string;
}

/** Heats that a kitchen note names behind what is heated. */
const NOTED: ReadonlySet<Sense> = new Set(['roast', 'sweat', 'fry', 'simmer', 'boil', 'grill', 'blanch', 'cook']);
/** How many things back what was made ready is still what is meant. */
const PENDING = 5;
/** What the words of a clause mean, by what has been said and done before: which lines, which place. */
export class WordsInUse extends VesselsInUse {
  readonly actions: Action[] = [];
  /** Foods that stand in the method alone. */
  readonly added: MethodLine[] = [];
  /** The lines that were spoken of last: what "them" is. */
  lastNamed: string[] = [];
  /** What the cook set right of the clause that is read. */
  fix: Fix | undefined;
  names: LineNames;
  private readonly sections: readonly string[];

  constructor(
    lines: readonly MethodLine[],
    readonly clauses: readonly Clause[],
    override readonly context: KitchenContext,
  ) {
    super(lines, context, clauses.map(({ text }) => text).join('. '));
    this.sections = [...new Set(clauses.map(({ section }) => section).filter((section) => section !== ''))];
    this.names = this.named();
  }

  private named(): LineNames {
    return new LineNames(this.all, this.methodText, this.sections);
  }

  /** The words that say what is done to what: without what comes before the verb, and without "until ...". */
  body(clause: Clause): string {
    // "Lightly whip the last of the cream and spoon it on top": what is meant stands before the verb.
    const isMadeReady = /\b(?:whip|beat|shave|snip|loosen|soften)\b[^,;]*\band\s*$/i.test(clause.text.slice(0, clause.verbAt));
    // "Half the parsnips: roast in oil."
    const isInFat = /^(?:in|with) the [^.;]*\b(?:fat|butter|oil)\b[^.;]*,\s*$/i.test(clause.text.slice(0, clause.verbAt));
    // "My potato and leek: melt the butter" is what it is called.
    const isTitle = clause.sentence === 0 && /^(?:melt|heat|warm|preheat)$/.test(clause.verb ?? '');
    const isSubject =
      isInFat || (!isTitle && /^(?!for\b|to\b|meanwhile\b)[^:,.;]{3,60}:\s*$/i.test(clause.text.slice(0, clause.verbAt)));
    // "1/3 leeks roast 200C 20 min", "rest leeks + onion sweat butter 10 min": a kitchen's own order of words.
    const isNote =
      NOTED.has(VERBS[clause.verb ?? ''] ?? 'remark') &&
      /^(?!(?:when|once|if|while|until|after|as|then|meanwhile|now|next|in|on|to|over|with|and|let|leave|the|gently|slowly)\b)[\w\s/+&½⅓⅔¼¾]{3,40} $/i.test(
        clause.text.slice(0, clause.verbAt),
      );
    const said = clause.verb === undefined || isMadeReady || isSubject || isNote ? clause.text : clause.text.slice(clause.verbAt);
    // "The vinegar and, if using, the cream": it is used.
    const text = said.replace(/,? if (?:using|you like|liked|desired|you want|wished),? /gi, (words) => ' '.repeat(words.length));
    const cut =
      /\b(?:until|till|’til|'til|so (?:that|the|they|it|everything|nothing|none)|(?:[-–—(] ?)?(?:I|we) (?:go for|like|prefer|aim|usually|tend)|which|because|as soon as|as (?:the [a-z]+|it|they|you) (?:[a-z]{2,}s|go|cook|start|begin|come|soften|stir)\b|while|when|once|if (?:it|the|they|too|you|needed|necessary|using)|without|leaving (?:the|behind|as much)|taking care|being careful)\b/i.exec(
        text.slice(3),
      );
    if (cut === null) return text;
    const end = cut.index + 3;
    // "Blend until smooth with the Parmesan."
    const also =
      /\b(?:smooth|silky|creamy|velvety|fine)(?: and \w+)?,? (?=(?:along |together )?with (?:the|all|your|half)\b)/i.exec(
        text.slice(end),
      );
    if (also !== null) {
      const from = end + also.index + also[0].length;
      return text.slice(0, end) + ' '.repeat(from - end) + text.slice(from);
    }
    // "Stir in the cheese until it melts, then the mustard": what goes in behind it goes in as well.
    const then = /[,;]\s*then\s+(?=[a-z])/i.exec(text.slice(end));
    if (then === null) return text.slice(0, end);
    const from = end + then.index + then[0].length;
    return text.slice(0, end) + ' '.repeat(from - end) + text.slice(from);
  }

  mentions(text: string, clause: Clause): Mention[] {
    const own = this.fix?.lines;
    if (own !== undefined) return own.filter((line) => this.lineOf(line) !== undefined).map((line) => ({ line, at: 0, length: 0 }));
    const named = this.withoutHeld(
      this.names.mentions(text, clause.section, this.isUsedUp).filter((one) => !this.isLadled(one, text)),
      text,
      clause,
    );
    if (named.length > 0) this.lastNamed = named.map(({ line }) => line);
    const made = this.actions.at(-1);
    const isIt =
      /^[\wà-ÿ-]+(?: or [\wà-ÿ-]+)? (?:it|them|['’]?em|these|those|each|both|that(?= (?:with|along|and|to|into|in|on|through)\b|,|$))\b/i.test(
        text,
      );
    if (isIt && named.length > 0 && made?.does === 'prepare' && (this.clauses[made.clause]?.sentence ?? 0) >= clause.sentence - 1) {
      // "Chop the onion and fry it in the butter."
      const ready = /^[\wà-ÿ-]+ (?:it|that)\b/i.test(text) ? made.lines : this.pendingOf(clause.sentence);
      const own = ready.filter(({ line }) => !this.isUsedUp(line) && !named.some((one) => one.line === line));
      return [...own.map(({ line }) => ({ line, at: 0, length: 0 })), ...named];
    }
    const isPut = /^(?:add|mix)$/.test(VERBS[clause.verb ?? ''] ?? '');
    if (isIt && isPut && named.length === 0 && made?.does === 'keep' && this.clauses[made.clause]?.sentence === clause.sentence) {
      // "The coconut cream – I keep a bit back – stir that through."
      return made.lines.map(({ line }) => ({ line, at: 0, length: 0 }));
    }
    const spoken = this.clauses[made?.clause ?? -1];
    const lead = isIt ? this.names.mentions(clause.text.slice(0, clause.verbAt), clause.section, this.isUsedUp) : [];
    // "Start with the leeks: soften them in butter."
    const isOnTray = (line: string): boolean => this.vesselOf(line)?.kind === 'tray' && this.vesselOf(line)?.isHot === true;
    const leading = lead.filter(({ line }) => (!this.isUsedUp(line) || isOnTray(line)) && !named.some((one) => one.line === line));
    if (leading.length > 0) return [...leading.map(({ line }) => ({ line, at: 0, length: 0 })), ...named];
    if (isIt && spoken?.sentence === clause.sentence && /^(?:remark|setting)$/.test(made?.does ?? '')) {
      // "Here are the leeks; soften them in butter."
      const own = this.names
        .mentions(spoken.text, clause.section, this.isUsedUp)
        .filter(({ line }) => (!this.isUsedUp(line) || isOnTray(line)) && !named.some((one) => one.line === line));
      if (own.length > 0) return [...own.map(({ line }) => ({ line, at: 0, length: 0 })), ...named];
    }
    if (named.length > 0 || !(isIt || /\b(?:each|them|em|it|these|those)\b/i.test(text))) return named;
    // "Wash the beetroot, wrap each in foil": what was only made ready so far is meant.
    const last = this.actions.at(-1);
    if (last?.does !== 'prepare') return named;
    return last.lines.filter(({ line }) => !this.isUsedUp(line)).map(({ line }) => ({ line, at: 0, length: 0 }));
  }

  /** "Everything except the diced cucumber", of a cucumber of which some was diced and kept: the rest of it is among everything. */
  private withoutHeld(mentions: readonly Mention[], text: string, { section }: Clause): Mention[] {
    const but = leftOut(text);
    if (but === undefined || this.heldBack.size === 0 || !EVERYTHING.test(text)) return [...mentions];
    const left = this.names.mentions(text.slice(but.from, but.to), section, () => false).map(({ line }) => line);
    const kept = [...this.heldBack.keys()].filter(
      (line) => left.includes(line) && !this.isUsed(line) && !mentions.some((one) => one.line === line),
    );
    return [...mentions, ...kept.map((line) => ({ line, at: but.from, length: 0 }))];
  }

  /** "With a ladleful of the hot stock": out of the pot, not out of the carton. */
  private isLadled({ line }: Mention, text: string): boolean {
    const row = this.lineOf(line)?.taken.row;
    return (
      row?.group === 'liquids' &&
      this.isUsedUp(line) &&
      /\b(?:ladle|spoon|cup)(?:ful)?s?\b(?: or two)? of\b|\bsome of the\b/i.test(text)
    );
  }

  /** "Prick the aubergines and put on a tray": what was made ready in the same sentence, where the verb has nothing of its own. */
  withPrepared(mentions: readonly Mention[], body: string, clause: Clause): readonly Mention[] {
    const last = [...this.actions].reverse().find(({ does, lines }) => does !== 'prepare' || lines.length > 0);
    const isBare =
      (clause.verb !== undefined || mentions.length === 0) &&
      /^(?:[\wà-ÿ-]+)(?: (?:back|off|along|them|it|all|(?:cut|skin|flesh)[- ]sides? (?:down|up)|down|up))?\s+(?:on|in|into|onto|to|over|with|at|for|alongside)\b/i.test(
        body,
      );
    // "Chop the bacon and fry until crisp."
    const isBareHeat =
      mentions.length === 0 &&
      last !== undefined &&
      this.clauses[last.clause]?.sentence === clause.sentence &&
      /^(?:[\wà-ÿ-]+)(?:\s+(?:until|till|for|gently|slowly|briefly|over)\b|$)/i.test(clause.text.slice(clause.verbAt).trim());
    const taken = this.actions.at(-1);
    const said = this.clauses[taken?.clause ?? -1];
    if (isBare && taken?.does === 'setting' && said?.sentence === clause.sentence && VERBS[said.verb ?? ''] === 'remove') {
      // "Take the squash out of the oven and add to the pan with the stock."
      const out = this.names
        .mentions(said.text, clause.section, this.isUsedUp)
        .filter(({ line }) => this.vesselOf(line)?.kind === 'tray' && !mentions.some((one) => one.line === line));
      if (out.length > 0) return [...out.map(({ line }) => ({ line, at: 0, length: 0 })), ...mentions];
    }
    if (last?.does !== 'prepare' || !(isBare || isBareHeat) || (this.clauses[last.clause]?.sentence ?? 0) < clause.sentence - 1)
      return mentions;
    const before = last.lines.filter(({ line }) => !this.isUsedUp(line) && !mentions.some((one) => one.line === line));
    return [...before.map(({ line }) => ({ line, at: 0, length: 0 })), ...mentions];
  }

  /** What was cut or cleaned last. */
  cutBefore(): readonly string[] {
    const last = this.actions.findLast(({ does, lines }) => does === 'prepare' && lines.length > 0);
    return last?.lines.map(({ line }) => line) ?? [];
  }

  /** What was cut or cleaned a moment ago and lies nowhere yet. */
  pending(): readonly Mention[] {
    const recent = this.actions.slice(-PENDING).filter(({ does }) => does === 'prepare');
    const lines = [...new Set(recent.flatMap(({ lines: own }) => own.map(({ line }) => line)))];
    return lines
      .filter((line) => !this.isUsedUp(line) && this.vesselOf(line) === undefined)
      .map((line) => ({ line, at: 0, length: 0 }));
  }

  /** "Peel the potatoes and the onion, and stew them": those of the sentence, where it made several ready. */
  private pendingOf(sentence: number): readonly Mention[] {
    const all = this.pending();
    const here = new Set(
      this.actions
        .filter(({ does, clause }) => does === 'prepare' && this.clauses[clause]?.sentence === sentence)
        .flatMap(({ lines }) => lines.map(({ line }) => line)),
    );
    const own = all.filter(({ line }) => here.has(line));
    return own.length > 1 ? own : all;
  }

  /** The lines that a clause is about. */
  about(clause: Clause): readonly Mention[] {
    const body = this.body(clause);
    return this.withPrepared(this.mentions(body, clause), body, clause);
  }

  /** Takes foods back that were only named by the way. */
  unlist(mentions: readonly Mention[]): void {
    for (const { line } of mentions) {
      for (const list of [this.all, this.added]) {
        const at = list.findIndex(({ id }) => id === line);
        if (at >= 0 && !this.uses.has(line)) list.splice(at, 1);
      }
    }
    this.names = this.named();
  }

  placeIn(text: string): Place | undefined {
    const own = this.fix?.place;
    if (own !== undefined) return { kind: own, isNew: !this.open().some(({ kind }) => kind === own), isOther: false, word: own };
    // "Tip everything on the tray into the pot" goes where "into" says.
    const goal = /\b(?:into|onto)\b(?!.*\b(?:into|onto)\b)(.*)$/i.exec(text);
    if (
      goal !== null &&
      goal.index > 0 &&
      PLACES.some(([words]) => words.test(goal[1] ?? '')) &&
      PLACES.some(([words]) => words.test(text.slice(0, goal.index)))
    ) {
      return this.placeIn(text.slice(goal.index));
    }
    for (const [words, kind] of PLACES) {
      const hit = words.exec(text);
      if (hit === null) continue;
      const before = text.slice(Math.max(0, hit.index - 40), hit.index).toLowerCase();
      const near = before.split(/[,;.]|\bfrom\b/).at(-1) ?? '';
      // "Remove from the pan" names a place that is left, and "lid" is none.
      const behind = text.slice(hit.index + hit[0].length);
      // "With everything on the trays" is where it comes from.
      if (/\b(?:everything|all|the (?:lot|veg\w*|rest)|what(?:['’]s| is)?)(?: that (?:is|was))? on (?:the |both )?$/.test(before))
        continue;
      // "Scraping the sheets" is where it comes from.
      if (
        /\b(?:scrap|rins|scrub|empty|deglaz)(?:e|ing|ying)?(?: (?:out|down|off|clean|up))? (?:the |both |your |all )?(?:\w+ )?$/.test(
          before,
        )
      )
        continue;
      // "Any tray juices" are no tray.
      if (/^ (?:juices?|contents|drippings|roasted)\b/i.test(behind) && !/^\s*(?:in|into|onto|on)\b/i.test(near)) continue;
      if (/\bfrom (?:the |its )?$/.test(before) || /^\s*lid/.test(behind)) continue;
      // "A handful of mint to the pan" is the pan that is known: the article that stands next to it counts.
      const own = near.split(/\b(?:the|your|this|that)\b/).at(-1) ?? '';
      const isNew =
        /\b(?:a|an|another|second|separate|clean(?:ed)?|wiped(?:-out)?|fresh|new|other)\b/.test(own) &&
        !/\bthe (?:same|first)\b/.test(near);
      const isOther = /\b(?:second|another|separate|other|different)\b/.test(`${own}${hit[0].toLowerCase()}`);
      return { kind, isNew: isNew || /^(?:small|second|separate|another|other|dry)\b/i.test(hit[0]), isOther, word: hit[0] };
    }
    return undefined;
  }

  bringIn(taken: TakenLine, clause: Clause): Mention {
    const ids = new Set(this.all.map(({ id }) => id));
    let id = taken.row.id.slice(0, 50);
    for (let k = 2; ids.has(id); k += 1) id = `${taken.row.id.slice(0, 50)}-${String(k)}`;
    const line: MethodLine = { id, taken, heading: GARNISH_SECTION.test(clause.section) ? clause.section : '' };
    this.all.push(line);
    this.added.push(line);
    this.names = this.named();
    return { line: id, at: 0, length: 0 };
  }
}
