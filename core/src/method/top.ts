import { readLine } from '../amounts/index.js';
import { takeLine } from '../draft/index.js';
import type { Kitchen } from './kitchen.js';
import type { Mention } from './mentions.js';
import type { Clause } from './clauses.js';
import type { LineUse } from './action.js';

/** "150 ml cream, plus extra to serve": the amount goes in, what goes on top is beside it. */
export const PLUS_MORE =
  /(?:\bplus\b|(?:\band|\+) (?:a little |some |a bit )?(?:extra|more)\b)[^,;]*\b(?:serv|garnish|top|drizzl|finish|swirl|scatter|sprinkl)|\bplus (?:a little |a bit |some )?(?:extra|more)$/i;

/** A line of its own for what goes on top besides. */
function more(k: Kitchen, line: string, n: number): Mention | undefined {
  const row = k.lineOf(line)?.taken.row;
  const clause = k.clauses[n];
  if (row === undefined || clause === undefined) return undefined;
  const name = row.name.split(',')[0] ?? row.name;
  // What is strewn by nature needs no amount; of peas or kernels it is a handful.
  for (const text of [`${name}, to serve`, `a handful of ${name.toLowerCase()}, to serve`]) {
    const taken = takeLine(readLine(text, k.context), { larder: k.context.larder, bowls: k.context.bowls });
    if (taken?.row.id === row.id) return k.bringIn({ ...taken, text }, clause);
  }
  return undefined;
}

/** "The parsnip crisps", of two lines of parsnips: the one that lies beside the soup where the other is in it. */
function besideSoup(k: Kitchen, mention: Mention): Mention {
  const main = k.mainVessel();
  const own = k.lineOf(mention.line)?.taken.row.id;
  if (main === undefined || k.vesselOf(mention.line) !== main || !k.isUsedUp(mention.line)) return mention;
  const other = k.all.find(({ id, taken }) => {
    const at = k.vesselOf(id);
    return id !== mention.line && taken.row.id === own && at !== undefined && at !== main && at.joinedTo === undefined && at.isHot;
  });
  return other === undefined ? mention : { line: other.id, at: mention.at, length: mention.length };
}

/** "The reserved coconut cream", kept back of the coconut milk, and none of the oil that is named like it. */
function keptInstead(k: Kitchen, mention: Mention, text: string): Mention {
  if (!/\b(?:reserved|kept|saved|held[- ]back|set[- ]aside)\b/i.test(text.slice(0, mention.at)) || k.heldBack.has(mention.line))
    return mention;
  const [word = ''] = (k.lineOf(mention.line)?.taken.row.id ?? '').split('-');
  const alike = [...k.heldBack.keys()].filter((line) => (k.lineOf(line)?.taken.row.id ?? '').split('-')[0] === word);
  return alike.length === 1 && alike[0] !== undefined ? { ...mention, line: alike[0] } : mention;
}

