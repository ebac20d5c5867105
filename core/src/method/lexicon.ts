/** What a verb of a method is about, before it is known to what it is done and where. */
export type Sense =
  | 'prepare'
  | 'peel'
  | 'squeeze'
  | 'soak'
  | 'drain'
  | 'line'
  | 'preheat'
  | 'heat'
  | 'melt'
  | 'roast'
  | 'grill'
  | 'smoke'
  | 'toast'
  | 'sweat'
  | 'fry'
  | 'bloom'
  | 'cook'
  | 'boil'
  | 'bring'
  | 'simmer'
  | 'blanch'
  | 'pressure'
  | 'reduce'
  | 'turn'
  | 'add'
  | 'mix'
  | 'wrap'
  | 'deglaze'
  | 'cover'
  | 'season'
  | 'thin'
  | 'thicken'
  | 'top'
  | 'serve'
  | 'remove'
  | 'reserve'
  | 'set'
  | 'let'
  | 'cool'
  | 'chill'
  | 'strain'
  | 'skim'
  | 'blend'
  | 'mash'
  | 'join'
  | 'give'
  | 'store'
  | 'hold'
  | 'check'
  | 'bind'
  | 'balance'
  | 'remark';

const BY_SENSE: Readonly<Record<Sense, string>> = {
  prepare:
    'chop dice slice cube mince grate shred halve quarter trim core seed deseed de-seed top-and-tail tail wash scrub clean prick poke stab jab pierce score snap cut crush smash bash bruise tear pick strip shell pod prepare prep weigh measure zest husk shuck crumble wipe pat snip segment string hull stone destone pit break separate finely-chop roughly-chop sharpen-knife assemble gather whip chunk',
  peel: 'peel skin scoop slip',
  squeeze: 'squeeze juice pop',
  soak: 'soak rinse rehydrate steep cover-with-water',
  drain: 'drain refresh',
  line: 'line grease oil butter-the',
  preheat: 'preheat pre-heat',
  heat: 'heat warm reheat re-heat rewarm',
  melt: 'melt foam',
  roast: 'roast bake oven-roast air-fry airfry',
  grill: 'grill broil char blister barbecue blacken scorch',
  smoke: 'smoke',
  toast: 'toast dry-toast dry-fry',
  sweat: 'sweat soften wilt stew braise',
  fry: 'sizzle frizzle pincage pincé fry sauté saute sautée stir-fry brown colour color caramelise caramelize gild crisp sear render pan-fry deep-fry shallow-fry',
  bloom: 'bloom',
  cook: 'cook continue',
  boil: 'boil',
  bring: 'bring fetch reboil re-boil',
  simmer: 'simmer sim bubble poach putter blip tick',
  blanch: 'blanch steam microwave parboil',
  pressure: 'pressure-cook',
  reduce: 'reduce',
  turn: 'turn lower raise increase decrease switch adjust-heat remove-from',
  add: 'add moisten flood stir tip pour put place throw drop scatter sprinkle spread arrange lay scrape transfer return spoon ladle empty chuck bung slide strew pile tuck nestle submerge fold incorporate introduce include dump shower dust whack shove sling plonk plop lob bang stud insert plunge use replace load singe follow splash trickle stream rain squish feed refine butter sandwich fill temper unite slosh anoint',
  mix: 'toss roll mix combine whisk beat rub brush slick coat drizzle massage blend-together dissolve slake',
  wrap: 'wrap seal enclose',
  deglaze: 'deglaze',
  cover: 'cover',
  season: 'season salt pepper flavour',
  thin: 'thin loosen dilute slacken let-down lengthen',
  thicken: 'thicken',
  top: 'top mound heap garnish finish decorate dress swirl dot crown enrich mount sharpen float',
  serve: 'serve dish plate divide share portion enjoy eat',
  remove: 'remove retrieve move discard fish lift take pull extract throw-away skim-off bin ditch chuck-out',
  reserve: 'reserve keep hold save retain',
  set: 'set',
  let: 'let leave allow rest stand sit',
  cool: 'cool',
  chill: 'chill refrigerate',
  strain: 'strain mouli run sieve pass push press force work',
  skim: 'skim',
  blend:
    'blend burr bur grind puree purée pureé liquidise liquidize liquify liquefy whizz whiz whirl blitz process pulse zap buzz pulverise pulverize purees stick-blend hand-blend immersion-blend jug-blend',
  mash: 'mash',
  join: 'join',
  give: 'give',
  store: 'freeze store keeps freezes',
  hold: '',
  bind: 'bind',
  balance: 'balance',
  check: 'check taste adjust correct test judge',
  remark:
    "do don’t don't never avoid make ensure be repeat remember try start begin work-in note expect aim feel watch stop decant label date",
};

