import { potsBySize, type Kit } from '../kit/index.js';
import type { Allergen, IngredientRow } from '../larder/index.js';
import { planToBuy, type Planning } from '../plan/index.js';
import type { Soup } from '../soup/index.js';
import type { Mishaps } from './hidden-kitchen.js';
import type { Way } from './ways.js';

/** What a lesson is judged by. */
export type Mark = 'body' | 'salt' | 'yield' | 'sour' | 'minutes' | 'safety' | 'waste';

/** Something to learn by doing: a soup, a kitchen, and what goes wrong in it. */
export interface Lesson {
  readonly id: string;
  readonly title: string;
  /** What it teaches, in a sentence. */
  readonly learn: string;
  /** What is said when it is begun: no more than a cook would be told. */
  readonly brief: string;
  readonly soupId: string;
  readonly bowls: number;
  readonly minutes: number;
  readonly mishaps: Mishaps;
  /** Who eats it can't have these. */
  readonly guests?: readonly Allergen[];
  /** Each jug is to be entered as it is filled. */
  readonly entersJugs?: boolean;
  /** It begins behind service: the soup is cooked, and all of it is left over. It is learnt in the cold, not at the stove. */
  readonly isPuttingAway?: boolean;
  /** The cook says before it begins how the vegetables are cooked: it is debriefed by how both ways end in that kitchen. */
  readonly ways?: readonly Way[];
  /** What it is about: this mark has to be right for it to be passed, and no other may be far off. */
  readonly about: Mark;
  /** What to say when it went wrong, where it is known what to practise. */
  readonly hint: string;
}

