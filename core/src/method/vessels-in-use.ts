import type { PlainStep } from '../soup/index.js';
import { GARNISH_SECTION, type VesselKind } from './lexicon.js';
import { LinesInUse } from './lines-in-use.js';
import { WET_SHARE } from './usual.js';
import { isHob, newVessel, whereNow, type DraftStep, type Vessel } from './vessel.js';

/** The trays, pans and pots of a method, what lies in each, and where the cook stands. */
export class VesselsInUse extends LinesInUse {
  readonly vessels: Vessel[] = [];
  here: Vessel | undefined;

  vesselOf(line: string): Vessel | undefined {
    const holding = this.vessels.filter((vessel) => vessel.lines.has(line));
    const [last] = holding.slice(-1);
    return last === undefined ? undefined : whereNow(last);
  }

  /** Vessels that stand by themselves. */
  open(): Vessel[] {
    return this.vessels.filter(({ joinedTo }) => joinedTo === undefined);
  }

  /** Whether anything that softens is in a vessel. */
  hasPieces(vessel: Vessel): boolean {
    return [...vessel.lines].some((line) => (this.lineOf(line)?.taken.row.softening ?? 0) > 0);
  }

  fresh(kind: VesselKind, section: string): Vessel {
    const base = { tray: 'Tray', pan: 'Pan', pot: 'Pot', jug: 'Pot', bowl: 'Bowl', serving: 'Bowl' }[kind];
    const same = this.vessels.filter(({ name }) => name.startsWith(base)).length;
    const vessel = newVessel(same === 0 ? base : `${base} ${String(same + 1)}`, kind, section);
    vessel.isForTop = GARNISH_SECTION.test(section);
    this.vessels.push(vessel);
    return vessel;
  }

  /** Pots in which there is hot liquid, or what the blade has been through, and that are for no topping. */
  wetPots(): Vessel[] {
    // A pesto that was blended under a heading of its own is none.
    const isSoup = ({ isBlended, section }: Vessel): boolean => isBlended && !/^for (?!(?:the )?soup)/i.test(section);
    return this.open().filter((one) => isHob(one) && one.isWet && (one.isHot || isSoup(one)) && !one.isForTop && !one.isDrained);
  }

  /** The pot of the soup, where the cook may stand at a dry pan beside it. */
  soupPot(text = ''): Vessel | undefined {
    const wet = this.wetPots();
    // "A cup of the soup" is of the fullest pot.
    if (/\bthe soup\b/i.test(text) && wet.length > (this.here !== undefined && wet.includes(this.here) ? 1 : 0))
      return wet.reduce((most, one) => (one.lines.size > most.lines.size ? one : most));
    const at = this.here;
    if (at === undefined || !isHob(at) || at.isForTop) return this.latestHob();
    if (at.isDrained && wet.length > 0) return wet.at(-1);
    return at.isWet || at.isBlended ? at : (wet.at(-1) ?? at);
  }

  latestHob(): Vessel | undefined {
    return this.open()
      .filter((vessel) => isHob(vessel) && !vessel.isForTop && !vessel.isDrained && !vessel.isAside)
      .at(-1);
  }

  spoon(vessel: Vessel, step: DraftStep): void {
    vessel.steps.push(step);
  }

  step(vessel: Vessel, clause: number, id: string, make: (id: string) => PlainStep): void {
    this.flushBoil(vessel);
    vessel.steps.push({ kind: 'step', clause, id, make });
  }

  /** What was brought to the boil and is not simmered after all has been at the boil. */
  flushBoil(vessel: Vessel): void {
    const { boiling } = vessel;
    if (boiling === undefined) return;
    vessel.boiling = undefined;
    vessel.steps.push({
      kind: 'step',
      clause: boiling,
      id: 'boil',
      make: (id) => ({ id, op: 'simmer', minutes: 0, vigour: 'lively', lid: 'off' }),
    });
  }

  wetted(vessel: Vessel): void {
    let liquid = 0;
    let all = 0;
    for (const id of vessel.lines) {
      const taken = this.lineOf(id)?.taken;
      if (taken === undefined) continue;
      const isLiquid =
        taken.row.group === 'liquids' ||
        taken.row.group === 'coconut and plant creams' ||
        /milk(?!-powder)|juice|passata|canned-tomatoes/.test(taken.row.id);
      const kg = taken.amount.rule === 'byStep' && isLiquid ? 1 : taken.kg;
      all += kg;
      const share = (this.uses.get(id) ?? []).reduce((sum, { share: own = 1 }) => sum + own, 0);
      if (isLiquid) liquid += kg * Math.min(1, share);
    }
    vessel.isWet ||= all > 0 && liquid / all > WET_SHARE;
  }

  /** All that is in one vessel put into another. */
  move(from: Vessel, to: Vessel, clause: number): void {
    if (from === to || from.joinedTo !== undefined) return;
    const isEmpty = to.steps.length === 0 && to.lines.size === 0;
    this.flushBoil(from);
    if (!from.isHot || (isEmpty && isHob(from) && isHob(to))) {
      to.steps.push(...from.steps);
      for (const line of from.lines) to.lines.add(line);
      to.isHot ||= from.isHot;
      to.isWet ||= from.isWet;
      to.isBlended ||= from.isBlended;
      for (const [line, share] of from.aside) to.aside.set(line, share);
    } else {
      to.steps.push({ kind: 'join', clause, vessel: from });
      to.isWet ||= from.isWet;
      to.isBlended ||= from.isBlended;
      for (const line of from.lines) to.lines.add(line);
      for (const [line, share] of from.aside) to.aside.set(line, share);
    }
    from.joinedTo = to;
  }
}