/** Verbs of a method with what they are about: British, American and Australian words together. */
export const VERBS: Readonly<Record<string, Sense>> = Object.fromEntries(
  (Object.entries(BY_SENSE) as [Sense, string][]).flatMap(([sense, words]) => words.split(' ').map((word) => [word, sense])),
);

function participle(verb: string): readonly string[] {
  if (verb.endsWith('e')) return [`${verb}d`];
  if (/[^aeiou]y$/.test(verb)) return [`${verb.slice(0, -1)}ied`];
  return [`${verb}ed`, `${verb}${verb.at(-1) ?? ''}ed`];
}

/** What a method in the passive says: "is blended", "are then added". */
export const PARTICIPLES: Readonly<Record<string, string>> = {
  ...Object.fromEntries(Object.keys(VERBS).flatMap((verb) => participle(verb).map((form) => [form, verb]))),
  put: 'put',
  cut: 'cut',
  left: 'leave',
  beaten: 'beat',
  kept: 'keep',
  brought: 'bring',
  taken: 'take',
  set: 'set',
  given: 'give',
};

/** Verbs that are as often a noun or a quality: they count where what follows says so. */
export const NOUN_VERBS: ReadonlySet<string> = new Set(
  (
    'roll chunk salt pepper oil juice top season cover core seed tail string stone pit skin zest line dish plate share brown colour color char ' +
    'smoke toast roast chill cool heat warm boil simmer drizzle dot dust stud press work pass dress mount thin measure use score ' +
    'flavour crush mash pulse purée puree blend process crisp cube slice dice quarter halve set rest hold save stand store keep ' +
    'top shower pod shell trim wilt steam coat mouli fill top crown note start stop finish share wash clean reserve rub'
  ).split(' '),
);

/** Of those, the ones that after "and" or at the start are always what is to be done. */
export const STRONG_VERBS: ReadonlySet<string> = new Set(
  'season simmer boil blend serve chill sieve pass strain drain cover puree purée cool heat warm process rest mash wash roast thin reserve set save keep start'.split(
    ' ',
  ),
);

/** Forms in -ing by which a further thing to do is said, with their verbs. "Stirring" and "turning" only say how. */
export const GERUNDS: Readonly<Record<string, string>> = {
  adding: 'add',
  passing: 'pass',
  liquidising: 'liquidise',
  liquidizing: 'liquidise',
  puréeing: 'purée',
  pureeing: 'puree',
  whizzing: 'whizz',
  blitzing: 'blitz',
  sieving: 'sieve',
  straining: 'strain',
  serving: 'serve',
  sweating: 'sweat',
  softening: 'soften',
  roasting: 'roast',
  frying: 'fry',
  blending: 'blend',
  pouring: 'pour',
  tipping: 'tip',
  discarding: 'discard',
  removing: 'remove',
  reserving: 'reserve',
  keeping: 'keep',
  saving: 'save',
  squeezing: 'squeeze',
  scraping: 'scrape',
  sprinkling: 'sprinkle',
  whisking: 'whisk',
  seasoning: 'season',
  melting: 'melt',
  heating: 'heat',
  simmering: 'simmer',
  skimming: 'skim',
  thinning: 'thin',
  loosening: 'loosen',
  joining: 'join',
  joins: 'join',
  join: 'join',
  garnishing: 'garnish',
  topping: 'top',
};

