import { target } from './where.js';
import { intoVessel } from './into-vessel.js';
import type { Kitchen } from './kitchen.js';
import { USUAL, SALT_LINE } from './usual.js';
import type { Clause } from './clauses.js';
import { doThin } from './thin.js';
import { onTop } from './top.js';

/** "It won't want salt": the cheese or the ham has brought it. */
const NO_SALT =
  /(?:\b(?:won['’]?t|will not|does(?:n['’]?t| not)|should(?:n['’]?t| not)) (?:really |usually |normally )?(?:want|need|be needing|be wanting)(?: any| more| much)*(?: extra| added| more)? salt\b|\bno (?:extra |added |more )?salt (?:is )?(?:needed|required|wanted|necessary)\b|\bno need (?:of|for|to add) (?:any )?salt\b)(?![^.;]*\b(?:until|till|yet|before|at this|now|while|at first)\b)/i;

export function doSeason(k: Kitchen, clause: Clause, n: number): void {
  const body = k.body(clause);
  const above = /[,;] (?:and )?([^,;]*\b(?:on|over) (?:the )?top)$/i.exec(body);
  if (above !== null && k.isFinished()) {
    // "Season, chives on top."
    doSeason(k, { ...clause, text: clause.text.slice(0, -above[0].length) }, n);
    onTop(k, k.mentions(above[1] ?? '', clause), above[1] ?? '', n);
    return;
  }
  const mentions = k.mentions(body, clause);
  const others = mentions.filter(({ line }) => !k.isSaltOrPepper(line));
  const exact = mentions.filter(({ line }) => {
    const taken = k.lineOf(line)?.taken;
    return taken !== undefined && taken.row.id.endsWith('salt') && taken.amount.rule !== 'byStep';
  });
  const isVerb = clause.verb === 'salt' && others.length > 0;
  const says = k.actions.length;
  if (others.length > 0 && !isVerb) {
    const wanted = others.filter(({ line }) => !k.isUsedUp(line));
    if (wanted.length > 0) {
      const vessel = target(k, clause, n, wanted);
      intoVessel(k, clause, n, vessel, wanted, false);
    }
  }
  if (
    others.length > 0 &&
    !isVerb &&
    k.actions.length > says &&
    others.length === mentions.length &&
    !/\btaste\b|\bseasoning\b|\bsalt\b/i.test(body)
  )
    return;
  const vessel = k.here;
  for (const one of mentions.filter(({ line }) => /^(?:black|white)-pepper$/.test(k.lineOf(line)?.taken.row.id ?? ''))) {
    if (vessel !== undefined && vessel.isBlended && !k.isUsedUp(one.line)) {
      k.spoon(vessel, { kind: 'in', clause: n, uses: [k.use(one, body)] });
      vessel.lines.add(one.line);
    }
  }
  if (exact.length > 0 && vessel !== undefined) {
    const fresh = exact.filter(({ line }) => !k.isUsedUp(line));
    if (fresh.length > 0) {
      const { added } = k.putLines(vessel, fresh, body, n);
      if (added.length > 0 && vessel.kind !== 'tray') {
        k.put('add', n, { lines: added });
        return;
      }
    }
  }
  if (vessel !== undefined && vessel.kind !== 'tray' && !k.clauses.some(({ text }) => NO_SALT.test(text))) {
    k.lastSeason = n;
    k.isSeasonedDry = !vessel.isWet;
    const said = /(\d+(?:\.\d+)?) ?% salt/i.exec(clause.text)?.[1];
    const pct = said === undefined ? k.saltPctOfList() : Number(said);
    const saltPct = pct === undefined ? USUAL.saltPct : Math.min(5, pct);
    k.step(vessel, n, pct === undefined ? 'season' : 'season-to', (id) => ({ id, op: 'season', line: SALT_LINE, saltPct }));
  }
  k.put('season', n);
  k.sayFirst(says);
}

export function doCheck(k: Kitchen, clause: Clause, n: number): void {
  const { text: words } = clause;
  if (/\bseason|\bsalt\b/i.test(words)) doSeason(k, clause, n);
  else if (/\b(?:thick\w*|consistency|texture)\b/i.test(words) && /\b(?:with|add(?:ing)?|using)\b/i.test(words))
    doThin(k, clause, n);
  else k.put(/^(?:and |then )*(?:taste|check)(?: it| the soup)?$/i.test(words) ? 'setting' : 'remark', n);
}