export function onTop(k: Kitchen, named: readonly Mention[], text: string, n: number): void {
  // "Croutons fried in butter": how they were made, and no butter of the soup's.
  const isOfMaking = ({ line, at }: Mention): boolean =>
    k.lineOf(line)?.taken.row.group === 'fats' &&
    /\b(?:fried|toasted|tossed|browned|crisped) in (?:the |a little |some )?$/i.test(text.slice(0, at));
  const mentions = named
    .filter((one) => !(k.isUsed(one.line) && isOfMaking(one)))
    .map((one) => besideSoup(k, keptInstead(k, one, text)));
  const lines: LineUse[] = [];
  // What has gone into the soup whole and is named on top all the same, as the fronds of its fennel: nobody knows of what.
  let isGone = false;
  // "Drizzle with the mint oil": what was made under that heading, and no more of its mint.
  const made = k.open().find((vessel) => vessel !== k.mainVessel() && vessel.steps.length > 0 && isNamed(vessel.section, text));
  if (made !== undefined) {
    made.isForTop = true;
    k.topVessels.add(made);
  }
  const drained = k.actions.at(-1);
  const blanched =
    drained?.does === 'drain' && k.clauses[drained.clause]?.sentence === k.clauses[n]?.sentence
      ? k.open().find((vessel) => vessel.isDrained && vessel !== k.mainVessel() && vessel.name === drained.vessel)
      : undefined;
  if (blanched !== undefined) {
    // "Boil the florets for 2 minutes, drain, and float on top."
    blanched.isForTop = true;
    k.topVessels.add(blanched);
    lines.push(...[...blanched.lines].filter((line) => k.lineOf(line)?.taken.row.id !== 'water').map((line) => ({ line })));
  }
  // "The chilli oil" is what was made under that name, and no oil of the soup's.
  const said = made === undefined ? -1 : text.toLowerCase().indexOf(nameOf(made.section));
  const end = said < 0 ? -1 : said + nameOf(made?.section ?? '').length;
  // "Paprika butter", made under "for the butter".
  const spoken = said < 0 ? said : said - (/[a-zà-ÿ]+ $/i.exec(text.slice(0, said))?.[0].length ?? 0);
  const others =
    made === undefined
      ? mentions
      : mentions.filter(({ line, at, length }) => !made.lines.has(line) && !(length > 0 && at >= spoken && at < end));
  if (made !== undefined) lines.push(...mentions.filter(({ line }) => made.lines.has(line)).map(({ line }) => ({ line })));
  const side = k.here;
  const isSameSentence = side?.isHot === true && k.clauses[side.steps.at(-1)?.clause ?? -1]?.sentence === k.clauses[n]?.sentence;
  if (
    (mentions.length === 0 || isSameSentence) &&
    side !== undefined &&
    side.joinedTo === undefined &&
    side !== k.mainVessel() &&
    side.steps.length > 0
  ) {
    // "Crisp the crumbs and scatter over each bowl."
    side.isForTop = true;
    k.topVessels.add(side);
  }
  for (const mention of others) {
    const { line } = mention;
    const at = k.besides(line) ?? k.vesselOf(line);
    if (at?.isDrained === true && at !== k.mainVessel()) {
      at.isForTop = true;
      k.topVessels.add(at);
      lines.push({ line });
      continue;
    }
    const held = [...k.vessels].reverse().find(({ aside }) => aside.has(line));
    if (
      at !== undefined &&
      !at.isBlended &&
      at.joinedTo === undefined &&
      (at.isForTop || at.lines.has(line)) &&
      k.isUsedUp(line) &&
      at !== k.mainVessel()
    ) {
      at.isForTop = true;
      k.topVessels.add(at);
      lines.push({ line });
      continue;
    }
    if (held !== undefined && (!k.isDivided(line) || k.isUsedUp(line))) {
      const soup = k.mainVessel() ?? held;
      held.aside.delete(line);
      k.spoon(soup, {
        kind: 'step',
        clause: n,
        id: `give-back-${line}`,
        make: (id) => ({ id, op: 'giveBack', lines: [line], share: 1 }),
      });
      lines.push({ line });
      continue;
    }
    const isAll = k.isUsedUp(line) && !k.isDivided(line);
    const isPlus = PLUS_MORE.test(k.lineOf(line)?.taken.text ?? '');
    const beside = isAll && isPlus && mention.byGroup !== true && at === k.mainVessel() ? more(k, line, n) : undefined;
    if (beside !== undefined) {
      // "500 g peas, plus a handful to finish", all of whose peas are in the soup.
      const use = k.use(beside, text);
      k.top.push({ use, clause: n });
      lines.push(use);
      continue;
    }
    if (isAll) {
      // "The vegetables" on top are those that lie beside the soup.
      if (mention.byGroup !== true || at !== k.mainVessel()) lines.push({ line });
      isGone ||= mention.byGroup !== true && at !== undefined && at === k.mainVessel();
      continue;
    }
    // "A thread of oil" over the bowls, of an oil that has gone in.
    const isThread =
      k.isUsedUp(line) &&
      k.lineOf(line)?.taken.row.group === 'fats' &&
      /\b(?:threads?|drizzle|drops?|slick|trickle|little|extra|more|splash|glug|film)\b[^,;]*$/i.test(text.slice(0, mention.at));
    // "Serve with extra cheese", of a cheese that has gone in.
    const isExtra = k.isUsed(line) && /\b(?:extra|more) (?:\w+ )?$/i.test(text.slice(0, mention.at));
    const isBeside = isPlus || isThread || isExtra;
    const own = isBeside && k.isUsed(line) ? more(k, line, n) : undefined;
    const use = k.use(own ?? mention, text);
    k.top.push({ use, clause: n });
    lines.push(use);
  }
  for (const vessel of k.open()) {
    if (vessel.isForTop && vessel.steps.length > 0) {
      const isNamed =
        /\b(?:crouton|crumb|crisp|topping|garnish|seeds?|nuts?|toast|mixture|oil)\w*/i.test(text) ||
        mentions.some(({ line }) => vessel.lines.has(line));
      if (isNamed) k.topVessels.add(vessel);
    }
  }
  k.put('garnish', n, { vessel: undefined, lines, assumed: isGone ? ['LINE'] : [] });
}

