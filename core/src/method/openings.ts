import { PLACES } from './lexicon.js';

/** Words that say only that something goes on beside it, without a comma behind them. */
const BESIDE = /^(?:and |but )?(?:in the mean ?time|at the same time|at this point|for now|by now) (?=[a-z])/i;

/** "In a large pan melt the butter": where the place that opens a sentence ends; 0 where none does. */
export function placeEnd(text: string): number {
  const beside = BESIDE.exec(text) ?? WHILE_IT.exec(text) ?? TALK.exec(text) ?? HOW_OR_WHEN.exec(text);
  if (beside !== null) return beside[0].length;
  if (
    !/^(?:(?:meanwhile|then),? )?(?:in|into|on|using) (?:a|an|another|the|your|the same|same|(?:small|large|big|heavy|medium|separate|deep|wide|dry|hot|steam|soup|stock|sauce|frying|[\d.]+[- ]?(?:qt|quart|gal|gallon|litre|liter|l))\b)/i.test(
      text,
    )
  )
    return 0;
  const ends = PLACES.flatMap(([words]) => {
    const hit = words.exec(text);
    return hit === null ? [] : [hit.index + hit[0].length];
  });
  const end = Math.min(...ends);
  return Number.isFinite(end) && end < MOST_OPENING ? end : 0;
}
/** "Off the heat stir in the cream", "to finish stir through the herbs": how or when, without a comma behind it. */
const HOW_OR_WHEN =
  /^(?:(?:meanwhile|then|now|next|finally),? )?(?:off (?:the )?(?:heat|hob|stove|boil|flame)|heat off|(?:over|on|at|with) (?:a |the )?(?:very )?(?:low|medium|med|high|gentle|moderate|brisk|full|fierce)(?:[- ](?:low|high))?(?: heat| flame)?|(?:very )?(?:low|medium|med|high|gentle)(?:[- ](?:low|high))? heat|back (?:on|over|onto) (?:the |a )?(?:low |gentle |medium )?(?:heat|hob|stove)|(?:right |towards )?(?:at )?the (?:very )?end|for the (?:last|final) (?:few |couple of |\d+ |five |ten )?(?:minutes?|mins?)|(?:working )?in (?:small |several |two |three |2 |3 )?(?:batches|goes|stages)|(?:bit|little|ladle|spoonful|cup) by (?:bit|little|ladle|spoonful|cup)|(?:with|using) (?:a |an |the |your )?(?:hand|stick|immersion|jug|hand-held|handheld)[- ]?(?:held )?(?:blender|mixer)|with (?:a |the )?(?:slotted spoon|tongs|whisk|spatula|wooden spoon)|to (?:finish|start|begin(?: with)?)|while (?:it['’]s |they['’]re )?(?:still )?(?:hot|warm)|(?:straight )?out of the (?:oven|fridge)|straight away|last of all|last thing|at this stage|at service|to order) (?=[a-z])/i;
/** "While that's going fry the bacon." */
const WHILE_IT =
  /^(?:while|whilst) (?:that|it|they|this|those)(?:['’](?:s|re)| is| are)? (?:going|cooking|simmering|happening|roasting|baking|doing that|in the oven|on)[, ]+/i;
/** "So what I do now is scoop out the flesh": how a cook talks while it is done. */
export const TALK =
  /^(?:(?:so|now|and|okay|ok|right|then|next),? )*(?:(?:the|my) (?:first|next|last|only|other) (?:thing|step) (?:(?:that )?(?:you|I|we) (?:want to |need to |wanna |have to |(?:['’]re|are) going to )?(?:do )?)?(?:now )?is(?: to)? |what (?:I|you|we)(?:['’](?:re|ll|m))?(?: (?:want|need|like) to| are going to)? do(?: now| next| here)? is(?: to)? |all (?:I|you|we) (?:need to |have to )?do(?: now)? is(?: to)? |(?:I|we|you)(?:['’](?:re|m|ll)| am| are| will) (?:(?:just|now|then|gonna|going to|simply) )*(?=[a-z]+))/i;
const MOST_OPENING = 60;
/** "After another five minutes": when what follows is done. */
export const AFTER =
  /^(?:and |then |but |,)*after (?:about |around |roughly |the first |(?:just |only )?(?:a |an )?(?:another |further |additional )?)*(?:\d+(?:[.,]\d+)?|[½¼¾]|a|an?|one|two|three|four|five|six|seven|eight|ten|twelve|fifteen|twenty|thirty|forty|a few)?(?: ?(?:-|–|to|or) ?(?:\d+|two|three|six|so))? ?(?:more )?(?:minutes?|mins?|min)\b(?: or so| of \w+ing| more)?,?\s*/i;
/** "Ten minutes before the end, add": when what follows is done. */
export const BEFORE_END =
  /^(?:(?:about |with )?(?:\d+|five|ten|fifteen|twenty|half an hour) ?(?:minutes?|mins?|min)?(?: before (?:the end|it(?:['’]s| is) (?:done|ready|finished)|they(?:['’]re| are) (?:done|ready))[\w ]*| from the end| to go| left)|for the last (?:\d+|five|ten|fifteen|twenty) ?(?:minutes?|mins?|min)[\w ]*),\s*/i;
/** "Carry on cooking", "keep on simmering", "go on frying": what is said for "continue". */
export const GOES_ON =
  /^(?:carry|keep|go) (?:on )?(?:to )?(?:cook|simmer|fry|saut|sweat|soften|bubbl|boil|roast)(?:ing|éing|eing)?\b(?=[^.]*(?:\d|minutes?|mins?\b|hour|until|till))/i;
