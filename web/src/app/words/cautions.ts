import { showMass, showVolume, type Shown } from '@tureen/core/units';
import type { Caution } from '@tureen/core/pot';
import type { NameOf } from './steps';

function text({ digits, unit }: Shown): string {
  return `${digits} ${unit}`;
}

function degrees(c: number): string {
  return `${String(Math.round(c))} °C`;
}

/** Whether someone can be hurt. */
export function hurts({ code }: Caution): boolean {
  return code === 'HOT_JUG' || code === 'HOT_BLADE' || code === 'HOT_FAT' || code === 'TWO_PEOPLE_LIFT' || code === 'HARD_TO_CUT';
}

/** Shown once, under every list of cautions. */
export const STANDING_LINE = 'Local food law and your kitchen’s own safety plan come first.';

/** The one sentence of a caution, short, with its figure. */
export function cautionSentence(caution: Caution, nameOf: NameOf): string {
  const names = (ids: readonly string[]): string => ids.map(nameOf).join(', ');
  switch (caution.code) {
    case 'HARD_TO_CUT':
      return `Hard under the knife: ${names(caution.lineIds)}. Flat side down, knife towards the board.`;
    case 'HOT_FAT':
      return 'Hot fat: dry the pieces, keep water away.';
    case 'TRAY_ROUNDS':
      return `${String(caution.trays)} trays in one layer: ${String(caution.rounds)} rounds of the oven.`;
    case 'TRAY_CROWDED':
      return `${caution.loadKgM2.toFixed(1)} kg/m² on the trays: they steam before they brown.`;
    case 'NOT_TENDER':
      return `Not tender yet: ${names(caution.lineIds)}. Simmer on before the blade.`;
    case 'BOILED_DRY':
      return 'It boils dry before the time is up. Lid on, or more liquid.';
    case 'BURNER_TOO_SMALL':
      return `This burner (${String(Math.round(caution.givenW))} W) hardly makes up what the wall loses (${String(Math.round(caution.neededW))} W).`;
    case 'BURNER_LIMITS':
      return `The burner sets the boil-off here: ${caution.fluxKgM2H.toFixed(0)} kg/(m² h).`;
    case 'HOT_JUG':
      return `${degrees(caution.tempC)}: fill the jug ${caution.fillShare < 0.4 ? 'a third' : 'to 60 %'}, vent the lid, hold it with a cloth. Steam burns.`;
    case 'HOT_BLADE':
      return `${degrees(caution.tempC)}: keep the blade under, start low. It spits.`;
    case 'LEFT_IN_FOR_THE_BLADE':
      return `Still in: ${names(caution.lineIds)}. Fish it out before the blade.`;
    case 'COOL_IN_TWO_STAGES':
      return `Cool to ${degrees(caution.firstToC)} within ${String(caution.firstMinutes / 60)} h and ${degrees(caution.toC)} within ${String(caution.allMinutes / 60)} h in all (FDA Food Code).`;
    case 'STAYS_WARM':
      return `It gets no colder than ${degrees(caution.lowestC)} there. Use an ice bath or the fridge.`;
    case 'TARGET_PASSED':
      return caution.what === 'salt'
        ? `Salt is ${text(showMass(caution.overKg, 'metric'))} over already. Let it down with water or unsalted stock.`
        : `Cream is ${text(showMass(caution.overKg, 'metric'))} over already.`;
    case 'TARGET_UNREACHABLE':
      return caution.what === 'salt'
        ? 'No amount of this salt reaches the target.'
        : 'This cream is too thin for the target. Take a richer one.';
    case 'OVER_THE_BRIM':
      return `${text(showVolume(caution.overM3, 'metric'))} more than may boil in this pot.`;
    case 'TWO_PEOPLE_LIFT':
      return `${text(showMass(caution.massKg, 'metric'))} with the pot: two people lift, or ladle it out.`;
    case 'READING_QUESTIONED':
      return `${text(showMass(caution.readKg, 'metric'))} read, ${text(showMass(caution.expectedKg, 'metric'))} expected. Read again: wrong pot, tare, or something not logged?`;
    case 'KEEP_WARM_OR_COLD':
      return `Hold at ${degrees(caution.hotC)} or above, or ${degrees(caution.coldC)} or below (FDA Food Code).`;
  }
}