export function doTop(k: Kitchen, clause: Clause, n: number, verb: string): void {
  const body = k.body(clause);
  const mentions = k.mentions(body, clause);
  if (/\btop(?:ped)? up\b/i.test(body)) {
    k.as(k.isFinished() && /\b(?:thin|loosen|slacken)\b/i.test(clause.text) ? 'thin' : 'add', clause, n);
    return;
  }
  const tail = verb === 'finish' ? /^(.*(?:,| and)) ([^,]*?\b(?:on|over) (?:the )?top)\s*$/i.exec(body) : null;
  if (tail !== null && /\b(?:cream|butter|lemon|lime|vinegar|yoghurt|yogurt)\b/i.test(tail[1] ?? '')) {
    // "Finish it with the cream, and a few chives on top."
    const [, head = '', above = ''] = tail;
    doTop(k, { ...clause, text: head.replace(/(?:,| and)$/i, ''), verbAt: 0 }, n, verb);
    onTop(k, k.mentions(above, clause), above, n);
    return;
  }
  const last = k.actions.at(-1);
  const isDished =
    (last?.does === 'serve' && (k.clauses[last.clause]?.sentence ?? -1) >= clause.sentence - 1) ||
    k.actions.some(({ does, clause: at }) => /^(?:serve|garnish)$/.test(does) && k.clauses[at]?.sentence === clause.sentence);
  const intoPot =
    !isDished &&
    (/^(?:enrich|mount|sharpen)$/.test(verb) ||
      (verb === 'swirl' && /\b(?:in|through|into the (?:soup|pan|pot))\b/i.test(body) && !/\beach\b|\bbowls?\b/i.test(body)) ||
      (verb === 'finish' &&
        mentions.length > 0 &&
        mentions.every(
          ({ line }) =>
            k.isCream(line) ||
            k.lineOf(line)?.taken.row.group === 'fats' ||
            /^(?:season|salt)$/.test(k.lineOf(line)?.taken.role ?? '') ||
            /juice|vinegar/.test(k.lineOf(line)?.taken.row.id ?? ''),
        ) &&
        mentions.some(({ line }) => !k.isUsedUp(line)) &&
        !/\bdrizzle|\bswirl|\beach\b/i.test(body)) ||
      !k.isFinished());
  if (intoPot && mentions.length > 0) {
    k.as('add', clause, n);
    return;
  }
  onTop(k, mentions, body, n);
}

/** What a heading is of: "for the chilli oil". */
function nameOf(section: string): string {
  return section
    .replace(/^for (?:the )?/i, '')
    .trim()
    .toLowerCase();
}

/** Whether a text names what a heading is of. */
function isNamed(section: string, text: string): boolean {
  const name = nameOf(section);
  return name.length > 3 && name !== 'soup' && text.toLowerCase().includes(name);
}

