import type { Branch, PlainStep, Soup, SoupStep } from '../soup/index.js';
import { isBatchStep } from '../soup/index.js';
import { TOUCH_C } from '../steps/index.js';

/** What a line is called in a sentence. */
export type LineName = (line: string) => string;

function list(names: readonly string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
}

const PARTS: readonly (readonly [number, string])[] = [
  [0.5, 'half'],
  [1 / 3, 'a third'],
  [2 / 3, 'two thirds'],
  [0.25, 'a quarter'],
  [0.75, 'three quarters'],
];

function figure(value: number): string {
  return String(Math.round(value * 1000) / 1000);
}

/** @example part(0.5) // 'half of ' */
function part(share: number | undefined): string {
  if (share === undefined || share >= 1) return '';
  const word = PARTS.find(([value]) => Math.abs(value - share) < 1e-3)?.[1];
  return `${word ?? `${figure(share * 100)} %`} of `;
}

/** @example lasting(75) // 'for 1 hour 15 minutes' */
function lasting(minutes: number): string {
  if (minutes >= 60 && minutes % 60 === 0) return `for ${String(minutes / 60)} hour${minutes === 60 ? '' : 's'}`;
  return minutes === 1 ? 'for 1 minute' : `for ${figure(minutes)} minutes`;
}

/** What of its lines were used before, so that the last of one is "the rest of" it. */
class Used {
  private readonly spent = new Map<string, number>();

  name({ line, share }: { readonly line: string; readonly share?: number | undefined }, nameOf: LineName): string {
    const before = this.spent.get(line) ?? 0;
    const own = share ?? 1;
    this.spent.set(line, before + own);
    if (before > 0 && before + own > 1 - 1e-6) return `the rest of the ${nameOf(line)}`;
    return `${part(share)}the ${nameOf(line)}`;
  }
}

const VIGOUR = { bare: 'Simmer barely', steady: 'Simmer', lively: 'Boil', rolling: 'Boil rapidly' } as const;
const BLENDER = { jug: 'in a jug blender', stick: 'with a stick blender', processor: 'in a food processor' } as const;
const FRY = { sauté: 'Fry until golden', toast: 'Toast', bloom: 'Bloom', smoke: 'Smoke' } as const;

