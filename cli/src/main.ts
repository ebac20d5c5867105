import { given, type Given } from './options.js';
import { check, plan } from './plan.js';
import { landing, larder, odds, units, why } from './commands.js';
import { read } from './read.js';
import { cool, freeze, split } from './cold.js';
import { dayPlanned, shopped } from './day.js';
import { learned, reconciled } from './ledger.js';
import { GOOD, Misused, USAGE, type CommandResult } from './result.js';

const HELP = `npm run tureen -- COMMAND [options]

  plan SOUP.json      amounts, figures, cautions
  read RECIPE.txt     a written recipe: its lines, its method clause by clause, its steps [--country gb|us|au]
  check SOUP.json     whether it can be cooked
  land SOUP.json      what to stir in: --band salt=0.7..0.9 --band body=150..250 [--add water --add ...]
  odds SOUP.json      how it may turn out: [--samples 2000] [--seed 1] [--hold amounts|body|bowls]
  why SOUP.json FIGURE   salt, fat, energy, cost, litres, yield, bowls, body, minutes, stock, cream
  larder NAME         one ingredient [--country gb|us|au]
  units [N FROM TO]   all units, or a conversion
  cool --depth 50mm   how fast a pan cools: [--from 80] [--in fridge|walk-in|blast|ice-bath|kitchen] [--stirred] [--rule two-stage|cook-chill]
  split --kg 18kg     how many of which pans meet the rule: [--from 80] [--in ...] [--rule ...]
  reconcile BATCH.json   readings beside entries, and what would explain where they disagree
  learn DIR           what the batches of a folder say of their kitchen
  day DAY.json        a day's soups laid out on kit and hands: [--soups DIR] [--ics]
  shop DAY.json       what that day needs, added up by ingredient
  freeze --depth 50mm how long a tub takes to freeze through: [--from 4]

  --bowls 40 --bowl 300g --pot ID       what is asked; without a pot the smallest that holds it
  --kg 12kg --litres 12l --on-hand beetroot=5kg --fill-pot --trays 4 --jugs 6 --cartons cream=2x600g
                                        from other sides; several are met together or said to contradict
  --exact                               not rounded to what is bought and measured
  --kit home|cafe|canteen|KIT.json  --larder MORE.json  --json

Ends with 0 when it worked, 1 when the soup or what is asked of it is wrong, 2 when the command was not understood.`;

const COMMANDS: Readonly<Record<string, (from: Given) => CommandResult | Promise<CommandResult>>> = {
  plan,
  read,
  check,
  land: landing,
  odds,
  why,
  larder,
  units,
  cool,
  split,
  freeze,
  reconcile: reconciled,
  learn: learned,
  day: dayPlanned,
  shop: shopped,
};

/** Runs one command line. Nothing is read but the files it names, and nothing is written. */
export async function tureen(args: readonly string[]): Promise<CommandResult & { readonly json: boolean }> {
  const json = args.includes('--json');
  try {
    const from = given(args);
    const name = from.positionals[0];
    if (from.values.help === true || name === undefined)
      return { exit: from.values.help === true ? GOOD : USAGE, text: HELP, data: { usage: HELP }, json };
    const command = COMMANDS[name];
    if (command === undefined) throw new Misused(`There is no command "${name}".`);
    return { ...(await command(from)), json };
  } catch (error) {
    if (!(error instanceof Misused)) throw error;
    return { exit: USAGE, text: `${error.message}\n\n${HELP}`, data: { error: error.message }, json };
  }
}