/** Words that may stand before the verb of a clause: pronouns, wishes, order. */
export const OPENERS: ReadonlySet<string> = new Set(
  (
    "i you we i'd i'll you'll we'll i’d i’ll you’ll we’ll can could should will would want like need to may might must please now next first firstly second secondly " +
    'third thirdly finally lastly last then also so ok okay right simply just once-more again start by begin beginning starting ready meanwhile ' +
    'meantime afterwards later together too instead alternatively immediately straight away optional optionally go ahead always usually if-you-like when-ready have'
  ).split(' '),
);

export const ADVERBS: ReadonlySet<string> = new Set(
  (
    'gently slowly carefully quickly briefly lightly thoroughly well very gradually roughly coarsely finely thinly generously ' +
    'evenly loosely really completely occasionally constantly continuously gradually thickly neatly steadily softly barely partially ' +
    'partly half dry- blast pressure stick hard'
  ).split(' '),
);

export type VesselKind = 'tray' | 'pan' | 'pot' | 'jug' | 'bowl' | 'serving';

/** Names of vessels, the first that fits. */
export const PLACES: readonly (readonly [RegExp, VesselKind])[] = [
  [
    /\b(?:(?:rimmed |lined )?(?:baking|oven|roasting|cookie|sheet)[- ](?:trays?|sheets?|tins?|pans?|dish(?:es)?)|sheet pans?|sheet trays?|ovenproof (?:dish|pan)|(?:the|each|that|prepared|lined|second|other|another|separate|first|one) (?:prepared |lined |rimmed )?sheets?|trays?|roasting tins?)\b/i,
    'tray',
  ],
  [
    /\b(?:(?:individual |warmed? |warm |serving |soup |shallow |deep |four |six |hot |each |chilled |cold )+(?:bowls?|plates?|mugs?|glasses|cups)|bowls|plates|mugs|glasses|cups of soup|flasks?|tureen|tumblers)\b/i,
    'serving',
  ],
  [/\b(?:blenders?|liquidi[sz]ers?|food[- ]processors?|processor|blender jug|jug blender|the jug|goblet)\b/i, 'jug'],
  [/\b(?:(?:bratt|braising|boiling|jacketed|tilting|steam) (?:pans?|kettles?|boilers?)|rondeaux?|marmite|cauldron)\b/i, 'pot'],
  [
    /\b(?:frying[- ]pans?|frypans?|fry[- ]pan|skillet|saut[ée] pan|wok|griddle|(?:small|second|separate|little|another|dry|other) (?:heavy |non-stick |sauce)?pans?|small saucepan|milk pan)\b/i,
    'pan',
  ],
  [
    /\b(?:dutch oven|stock[- ]?pots?|soup[- ]?(?:pots?|pan)|casserole(?: dish)?|(?:large |big |deep |heavy(?:-based|-bottomed)? |wide )*(?:sauce)?pans?|saucepans?|pots?|boiler|slow cooker|crock[- ]?pots?|crock|multicooker|pressure cooker|kettle of soup)\b/i,
    'pot',
  ],
  [/\b(?:(?:mixing|large|small|medium|separate|heatproof) bowl|bowl)\b/i, 'bowl'],
];