/** "Serve hot, or chill and serve cold": hot, as it stands. */
export function isHotOrCold(k: Kitchen, { sentence }: Clause): boolean {
  const whole = k.clauses.filter((one) => one.sentence === sentence).map(({ text }) => text);
  return /\b(?:hot|warm)\b.*\bor\b.*\b(?:cold|chill\w*)\b/i.test(whole.join(' '));
}

/** A spoonful, and no word of what. */
const A_DOLLOP =
  /\b(?:a|one|some|the) (?:good |big |large |generous |small |little )?(?:dollop|spoonful|blob|swirl|drizzle|teaspoon(?:ful)?|tablespoon(?:ful)?|bit)(?! of\b)(?: on top)?(?=[,.;]| and\b|$)/i;

export function doServe(k: Kitchen, clause: Clause, n: number): void {
  const { text } = clause;
  if (
    /\b(?:between|among|over|across|on(?:to)?) (?:the |two |both |three |\d )?(?:\w+ )?(?:trays?|baking sheets?|sheet pans?|tins?|pans?)\b/i.test(
      text,
    ) &&
    !k.isFinished()
  ) {
    k.as('add', clause, n);
    return;
  }
  const lead = clause.text.slice(0, clause.verbAt);
  const above = /\b(?:on|over) (?:the )?top\b/i.test(lead) ? k.mentions(lead, clause) : [];
  if (above.length > 0) {
    // "Coriander over the top and serve."
    onTop(k, above, lead, n);
    return;
  }
  const mentions = k
    .mentions(k.body(clause), clause)
    .map((one) => besideSoup(k, one))
    .filter(({ line }) => !/^(?:water)$/.test(k.lineOf(line)?.taken.row.id ?? ''));
  if (/\b(?:cold|chilled|iced|ice-cold|at room temperature)\b/i.test(text) && !/\bcold (?:water|butter|cream)\b/i.test(text)) {
    if (!/\bchilled (?:bowls|glasses)\b/i.test(text) && !isHotOrCold(k, clause)) k.servedCold = true;
  }
  const tops = mentions.filter(
    ({ line }) =>
      !(
        k.isUsedUp(line) &&
        !k.isDivided(line) &&
        k.vesselOf(line) === k.mainVessel() &&
        k.besides(line) === undefined &&
        !PLUS_MORE.test(k.lineOf(line)?.taken.text ?? '') &&
        ![...k.vessels].some(({ aside }) => aside.has(line))
      ),
  );
  const isWith = /\b(?:with|topped)\b|\bw\//i.test(text);
  if (isWith && k.isFinished()) {
    // "Serve with the pesto": what was made under that heading, beside the soup.
    const made = k.open().find((vessel) => vessel !== k.mainVessel() && vessel.steps.length > 0 && isNamed(vessel.section, text));
    if (made !== undefined) made.isForTop = true;
  }
  const beside = k.open().find((vessel) => vessel !== k.mainVessel() && vessel.isHot && vessel.steps.length > 0 && !vessel.isWet);
  if (isWith && beside !== undefined && k.isFinished() && k.here === beside) beside.isForTop = true;
  const mixed = isWith && A_DOLLOP.test(text) ? k.open().findLast((one) => one.kind === 'bowl' && one.steps.length > 0) : undefined;
  if (mixed !== undefined && mixed !== k.mainVessel()) {
    // "Mix the horseradish with the cream. Serve with a dollop": of that.
    mixed.isForTop = true;
    k.topVessels.add(mixed);
  }
  const hasTopVessel = k.open().some(({ isForTop }) => isForTop) && isWith;
  if (tops.length > 0 || hasTopVessel) onTop(k, tops, k.body(clause), n);
  else k.put('serve', n, { vessel: undefined });
}

export function doStore(k: Kitchen, _clause: Clause, n: number): void {
  k.put('store', n, { vessel: undefined });
}