/** Soups that ship, in kitchens of which each has one thing that is otherwise than the card thinks. Invented. */
export const LESSONS: readonly Lesson[] = [
  {
    id: 'first-bowl',
    title: 'The first bowl',
    learn: 'Go from the knife to the bowl as the card says, with a look before the end.',
    brief:
      'Leek and potato, twenty bowls. Nothing is wrong here that is not wrong in every kitchen. Dip or weigh before you season.',
    soupId: 'leek-potato',
    bowls: 20,
    minutes: 12,
    mishaps: {},
    about: 'salt',
    hint: 'Weigh or dip before you season: the salt goes by what really stands in the pot.',
  },
  {
    id: 'roast-or-sweat',
    title: 'Roast or sweat',
    learn: 'Colour is paid for in water: what the oven takes off, the pot has to be given back, and only a look says how much.',
    brief:
      'Parsnips, roasted or sweated, as you like. Nobody has looked at the oven since spring. Weigh or dip once all of it is in the pot.',
    soupId: 'parsnip-butter',
    bowls: 24,
    minutes: 12,
    mishaps: { roast: 2.2 },
    ways: ['roast', 'sweat'],
    about: 'yield',
    hint: 'Weigh or dip behind the oven: a hot one takes twice the water that the card thinks. Then pour what is missing, or sweat them where nobody has an eye on the oven.',
  },
  {
    id: 'to-cover',
    title: 'To cover',
    learn: 'What it takes “to cover” is what the pot and the knife make of it: measure it, or look how high it stands.',
    brief: 'The vegetables are cut large and the pot is a wide one. Pour until they are covered, and know what you poured.',
    soupId: 'base-two-ways',
    bowls: 24,
    minutes: 12,
    mishaps: { covered: 1.4 },
    about: 'yield',
    hint: 'Pour by jugs that you enter, or dip when they are covered: the card only guesses what it takes.',
  },
  {
    id: 'too-thick',
    title: 'Too thick',
    learn: 'Read the body off the spoon and let it down in two pours, with a look between.',
    brief: 'The squash is dry and floury this week. Look at the spoon once it is blended, before you believe the card.',
    soupId: 'squash-coconut-chilli',
    bowls: 24,
    minutes: 12,
    mishaps: { thickness: 2.6 },
    about: 'body',
    hint: 'Look at the spoon behind the blender and pour as the page then says, two thirds first.',
  },
  {
    id: 'too-thin',
    title: 'Too thin, and no time',
    learn: 'See it before the liquid is in: what is not poured need not be boiled away.',
    brief: 'The potatoes are young and waxy. Nobody has half an hour to boil it down.',
    soupId: 'leek-potato',
    bowls: 24,
    minutes: 12,
    mishaps: { thickness: 0.62 },
    about: 'body',
    hint: 'Blend with the liquid held back, look, and only then let it down.',
  },
  {
    id: 'salty-stock',
    title: 'The salty stock',
    learn: 'Taste before you salt: what comes in a carton may be salted though it does not say so.',
    brief: 'Somebody put away the stock. It is in the usual carton.',
    soupId: 'celeriac-leek-apple',
    bowls: 24,
    minutes: 12,
    mishaps: { unlabelledSalt: { 'vegetable-stock': 0.006 } },
    about: 'salt',
    hint: 'Taste, or put the salt meter in, before the salt goes in; then enter what you found.',
  },
  {
    id: 'other-ladle',
    title: 'The other ladle',
    learn: 'A ladle holds what it holds: one dip shows what counting can’t.',
    brief: 'There is a new ladle on the hook. It looks like the old one.',
    soupId: 'beetroot-horseradish',
    bowls: 24,
    minutes: 14,
    mishaps: { ladle: 0.75 },
    about: 'yield',
    hint: 'Dip or weigh once the liquid is in. When the page then doubts what was poured, believe the dip.',
  },
  {
    id: 'lid-off',
    title: 'The lid that was off',
    learn: 'What boils away is not seen: weigh or dip before you season, or the salt is too much.',
    brief: 'The telephone rang for a long time while it simmered.',
    soupId: 'tomato-roast-garlic',
    bowls: 24,
    minutes: 14,
    mishaps: { steam: 4 },
    about: 'yield',
    hint: 'Dip or weigh after a long simmer, and give back the water that is gone.',
  },
  {
    id: 'sour-sweet',
    title: 'Sour and sweet',
    learn: 'Sharpen by the tongue and not by the card: what is sour already wants no lemon.',
    brief: 'Red lentils and tomatoes. The passata is of another maker than last week’s.',
    soupId: 'red-lentil-tomato',
    bowls: 24,
    minutes: 12,
    mishaps: { sharp: { passata: 1.9 } },
    about: 'sour',
    hint: 'Taste for sourness before the lemon goes in; skip it where it is sour enough.',
  },
  {
    id: 'cream-splits',
    title: 'The cream that splits',
    learn: 'Thin cream, sour soup and the boil: take one of the three away.',
    brief: 'Tomato and roast garlic, with single cream. The tomatoes are sharp. Somebody is asking where the soup is.',
    soupId: 'tomato-roast-garlic',
    bowls: 24,
    minutes: 14,
    mishaps: { sharp: { 'canned-tomatoes': 1.7 } },
    about: 'safety',
    hint: 'Let it stand until the probe says 80 °C (176 °F) or less before the cream goes in. Fast time is there for it.',
  },
  {
    id: 'egg-cream',
    title: 'Egg and cream',
    learn: 'A liaison binds between 71 and 82 °C (160 and 180 °F): below the egg is not safe, above it scrambles.',
    brief: 'Fennel, finished with yolks and cream. The stock stands hot by the stove. The card says how far it has to cool first.',
    soupId: 'fennel-egg-cream',
    bowls: 20,
    minutes: 14,
    mishaps: { liquidsC: 95 },
    about: 'safety',
    hint: 'Wait at “Rest” until the probe agrees, then stir it in. Fast time is there for it.',
  },
  {
    id: 'hot-jug',
    title: 'The hot jug',
    learn: 'Hot soup in a jug: a third full, the vent open, a cloth on the lid, or else let it cool.',
    brief: 'Carrot and ginger, straight off the flame. Enter each jug as you fill it, with how full and how hot it is.',
    soupId: 'carrot-ginger',
    bowls: 20,
    minutes: 12,
    mishaps: {},
    entersJugs: true,
    about: 'safety',
    hint: 'At 70 °C (158 °F) and over no jug is filled more than a third. Enter each, so that somebody has looked.',
  },
  {
    id: 'allergy',
    title: 'The guest with an allergy',
    learn: 'A swap brings what it is made of: look at the allergens after it, and tell the table.',
    brief: 'Mushroom soup. A guest can’t have milk, another no nuts. Swap what has to be swapped before you cook.',
    soupId: 'mushroom-flour',
    bowls: 20,
    minutes: 14,
    mishaps: {},
    guests: ['milk', 'nuts'],
    about: 'safety',
    hint: 'Swap (key S) every line that comes from milk, and read what the other brings: cashews thicken well, and are nuts.',
  },
  {
    id: 'forty-for-four',
    title: 'Forty bowls, for a cook of four',
    learn: 'Ten times the soup is not ten times the minutes, the steam or the salt.',
    brief: 'Squash and coconut for forty. Follow the plan, not your memory of four bowls.',
    soupId: 'squash-coconut-chilli',
    bowls: 40,
    minutes: 14,
    mishaps: {},
    about: 'body',
    hint: 'Trust the plan for the amounts, and the spoon and the tongue for the rest.',
  },
  {
    id: 'big-pot-cools',
    title: 'The big pot must cool',
    learn:
      'A pot does not cool by itself in time: shallow pans, the probe in the warm middle, and something done while there is time.',
    brief: 'Nobody came to lunch: a hot pot of leek and potato is left, and there is little ice. Put it away, cold by the rule.',
    soupId: 'leek-potato',
    bowls: 60,
    minutes: 8,
    mishaps: { coldTakes: { 'ice-bath': 0.12, blast: 0.6, 'walk-in': 0.6 } },
    isPuttingAway: true,
    about: 'safety',
    hint: 'Read the middle of each pan before the first mark is due. Where it is late, halve the pans or move them into iced water at once; what is too late is heated through once and cooled again, or thrown away.',
  },
];

export function lessonOf(id: string): Lesson | undefined {
  return LESSONS.find((lesson) => lesson.id === id);
}

/** A pot for a practice has room for what may have to be poured: this many times what is planned. */
const ROOM = 1.8;

/** A plan to practise on: in the smallest pot that leaves room to let down, or else in the largest that holds it. */
export function planForPractice(soup: Soup, bowls: number, rows: readonly IngredientRow[], kit: Kit): Planning {
  const { bowlG } = soup.writtenFor;
  const pots = potsBySize(kit);
  const roomy = pots.find(({ id }) => planToBuy(soup, rows, kit, { bowls: bowls * ROOM, bowlG, potId: id }).ok) ?? pots.at(-1);
  return planToBuy(soup, rows, kit, { bowls, bowlG, potId: roomy?.id ?? '' });
}
