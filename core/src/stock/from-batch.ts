import { CREAM_KG, contents, parcelKg } from '../pot/index.js';
import { servedOf, type PreparedSoup, type Run } from '../runner/index.js';
import { allergenNames } from '../larder/index.js';
import { dietNames, shortenersOf, soupAsIngredient } from './contents.js';
import { KEPT_SOUP } from '../soup/index.js';
import type { Contents } from './entry.js';

const MOST_ID = 50;

/**
 * What a container of a batch holds: the soup as it stands in the pot when service begins, without what goes into single
 * bowls. Undefined for a pot with nothing in it.
 */
export function contentsOf(
  { prepared, run }: { readonly prepared: PreparedSoup; readonly run: Run },
  version?: number,
): Contents | undefined {
  const last = run.records.at(-1);
  if (last === undefined) return undefined;
  const parcel = contents(last.before);
  const kg = parcelKg(parcel);
  if (!(kg > 0)) return undefined;
  const { soup, bowlKg } = prepared;
  const row = soupAsIngredient(parcel, soup.name.slice(0, 80));
  return {
    name: row.name,
    soupId: soup.id,
    ...(version === undefined ? {} : { version }),
    bowlG: bowlKg * 1000,
    isServedCold: soup.served === 'cold',
    bodyMPas: servedOf(prepared, run).bodyMPas,
    holds: shortenersOf(allergenNames(parcel.allergens), parcel.carried[CREAM_KG] * 1000),
    diets: dietNames(parcel),
    row: { ...row, id: `${KEPT_SOUP}${soup.id}`.slice(0, MOST_ID) },
  };
}
