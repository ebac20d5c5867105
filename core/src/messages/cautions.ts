import { degrees, showMass, showMinutes, showVolume, type Shown, type UnitSystem } from '../units/index.js';
import { bodyWord } from '../body/index.js';
import type { Caution, Target } from '../pot/index.js';
import type { NameOf } from './steps.js';

function text({ digits, unit }: Shown): string {
  return `${digits} ${unit}`;
}

/** A body as a cook and as a device says it. */
function said(mPas: number): string {
  return `${String(Math.round(mPas))} mPa·s (${bodyWord(mPas)})`;
}

/** Those where hands, backs, lungs and stomachs are at stake. */
const HURTS = new Set<Caution['code']>([
  'HARD_TO_CUT',
  'PRICK_OR_BURST',
  'HOT_FAT',
  'STEAM',
  'SMOKE_INDOORS',
  'UNDER_PRESSURE',
  'NO_PRESSURE_COOKER',
  'HOT_JUG',
  'HOT_BLADE',
  'EGG_TOO_COOL',
  'HOLD_TOO_COOL',
  'REHEAT_TOO_COOL',
  'REHEAT_TOO_SLOW',
  'TWO_PEOPLE_LIFT',
  'NEVER_LIFT',
]);

/** Whether someone can be hurt. */
export function hurts({ code }: Caution): boolean {
  return HURTS.has(code);
}

/** Shown once, under every list of cautions. */
export const STANDING_LINE = 'Local food law and your kitchen’s own safety plan come first.';

const UNREACHABLE: Readonly<Record<Target, string>> = {
  salt: 'No amount of this salt reaches the target.',
  cream: 'This cream is too thin for the target. Take a richer one.',
  body: 'No amount of this reaches that body. Take another liquid or thickener.',
  sour: 'No amount of this reaches that sourness.',
  sweet: 'No amount of this reaches that sweetness.',
  heat: 'No amount of this reaches that heat.',
  fat: 'No amount of this reaches that fat.',
  mass: 'No amount of this reaches that weight.',
};

const OVER: Readonly<Record<Target, { readonly it: string; readonly mend: string }>> = {
  salt: { it: 'Salt is', mend: ' Let it down with water or unsalted stock.' },
  cream: { it: 'Cream is', mend: '' },
  body: { it: 'The body is', mend: ' Nothing more is needed from this side.' },
  sour: { it: 'Sourness is', mend: ' Fat or a little sugar calms it.' },
  sweet: { it: 'Sweetness is', mend: ' Acid, spice or salt answer it.' },
  heat: { it: 'Heat is', mend: ' Cream or more soup calms it.' },
  fat: { it: 'Fat is', mend: '' },
  mass: { it: 'The weight is', mend: '' },
};

function passed({ what, overKg }: Extract<Caution, { code: 'TARGET_PASSED' }>, units: UnitSystem): string {
  const by = overKg > 0 ? `${text(showMass(overKg, units))} over` : 'past it';
  return `${OVER[what].it} ${by} already.${OVER[what].mend}`;
}