function plain(step: PlainStep, used: Used, nameOf: LineName): string {
  switch (step.op) {
    case 'trim':
    case 'add':
      return `Add ${list(step.uses.map((use) => used.name(use, nameOf)))}`;
    case 'roast': {
      const toss = step.tossEveryMin === undefined ? '' : `, tossing every ${String(step.tossEveryMin)} minutes`;
      return `Roast at ${figure(step.ovenC)} °C ${lasting(step.minutes)}${toss}${step.load === 'crowd' ? ', crowded' : ''}`;
    }
    case 'sweat':
      return `Sweat over a ${step.heat === 'high' ? 'high' : 'low'} heat ${lasting(step.minutes)}, lid ${step.lid}`;
    case 'fry':
      return `${FRY[step.how]} ${lasting(step.minutes)}`;
    case 'fryPuree':
      return `Fry the purée ${lasting(step.minutes)}`;
    case 'deglaze':
      return `Deglaze with ${used.name(step.use, nameOf)} ${lasting(step.minutes)}`;
    case 'takeOut':
      return step.keep === true
        ? `Lift out ${part(step.share)}the ${list(step.lines.map(nameOf))} and keep by`
        : `Fish out ${part(step.share)}the ${list(step.lines.map(nameOf))}`;
    case 'giveBack':
      return `Return ${part(step.share)}the reserved ${list(step.lines.map(nameOf))}${step.choppedMm === undefined ? '' : `, chopped to ${figure(step.choppedMm)} mm`}`;
    case 'peel':
      return `Peel the ${list(step.lines.map(nameOf))}: ${figure(step.keeps * 100)} % goes on`;
    case 'cover':
      return `Pour in the ${nameOf(step.line)} to cover by ${figure(step.overM * 1000)} mm`;
    case 'drain':
      return step.keep === 'pieces'
        ? `Drain, reserving ${figure(step.liquidShare * 100)} % of the liquid`
        : `Strain, keeping ${figure(step.liquidShare * 100)} % of the liquid`;
    case 'skim':
      return `Skim off ${figure(step.share * 100)} % of the fat`;
    case 'simmer':
      if (step.minutes === 0) return 'Bring to the boil';
      return `${VIGOUR[step.vigour]} ${lasting(step.minutes)}, lid ${step.lid}`;
    case 'pressure':
      return `Pressure-cook ${lasting(step.minutes)} at ${figure(step.atC)} °C`;
    case 'rest': {
      const where = step.around === 'ice bath' ? ' in an ice bath' : '';
      if (step.toC === undefined) return `Leave to rest ${lasting(step.minutes ?? 0)}${where}`;
      return step.toC === TOUCH_C ? `Leave until cool enough to handle${where}` : `Cool to ${figure(step.toC)} °C${where}`;
    }
    case 'blend': {
      const held = step.holdBack?.map(({ line, share }) => `${part(share)}the ${nameOf(line)}`);
      return `Blend ${BLENDER[step.blender]} ${lasting(step.minutes)}${held === undefined ? '' : `, leaving whole ${list(held)}`}`;
    }
    case 'sieve':
      return `Press through a ${figure(step.meshMm)} mm sieve${step.scraped ? ', scraping the sides' : ' without scraping'}`;
    case 'thin':
      return `Thin with the ${nameOf(step.line)} to ${figure(step.toMPas)} mPa·s`;
    case 'reduce':
      return step.to.by === 'body' ? `Reduce to ${figure(step.to.mPas)} mPa·s` : `Reduce to ${figure(step.to.kept * 100)} % of it`;
    case 'thicken':
      return `Thicken with ${list(step.parts.map(({ line, parts }) => `${figure(parts)} parts of the ${nameOf(line)}`))} to ${figure(step.toMPas)} mPa·s`;
    case 'season':
      return `Season with the ${nameOf(step.line)} to ${figure(step.saltPct)} % salt`;
    case 'tune':
      return `Balance with the ${nameOf(step.line)} to ${step.taste} ${figure(step.to)}`;
    case 'cup':
      return `Weigh out ${figure(step.kg * 1000)} g in a cup to try`;
    case 'cream': {
      const { target } = step;
      const to = {
        written: () => '',
        pct: (value: number) => ` to ${figure(value)} % of the soup`,
        gPerBowl: (value: number) => `, ${figure(value)} g for every portion`,
        fatPer100: (value: number) => ` to ${figure(value)} g fat in 100 g`,
      };
      return `Stir in the ${nameOf(step.line)} as the cream${target.by === 'written' ? to.written() : to[target.by](target.value)}`;
    }
    case 'liaison':
      return `Bind with ${used.name(step.yolks, nameOf)} and ${used.name(step.cream, nameOf)} at ${figure(step.toC)} °C`;
    case 'reheat':
      return `Reheat to ${figure(step.toC)} °C, lid ${step.lid}`;
    case 'hold':
      return `Hold at ${figure(step.atC)} °C ${lasting(step.minutes)}, lid ${step.lid}${step.topUp === undefined ? '' : `, topped up with the ${nameOf(step.topUp)}`}`;
    case 'film':
      return '';
    case 'dish': {
      const tops = [...new Set((step.shares ?? []).flatMap(({ garnish = [] }) => garnish.map(({ line }) => nameOf(line))))];
      return tops.length === 0 ? 'Serve' : `Serve topped with the ${list(tops)}`;
    }
  }
}

/** Sentences of a branch, what runs into it told before it is tipped in. */
function branchWords(
  branch: Branch,
  used: Used,
  nameOf: LineName,
  vessel: string,
  count: { trays: number; pans: number },
): string[] {
  const out: string[] = [];
  let isEmpty = true;
  const place = (text: string): string => {
    if (!isEmpty) return text;
    isEmpty = false;
    return text.startsWith('Add ') ? `${text.replace(/^Add /, 'Put ')} ${vessel}` : `${text} ${vessel}`;
  };
  for (const step of branch.steps) {
    if (step.op === 'join') {
      const { branch: own } = step;
      const isTray = own.vessel === 'tray';
      if (isTray) count.trays += 1;
      else count.pans += 1;
      const nth = isTray ? count.trays : count.pans;
      const name = isTray ? `on a ${nth === 1 ? '' : 'second '}baking tray` : 'in a second pan';
      out.push(...branchWords(own, used, nameOf, name, count));
      const into = isEmpty ? 'into a large pot' : 'into the pot';
      isEmpty = false;
      out.push(isTray ? `Tip everything on the tray ${into}` : `Tip everything in the second pan ${into}`);
    } else if (!isBatchStep(step)) {
      const words = plain(step, used, nameOf);
      if (words !== '') out.push(place(words));
    }
  }
  return out;
}

/**
 * A soup's method in plain sentences, one for each step, that are read again as the same steps. What stands on bowls is told
 * without its grams, which are its lines'; a cook's own words at a step follow in brackets where they are no such sentence.
 */
export function writeMethod(soup: Pick<Soup, 'root'>, nameOf: LineName): string[] {
  const used = new Used();
  return branchWords(soup.root, used, nameOf, 'in a large pot', { trays: 0, pans: 0 }).map((text) => `${text}.`);
}

export type { SoupStep };
