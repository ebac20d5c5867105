import type { Clause } from './sentences.js';

/** "Roast the carrots for 40 minutes and the peppers for 25": two heats under one verb. */
export function eachItsTime(clause: Clause): Clause[] {
  const behind = clause.text.slice(clause.verbAt);
  const hit =
    /\b\d+(?:\s?[-–]\s?\d+)? ?(?:minutes?|mins?|min)?,? (?:and|but|while) (?=(?:the )?[a-z]+(?:,? (?:and )?[a-z]+){0,3} for (?:about |around )?\d)/i.exec(
      behind,
    );
  if (hit === null || !/^(?:roast|bake|grill|broil)$/.test(clause.verb ?? '')) return [clause];
  const cut = clause.verbAt + hit.index + hit[0].replace(/,? (?:and|but|while) $/i, '').length;
  const from = clause.verbAt + hit.index + hit[0].length;
  // "For 40 minutes and the peppers for 25": the unit may stand once.
  const unit = /\bfor (?:about |around )?[\d–-]+\s*$/i.test(clause.text) ? ' minutes' : '';
  const first = clause.text.slice(0, cut);
  return [
    { ...clause, text: /\d$/.test(first) ? `${first} minutes` : first, end: clause.start + cut },
    { ...clause, text: `${clause.text.slice(from)}${unit}`, start: clause.start + from, verbAt: 0 },
  ];
}

/** "melt the butter, leeks in with a pinch of salt, lid on": what goes in behind a comma is a clause of its own. */
export function partedBehind(clause: Clause): Clause[] {
  const behind = clause.text.slice(clause.verbAt);
  const hit =
    /,\s+(?=(?:the )?[a-z]+(?: [a-z]+)? in(?:,| with\b|$))/i.exec(behind) ??
    // "Fry till golden, then chillies for 10 seconds."
    /,? then\s+(?=(?:the )?[a-z]+(?:,? (?:and )?[a-z]+){0,4} for (?:about |another )?\d)/i.exec(behind) ??
    // "Chop up the spuds and in they go too."
    /,? (?:and )?(?:then )?(?=in (?:they|it|these|those|that) go(?:es)?\b|(?:they|those|it)(?: all)? go(?:es)? (?:in|on|into|onto|to)\b|in go(?:es)? the\b)/i.exec(
      behind,
    ) ??
    // "Cook slowly, lid on, for 1 hr, then lid off 45 mins."
    /,? (?:and )?then\s+(?=(?:with (?:the )?)?(?:lid (?:on|off)|uncovered|covered)\b[^,;]*\d)/i.exec(behind) ??
    // "Whizz it smooth, then through the fine sieve."
    /,? (?:and )?then\s+(?=through (?:a |the |your )(?:[\w-]+ ){0,2}(?:sieve|strainer|chinois|mouli|mill)\b)/i.exec(behind) ??
    // "Add the garlic for a minute, then the squash and stock."
    (/^(?:add|stir|tip|throw|put)\b[^,]*\b(?:min|minutes?|mins|seconds|secs)\b/i.test(behind)
      ? /,? (?:and )?then\s+(?=the [a-z]+)/i.exec(behind)
      : /,? (?:and )?then\s+(?=the (?:rest of|remaining) )/i.exec(behind));
  // "Brown them in batches, setting each aside on a plate."
  const aside = /,\s+(?=(?:setting|putting) (?:each|them|it|these|the batches)\b[^,]*? aside\b)/i.exec(behind);
  if (aside !== null && clause.verb !== undefined) {
    const cut = clause.verbAt + aside.index;
    const from = cut + aside[0].length;
    const head = clause.text.slice(0, cut);
    return [
      { ...clause, text: head, end: clause.start + head.length },
      { ...clause, text: clause.text.slice(from), start: clause.start + from, verb: 'set', verbAt: 0 },
    ];
  }
  if (hit === null || clause.verb === undefined) return [clause];
  const cut = clause.verbAt + hit.index;
  const from = cut + hit[0].length;
  const head = clause.text.slice(0, cut);
  return [
    { ...clause, text: head, end: clause.start + head.length },
    { ...clause, text: clause.text.slice(from), start: clause.start + from, verb: undefined, verbAt: 0 },
  ];
}