/** The one sentence of a caution, short, with its figure. */
export function cautionSentence(caution: Caution, nameOf: NameOf, units: UnitSystem): string {
  const names = (ids: readonly string[]): string => ids.map(nameOf).join(', ');
  switch (caution.code) {
    case 'HARD_TO_CUT':
      return `Hard under the knife: ${names(caution.lineIds)}. Flat side down, knife towards the board.`;
    case 'HOT_FAT':
      return 'Hot fat: dry the pieces, keep water away.';
    case 'TRAY_ROUNDS':
      return `${String(caution.trays)} trays: ${String(caution.rounds)} rounds of the oven, one after the other.`;
    case 'TRAY_CROWDED':
      return `Trays fuller than one layer: pieces steam before they brown; about ${showMinutes(caution.minutes)} in the oven.`;
    case 'PAN_CROWDED':
      return `More than the burner can dry in ${showMinutes(caution.setMinutes)}: it steams first. About ${showMinutes(caution.minutes)} in one go, or in ${String(caution.batches)} batches for colour.`;
    case 'NO_PRESSURE_COOKER':
      return caution.mostC > 0
        ? `The ${caution.pot.toLowerCase()} is made for ${degrees(caution.mostC, units)}, not ${degrees(caution.wantedC, units)}. Never lock a pot above what it is made for.`
        : `The ${caution.pot.toLowerCase()} is no pressure cooker in your kit. Never lock or weigh down another lid: simmer longer, or say in the kit what it is made for.`;
    case 'DROWNED':
      return `${text(showMass(caution.pouredKg, units))} to cover ${text(showMass(caution.piecesKg, units))}: the pot is wide for it and the soup will be thin. ${caution.narrower === undefined ? 'Cover less, and put the lid on.' : `Take the ${caution.narrower.toLowerCase()}, or cover less and put the lid on.`}`;
    case 'TOO_LITTLE_FOR_JUG':
      return `${text(showMass(caution.massKg, units))} hardly reaches the jug’s blade. A stick in a beaker does it.`;
    case 'NOT_TENDER':
      return `Not tender yet: ${names(caution.lineIds)}. Simmer on before the blade.`;
    case 'BOILED_DRY':
      return 'It boils dry before the time is up. Lid on, or more liquid.';
    case 'BURNER_TOO_SMALL':
      return `This burner (${String(Math.round(caution.givenW))} W) hardly makes up what the wall loses (${String(Math.round(caution.neededW))} W).`;
    case 'BURNER_LIMITS':
      return `The burner sets the boil-off here: ${caution.fluxKgM2H.toFixed(0)} kg/(m² h).`;
    case 'HOT_JUG':
      return `${degrees(caution.tempC, units)}: fill the jug ${caution.fillShare < 0.4 ? 'a third' : 'to 60 %'}, vent the lid, hold it with a cloth. Steam burns.`;
    case 'HOT_BLADE':
      return `${degrees(caution.tempC, units)}: keep the blade under, start low. It spits.`;
    case 'LEFT_IN_FOR_THE_BLADE':
      return `Still in: ${names(caution.lineIds)}. Fish it out before the blade.`;
    case 'COOL_IN_TWO_STAGES':
      return `Cool to ${degrees(caution.firstToC, units)} within ${String(caution.firstMinutes / 60)} h and ${degrees(caution.toC, units)} within ${String(caution.allMinutes / 60)} h in all (FDA Food Code).`;
    case 'STAYS_WARM':
      return `It gets no colder than ${degrees(caution.lowestC, units)} there. Use an ice bath or the fridge.`;
    case 'TARGET_PASSED':
      return passed(caution, units);
    case 'TARGET_UNREACHABLE':
      return UNREACHABLE[caution.what];
    case 'PRICK_OR_BURST':
      return `Prick or cut a cross before the oven, or they burst: ${names(caution.lineIds)}.`;
    case 'WASH_GRIT':
      return `Wash after cutting: ${names(caution.lineIds)}. Grit cannot be blended out.`;
    case 'BURNS_IN_SECONDS':
      return caution.lineIds.length === 0
        ? 'Stay with it, it burns in seconds.'
        : `Stay with it, it burns in seconds: ${names(caution.lineIds)}.`;
    case 'SMOKE_INDOORS':
      return 'Smoke indoors: extraction on, window open, nothing left alone.';
    case 'STEAM':
      return 'Cold liquid in a hot pan: stand back from the steam.';
    case 'LINER_HEAT':
      return `${degrees(caution.ovenC, units)}: check what your paper or mat may stand; most stop near ${degrees(220, units)}.`;
    case 'NOT_MELDED':
      return `Tender is not done: ${names(caution.lineIds)} still tastes raw. Simmer on.`;
    case 'CATCHES':
      return `Thick as it is (${String(Math.round(caution.bodyMPas))} mPa·s) it catches on the floor: stir.`;
    case 'TOO_THICK_TO_BOIL_HARD':
      return `Too thick (${String(Math.round(caution.bodyMPas))} mPa·s) to boil harder: it spits and catches. Gentler, and longer.`;
    case 'UNDER_PRESSURE':
      return `${degrees(caution.tempC, units)} under pressure: never more than two thirds full, and let it down before you open it.`;
    case 'ALCOHOL_LEFT':
      return `${String(Math.round(caution.share * 100))} % of the alcohol stays after this simmer.`;
    case 'SPOON_IMPLAUSIBLE':
      return `${caution.writtenPct.toFixed(2)} % salt is outside ${String(caution.lowPct)} to ${String(caution.highPct)} %. A slip of the spoon?`;
    case 'LUMPS':
      return 'Dry starch in hot soup lumps: mix it cold with twice its weight of water first.';
    case 'SPLIT_RISK':
      return `Splits ${caution.risk === 'high' ? 'easily' : 'perhaps'}: ${caution.fatPct.toFixed(0)} % fat, ${caution.sourG.toFixed(1)} g/kg acid, ${degrees(caution.tempC, units)}. Off the heat under ${degrees(85, units)}, or richer cream.`;
    case 'EGG_TOO_COOL':
      return `Egg must reach ${degrees(caution.leastC, units)}; ${degrees(caution.tempC, units)} is too cool.`;
    case 'EGG_SCRAMBLES':
      return `Egg scrambles over ${degrees(caution.mostC, units)}: let the pot cool first and temper in portions.`;
    case 'SERVE_HOTTER':
      return `${degrees(caution.tempC, units)} in the pot: about ${String(Math.ceil(caution.minutes))} min to ${degrees(caution.leastC, units)}.`;
    case 'HOLD_TOO_COOL':
      return `${degrees(caution.tempC, units)} is too cool to hold: ${degrees(caution.leastC, units)} or above (${caution.source}; your local law may ask for more, and comes first).`;
    case 'REHEAT_TOO_COOL':
      return `What was cold is brought back to ${degrees(caution.leastC, units)} all through; ${degrees(caution.tempC, units)} is too cool (FDA Food Code 2022, 3-403.11; local food law comes first).`;
    case 'REHEAT_TOO_SLOW':
      return `${showMinutes(caution.minutes)} to bring it back: what was cold must be hot within ${showMinutes(caution.withinMin)} (FDA Food Code 2022, 3-403.11). In two pots, or less at a time.`;
    case 'TEMPERATURE_QUESTIONED':
      return `${degrees(caution.readC, units)} is kept, but soup boils at ${degrees(caution.mostC, units)} here: look at the probe. The estimate stays as it was.`;
    case 'BODY_QUESTIONED':
      return `${said(caution.readMPas)} read; the pot as it stands is reckoned at ${said(caution.expectedMPas)}. Stirred, cooled, no pieces? Read again.`;
    case 'SALT_QUESTIONED':
      return `${caution.readPct.toFixed(2)} % salt read, ${caution.expectedPct.toFixed(2)} % expected: salted stock, salt not logged? Stir and read again. A second reading that says the same is believed.`;
    case 'READING_OUT_OF_RANGE':
      return `Out of the ${caution.device}’s range: it only says on which side. Take another device.`;
    case 'OVER_THE_BRIM':
      return `${text(showVolume(caution.overM3, units))} more than may boil in this pot.`;
    case 'TWO_PEOPLE_LIFT':
      return `${text(showMass(caution.massKg, units))} with the pot: two people lift, or ladle it out.`;
    case 'NEVER_LIFT':
      return `${text(showMass(caution.massKg, units))} with the pot, hot: nobody lifts that. Ladle it out, or cook it where it is served from.`;
    case 'READING_QUESTIONED':
      return `${text(showMass(caution.readKg, units))} read, ${text(showMass(caution.expectedKg, units))} expected. Wrong pot, tare, or something not logged? Read again: a second reading that says the same is believed.`;
    case 'KEEP_WARM_OR_COLD':
      return `Hold at ${degrees(caution.hotC, units)} or above, or ${degrees(caution.coldC, units)} or below (${caution.source}).`;
  }
}
