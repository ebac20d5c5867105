import { walk, type Branch, type PlainStep, type Soup, type SoupStep } from '../soup/index.js';
import { freeId } from './compose.js';
import { addStep, branches, ids, inserted, placeOf, stepOf, withoutStep } from './edit.js';

/**
 * Part of a line lifted out whole before the blender and given back behind it, where a bite of it is wanted in the bowl.
 * The share is an eighth to begin with (kitchen default); both steps can be set and moved. As it was where the line goes in
 * by no step that takes pieces, or nothing is blended.
 */
export function holdBack(soup: Soup, lineId: string, share = 0.125): Soup {
  const steps = walk(soup.root).map(({ step }) => step);
  const blendAt = steps.findIndex(({ op }) => op === 'blend');
  const blend = steps[blendAt];
  const goesIn = steps
    .slice(0, Math.max(0, blendAt))
    .some((step) => (step.op === 'trim' || step.op === 'add') && step.uses.some(({ line }) => line === lineId));
  const before = blend === undefined ? undefined : placeOf(soup, blend.id);
  if (!goesIn || blend === undefined || before === undefined) return soup;
  const sieved = steps.slice(blendAt + 1).find(({ op }) => op === 'sieve');
  const behind = placeOf(soup, sieved?.id ?? blend.id) ?? before;
  const back: PlainStep = { id: `give-back-${lineId}`.slice(0, 55), op: 'giveBack', lines: [lineId], share: 1 };
  const given = addStep(soup, back, { ...behind, index: behind.index + 1 }).soup;
  const lift: PlainStep = { id: `hold-back-${lineId}`.slice(0, 55), op: 'takeOut', lines: [lineId], share, keep: true };
  return addStep(given, lift, before).soup;
}

/** What a branch of its own begins with: a tray in the oven, or a second pot. Kitchen defaults. */
const BRANCHES: Readonly<Record<Branch['vessel'], { readonly name: string; readonly heat: PlainStep }>> = {
  tray: { name: 'Tray', heat: { id: 'roast', op: 'roast', ovenC: 200, minutes: 35, load: 'rounds' } },
  pot: { name: 'Second pot', heat: { id: 'simmer-apart', op: 'simmer', minutes: 20, vigour: 'steady', lid: 'ajar' } },
};

/**
 * A step that takes lines, put into a tray or a pot of its own with its heat, which runs in where the step stood. As it was
 * where the step takes none, or stands in such a branch already.
 */
export function branchOff(soup: Soup, stepId: string, vessel: Branch['vessel']): Soup {
  const step = stepOf(soup, stepId);
  const place = placeOf(soup, stepId);
  if (step === undefined || (step.op !== 'trim' && step.op !== 'add') || place?.branchId !== soup.root.id) return soup;
  const { name, heat } = BRANCHES[vessel];
  const taken = ids(soup);
  const branch: Branch = {
    id: freeId(vessel, new Set(branches(soup.root).map(({ id }) => id))),
    name,
    vessel,
    steps: [step, { ...heat, id: freeId(heat.id, taken) }],
  };
  const join: SoupStep = { id: freeId(`tip-in-${vessel}`, taken), op: 'join', branch };
  return inserted(withoutStep(soup, stepId), join, place);
}