/** How a cook sees that something is done, which kind of heat it speaks of. */
export const LOOKS = {
  golden: /\b(?:golden|brown(?:ed)?(?! onions?| sugar)|colou?red|carameli[sz]ed|crisp(?:y)?|charred|evaporated|nutty)\b/i,
  notBrown:
    /\b(?:without|not|before it|no|don['’]t let (?:it|them)) (?:let(?:ting)? (?:it|them) )?(?:colou?r(?:ing|ed)?|brown(?:ing|ed)?|burn(?:ing)?|tak(?:e|ing) (?:on )?colou?r)/i,
  soft: /\b(?:soft(?:ened|ens|en)?|translucent|transparent|tender|wilted|limp|melting|melted|glossy|glassy|see-through)\b/i,
  fragrant: /\b(?:fragrant|aromatic|smells?|aroma|scented|sizzl\w+|pop(?:ping)?)\b/i,
} as const;

/** Heat under a pan in words. */
export const HEATS = {
  gentle: /\b(?:low|gentle|gently|slowly|lowest|medium-low|soft) ?(?:heat|flame)?\b/i,
  high: /\b(?:high|medium-high|strong|fierce|full|brisk) (?:heat|flame)\b/i,
} as const;

export const LIDS = {
  off: /\b(?:uncovered|lid off|without (?:a|the) lid|no lid|lid removed|with the lid off)\b/i,
  ajar: /\b(?:part[- ]?cover(?:ed)?|cover(?:ed)? (?:partially|partly|part ?way)|partially cover(?:ed)?|partly cover(?:ed)?|half[- ]cover(?:ed)?|semi-covered|lid (?:slightly |a little |left )*(?:half on|ajar|cracked|cocked|askew|half off|open|tilted|at an angle|on a tilt)|half on)\b|\bajar\b/i,
  on: /\b(?:covered|lidded|lid (?:still |kept |back )?(?:on|down)|with (?:a|the|its) lid|under a lid|a lid|put (?:a|the) lid|the lid|covering)\b|,\s*lid\s*$/i,
} as const;

export const BLENDERS = {
  stick: /\bburr?[ -]mix\w*|\b(?:stick|hand|hand-?held|immersion|wand)[ -]?(?:held )?(?:blender|mixer)?\b|\bin the (?:pan|pot)\b/i,
  processor: /\bprocessor\b|\bprocess\b/i,
  jug: /\b(?:jug|blender|liquidi[sz]er|goblet|batches|two goes|three goes|goes)\b/i,
} as const;

/** Thickness by what cooks compare it with, mPa·s. Kitchen defaults, on the scale of the back of a spoon. */
export const BODIES: readonly (readonly [RegExp, number])[] = [
  [/\b(?:like|(?:consistency|thickness|texture|body) of|(?:as )?thin as) (?:a )?(?:water|broth)\b|\bbrothy\b|\bvery thin\b/i, 8],
  [
    /\b(?:like|as thick as) (?:\w+ )?milk\b|\bmilk\b(?=.{0,20}\b(?:consistency|thickness|texture)\b)|\bthickness of milk\b|\bconsistency of milk\b/i,
    12,
  ],
  [/\bsingle cream\b|\bthin cream\b|\bpouring cream\b/i, 60],
  [/\b(?:heavy|double|thick) cream\b|\bbisque\b/i, 300],
  [/\bcoat(?:s|ing)? (?:the (?:back of )?)?(?:a |the )?(?:wooden )?spoon\b|\bcoat the back\b/i, 220],
  [/\bporridge\b|\bvery thick\b|\bspoonable\b|\bstand(?:s)? (?:up )?(?:on|in) (?:the|a) spoon\b/i, 1500],
  [/\bthick\b/i, 500],
];

/** Ways to speak of a part of the kitchen's own work: "the roasted squash", "the soup". */
export const MADE =
  /\b(?:the soup|soup|(?:the )?(?:\w+ )?mixture|(?:the )?pur[ée]e|the contents?|everything(?! else)|(?:the )?(?:pan|tray|pot) (?:contents|and its juices)|(?:the )?(?:roast(?:ed)?|baked) (?:veg(?:etables|gies)?|tray)|tip in the tray|them|it|the lot|all of it|all the (?:roasted )?vegetables|the base)\b/i;

/** Headings under which a topping is made. */
export const GARNISH_SECTION =
  /\b(?:crouton|crumb|garnish|topping|to serve|to finish|crisp|seed|gremolata|swirl|drizzle|relish|salsa|chips?|toast|dukkah|chermoula|(?:chill?i|chile|chilli|herb|basil|parsley|mint|spiced?|garlic|sage|chive|coriander|cilantro|paprika|flavou?red) oil)/i;
