/** What a method that gives no figure is taken to mean. Kitchen defaults, common practice. */
export const USUAL = {
  ovenC: 190,
  grillC: 250,
  roastMin: 40,
  grillMin: 10,
  sweatMin: 8,
  fryMin: 8,
  bloomMin: 1,
  toastMin: 1,
  simmerMin: 20,
  smokeMin: 20,
  fryPureeMin: 5,
  wineMin: 2,
  warmMin: 3,
  /** What a soup is heated to that is not cooked any more, °C. */
  reheatLeastC: 60,
  reheatMostC: 98,
  restMin: 10,
  blendMin: 2,
  mashMin: 0.3,
  saltPct: 0.8,
  holdMin: 60,
  liaisonC: 80,
  overM: 0.01,
  bodyMPas: 220,
  thickMPas: 500,
  pressureMin: 15,
  pressureC: 115,
} as const;
/** "With a splash of water if it catches": a help, and no part of what is done. */
const HELP_IF =
  /,? (?:with|adding|and add) (?:a|an|some|another|a little|more) (?:(?:splash(?:es)?|drops?|bit|little|dash|glug|tablespoon|spoonful) )?(?:more |extra )?(?:of )?(?:water|stock|oil|broth) (?:if|when|should) [^,;.]*/i;
const IS_THINNED =
  /\b(?:thin|thinn\w*|loosen\w*|slacken\w*|dilut\w*|let\w* (?:it |the soup )?down|adjust\w*|consistency|thick|stiff|dense)\b/i;

/** Words without the help that they hold ready: "add the leek with a splash of water if it starts to catch". */
export function withoutHelp(text: string): string {
  return IS_THINNED.test(text) ? text : text.replace(HELP_IF, '');
}
/** Heat that a short cooking of spices, garlic, paste or flour is given: no longer than this, min. */
export const BLOOM_MOST = 2.5;
/** From this share of liquid on, what is cooked is simmered. */
export const WET_SHARE = 0.25;
/** Shares nearer to all of it than this are all of it. */
export const WHOLE = 0.97;
/** A splash, a ladle's drop, and a little of what only the method names, g. Kitchen defaults. */
export const SPLASH_G = 50;
export const LITTLE_G = 15;

/** So many clauses further on it may be said what becomes of something that was lifted out or soaked. */
export const LOOKS_AHEAD = 20;

/** "In a large pot of boiling salted water": water of its own, and none of the soup's. */
export const IN_WATER =
  /\b(?:in|into) (?:a |the )?(?:little |bit of |some |plenty of |(?:[a-z]+ ){0,2}(?:pan|pot|saucepan|stockpot) of )?(?:boiling|salted|simmering|plenty of)[\w, ]* water\b/i;

/** "Drain on kitchen paper": what was fried, of its fat. */
export const ON_PAPER = /\b(?:on|onto|over) (?:some |a sheet of |a )?(?:kitchen|paper|absorbent)\b/i;

/** "Tip in the tray" empties it into the pot. */
export const EMPTIED =
  /\b(?:tip|scrape|empty|add|pour)\b(?: in)? (?:the )?(?:\w+ of the )?(?:\w+ )?tray\b|\b(?:tip|scrape|empty)\b in (?:the |both |all (?:the )?)?trays\b/i;

/** "Most of it", where no part is named. Kitchen default, marked where it is used. */
export const MOST = 0.8;

/** "Stir well", "mix until combined": how it is done, and nothing of its own. */
export const HOW_ONLY =
  /^(?:and |then )*(?:stir|fold|mix|toss|combine|whisk|beat|return)(?: it| them| all| everything| the two| both)?(?: back(?: in| together)?)?(?: (?:really|very))?(?: (?:well|round|around|about|through|thoroughly|together|gently|occasionally|to combine|to coat|to mix|(?:until|till) (?:combined|melted|smooth|well mixed|evenly mixed)))*$/i;

export type Heat = 'sweat' | 'fry' | 'bloom' | 'simmer' | 'roast' | 'toast' | 'fryPuree';

/** The salt that a "season" takes, until the recipe's own is known. */
export const SALT_LINE = 'salt-to-season';

/** What is kept back for the bowl, where that is said: there it goes, whether it is spoken of again or not. */
export const FOR_TOP =
  /\bfor (?:the )?(?:drizzl\w+|garnish\w*|tops?|topping|serving|swirl\w*|finish\w*|each bowl)\b|\bto (?:serve|garnish|finish|drizzle|swirl|top|scatter|sprinkle)\b/i;

/** A few pieces, a cup of it: so much of what is there. Kitchen default. */
export const A_FEW = 0.15;
