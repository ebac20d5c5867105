import { saidOf, saidOfPaste } from '../../spec/method-said.js';
import { readCorpus } from '../../spec/method-corpus.js';

/** Recipes as they are pasted whole: kitchen sheets, prose without a list, blogs. What is read of their lines, and of their methods in order. */
const PASTES: readonly {
  readonly what: string;
  readonly country: 'gb' | 'us';
  readonly text: string;
  readonly foods?: readonly string[];
  readonly wanted: readonly string[];
  readonly never?: RegExp;
}[] = [
  {
    what: 'a kitchen sheet: a share before the heat, pots that are potatoes, what was roasted on top at the end',
    country: 'gb',
    text: 'LEEK + POT — yield 9kg / 30 ptns\n\nleeks 3kg prepped wt\npots 2kg\nonion 0.5kg\nbutter 0.3kg\nstock chx 4.5L\ncream 0.5L\nchives 2 bu\n\n1/3 leeks roast 200C 20 min, hold for garnish.\nRest leeks + onion sweat butter 10 min lid on.\nPots + stock, simmer 20.\nBlitz, 2/3 cream in, pass.\nLast of cream whipped, quenelle, + roast leek + chives.',
    foods: ['leek', 'potato', 'onion', 'butter', 'vegetable-stock', 'whipping-cream', 'chives'],
    wanted: [
      'add leek @Tray',
      "roast 20' @Tray",
      'add leek onion butter',
      "sweat 10'",
      'add potato vegetable-stock',
      "simmer 20'",
      'cream whipping-cream',
      'blend',
      'sieve',
      'garnish whipping-cream leek chives',
    ],
  },
  {
    what: 'prose without a list: what is chopped, by the litre and a half, and with an accent',
    country: 'gb',
    text: 'Nettle soup\n\nPick 400g young nettle tops (wear gloves) and wash them well. Soften a chopped onion and 2 leeks in 40g butter for ten minutes. Add 2 medium potatoes, peeled and diced, and a litre and a half of chicken stock and simmer until tender, about 15 minutes. Add the nettles. Liquidise, return to the pan, stir in 4 tbsp crème fraîche and season. Serves 6.',
    foods: ['nettle', 'onion', 'leek', 'butter', 'potato', 'chicken-stock', 'creme-fraiche'],
    wanted: [
      'add onion leek butter',
      "sweat 10'",
      'add potato chicken-stock',
      "simmer 15'",
      'add nettle',
      'blend',
      'cream creme-fraiche',
    ],
  },
  {
    what: 'more milk to thin it is no topping, and what is kept for days is not served cold',
    country: 'gb',
    text: 'Cauliflower soup\nServes 4\n\n1 onion\n25 g butter\n1 large cauliflower (900g)\n700ml vegetable stock\n400ml milk\n100g cheddar\n\nSoften the onion in the butter 5 mins. Add the cauliflower, stock and milk. Simmer 30 mins. Whizz in a food processor. Top up with more milk to thin a little if serving in mugs. You can make ahead up to 2 days in advance, cool, cover and leave in the fridge until needed. When ready to serve, warm through, ladle into mugs, top with the cheese.',
    wanted: ['add cauliflower vegetable-stock milk', "simmer 30'", 'blend', 'thin milk-2', 'store', "warm 3'", 'garnish cheddar'],
    never: /^chill|garnish milk/,
  },
  {
    what: 'enough of a cucumber to measure half a cup is for later',
    country: 'us',
    text: 'Chilled Cucumber Soup\nServes 4\n\n2 English cucumbers, about 1 1/2 lbs\n1 cup plain yogurt\n1/2 cup cold water\n\nFinely dice enough cucumber to measure 1/2 cup; cover and chill. Combine the remaining cucumber, yogurt and water in a blender; blend until very smooth, 1 to 2 minutes. Refrigerate 2 hours. Top with diced cucumber.',
    wanted: ['keep cucumber', 'add cucumber yoghurt water', "blend 1.5'", "chill 120'", 'garnish cucumber'],
  },
  {
    what: 'garlic blitzed to a paste is no blade in the pot',
    country: 'gb',
    text: 'Mulligatawny\nServes 4\n\n2 tbsp ghee\n2 onions\n3 cloves garlic\n15 g ginger\n1 tbsp curry powder\n1 tbsp tomato puree\n150g red lentils\n1.5 litres chicken stock\n\nGently fry the onions in the ghee for ten minutes. Blitz the garlic and ginger to a paste with a splash of water, add to the pan along with the curry powder and fry for another two minutes. Stir in the tomato puree, then add the lentils and stock. Simmer half an hour. Blend.',
    wanted: [
      "sweat 10'",
      'prepare garlic ginger',
      'add garlic ginger curry-powder',
      "bloom 2'",
      'add tomato-paste',
      'add lentils chicken-stock',
      "simmer 30'",
      'blend',
    ],
    never: /^fryPuree/,
  },
  {
    what: 'a sealed cooker on high, its release, and what is saved for drizzling though nobody speaks of it again',
    country: 'us',
    text: 'Lentil-Carrot Puree\nServes 4\n\n1 1/2 cups red lentils\n1 lb carrots\n6 cups water\n1 (14-oz) can lite coconut milk\nJuice of 1 lime\n\n1. Dump lentils, carrots and water in the pot.\n2. Seal. Manual/High 10 min. NPR 10 min, then QR.\n3. Stir in coconut milk (save 1/4 c for drizzle), blend w/ stick blender.\n4. Lime juice to finish.',
    wanted: [
      'add lentils carrot water',
      "pressure 10'",
      'keep coconut-milk-light',
      'cream coconut-milk-light',
      'blend',
      'add lime-juice',
    ],
    never: /^garnish lime/,
  },
  {
    what: 'an oil made under its name is what is spooned over',
    country: 'us',
    text: 'Carrot Soup\nServes 4\n\nFor the soup:\n2 pounds carrots\n5 tablespoons olive oil\n6 cups vegetable stock\n\nFor the chile oil:\n1/4 cup neutral oil\n1 tablespoon chili flakes\n1 garlic clove, sliced\n\n1. Toss the carrots with 3 tablespoons of the olive oil on a sheet pan. Roast at 450 F 30 minutes.\n2. Meanwhile, make the chile oil: In a small saucepan, warm the neutral oil and garlic over low heat, 4 to 5 minutes. Take it off the heat, add the chili flakes.\n3. Transfer the vegetables to a blender along with the stock. Blend for 2 minutes. Stir in the last 2 tablespoons olive oil.\n4. Serve hot, with the chile oil spooned over.',
    wanted: [
      "roast 30' @Tray",
      'add rapeseed-oil garlic @Pan',
      'add chilli-flakes @Pan',
      'join carrot olive-oil',
      'add vegetable-stock',
      "blend 2'",
      'add olive-oil',
      'garnish chilli-flakes',
    ],
    never: /^garnish.*olive-oil/,
  },
  {
    what: 'half of it is half of what was cut; one tin of two and the other; a thumb of ginger; a lemon by the count',
    country: 'gb',
    text: 'Spiced cauli soup\nMakes 3 litres\n\nCauli, 1 large (about 1kg trimmed)\nChickpeas, 2 tins drained\nOnions x 2\nGinger, thumb\nRapeseed oil 3tbsp\nCumin, coriander seed 2tsp each\nVeg stock 1.2ltr\nLemon x 1\n\nBreak up the cauli, toss half of it with 1 tbsp oil and half the spices and roast (200 fan, 25m). Fry onion, ginger in the rest of oil till golden, 10m. Spices in for 1m. Raw cauli, 1 tin chickpeas, stock in - simmer 15m. Blend smooth. Stir thro the roast cauli, other tin of chickpeas. Squeeze of lemon, season.',
    foods: [
      'cauliflower',
      'canned-chickpeas',
      'onion',
      'ginger',
      'rapeseed-oil',
      'cumin',
      'coriander-seed',
      'vegetable-stock',
      'lemon-juice',
    ],
    wanted: [
      'add cauliflower rapeseed-oil cumin coriander-seed @Tray',
      "roast 25' @Tray",
      'add onion ginger rapeseed-oil',
      "fry 10'",
      'add cumin coriander-seed',
      "bloom 1'",
      'add cauliflower canned-chickpeas vegetable-stock',
      "simmer 15'",
      'blend',
      'join cauliflower rapeseed-oil cumin coriander-seed',
      'add canned-chickpeas',
      'add lemon-juice',
    ],
  },
  {
    what: 'cobs are scraped and steeped; a skillet beside a blended soup is a pan of its own; dusted on top',
    country: 'us',
    text: 'Corn Chowder\nServes 4\n\n6 ears fresh corn\n2 T. unsalted butter\n1 lg. onion, chopped\n1 red bell pepper, diced\n3 c. whole milk\n2 c. water\npinch cayenne\n\nCut kernels from cobs, then scrape cobs with back of knife to release "milk"; reserve cobs. In heavy pot melt butter; add onion. Cover, sweat 8 min. Add milk, water & cobs. Bring just to simmer; steep 20 min off heat. Remove cobs. Add all but 1 c. kernels. Simmer 5 min. Purée in batches. In small skillet saute bell pepper & reserved kernels 3 min. Reheat soup gently; divide among bowls & mound vegetables in center. Dust w/ cayenne.',
    wanted: [
      'add butter',
      'add onion',
      "sweat 8'",
      'add milk water',
      "rest 20'",
      'add sweetcorn',
      "simmer 5'",
      'blend',
      'add red-pepper sweetcorn @Pan',
      "fry 3' @Pan",
      'garnish cayenne',
    ],
  },
  {
    what: 'what was boiled and drained waits while a pot is begun; most of it goes in, the rest on top',
    country: 'gb',
    text: 'Beetroot soup. Feeds 6.\n\n6 medium raw beetroot; 1 red onion; 2 tbsp olive oil; 1.2 litres veg stock; 2 tbsp red wine vinegar; 200ml soured cream\n\nPut the beetroot in a pan, cover with cold water, bring to the boil and simmer for 45 mins till tender, then drain, cool, rub off skins and dice. Cook the onion in the oil for 8 mins. Stir in the stock and simmer 15 mins. Add most of the beetroot and simmer 5 more mins. Blend. Add the vinegar. Serve with the rest of the beetroot and the soured cream.',
    wanted: [
      "simmer 45'",
      'drain',
      'add red-onion olive-oil @Pot 2',
      "sweat 8' @Pot 2",
      'add vegetable-stock @Pot 2',
      'join beetroot water @Pot 2',
      'blend @Pot 2',
      'garnish beetroot soured-cream',
    ],
  },
  {
    what: 'prose by glugs, tins and a couple of onions',
    country: 'gb',
    text: 'My easy tomato soup\n\nSlosh a good glug of olive oil into a big pan and gently soften a couple of chopped onions and a carrot with three cloves of garlic for a good fifteen minutes. Add two tins of plum tomatoes, a teaspoon of sugar, a splash of balsamic and about half a litre of vegetable stock. Let it all bubble away for 25 minutes. Chuck in a handful of basil, blend until smooth and finish with 100ml of single cream. Enough for 4.',
    foods: [
      'olive-oil',
      'onion',
      'carrot',
      'garlic',
      'canned-tomatoes',
      'sugar',
      'balsamic-vinegar',
      'vegetable-stock',
      'basil',
      'single-cream',
    ],
    wanted: [
      'add olive-oil',
      'add onion carrot garlic',
      "sweat 15'",
      'add canned-tomatoes sugar balsamic-vinegar vegetable-stock',
      "simmer 25'",
      'add basil',
      'blend',
      'cream single-cream',
    ],
  },
  {
    what: 'a tasting menu: minutes by m, a jug blend, a cartouche, nuts by their oven, so much for each',
    country: 'gb',
    text: 'Velouté of celeriac & walnut – tasting menu (12 x 120ml)\n\nceleriac 900g\nshallot 120g sliced\nbutter 100g\nwhite chicken stock 900ml\nmilk 300ml\ndouble cream 150ml\nwalnut oil 12ml\nwalnuts 40g\n\n1 Foam 60g butter, sweat shallot no colour 5m.\n2 Add celeriac, cartouche, 15m v low.\n3 Add stock & milk, simmer 20m.\n4 Thermo/jug blend 4m, emulsify w/ remaining butter.\n5 Pass x2 chinois. Cream. 72C hold.\n6 Toss walnuts 160C 8m.\n7 Plate: walnut in base; 1ml walnut oil pp.',
    wanted: [
      'add butter',
      'add shallot',
      "sweat 5'",
      'add celeriac',
      "sweat 15'",
      'add chicken-stock milk',
      "simmer 20'",
      'add butter',
      "blend 4'",
      'sieve',
      'cream double-cream',
      'hold',
      'add walnuts @Tray',
      "roast 8' @Tray",
      'garnish walnuts',
      'garnish nut-oil',
    ],
    never: /^drain/,
  },
  {
    what: 'told while it is done, as a film is: what I do now, they go on a tray, that is going in, a bit kept back',
    country: 'gb',
    text: 'My roasted pumpkin soup, serves six.\n\nIngredients list below!\n1 pumpkin, about 1.5 kilos\n2 onions\n1 head of garlic\n3 tablespoons of olive oil\n1 litre of chicken stock\na tin of coconut cream (270ml)\n1 teaspoon of smoked paprika\ntoasted pepitas, for the top\n\nSo the first thing you want to do is get your oven nice and hot, 200 degrees. Now I’m just chopping the pumpkin into wedges – leave the skin on – and the onions into quarters, and they go on a big tray. Cut the garlic in half, pop that on too. Olive oil all over, paprika, and that’s going in for about 45 minutes. What I do now is scoop the pumpkin off the skin straight into my soup pot, squeeze in the garlic, in go the onions. Then I add the stock, bring that up to a simmer and just give it ten minutes. Now blitz it with your stick blender. And the last thing is the coconut cream – I keep a bit back to swirl – stir that through. Ladle it out, swirl of coconut cream, pepitas. Done!',
    wanted: [
      'add pumpkin onion @Tray',
      'add garlic @Tray',
      'add olive-oil paprika @Tray',
      "roast 45' @Tray",
      'add chicken-stock',
      "simmer 10'",
      'blend',
      'keep coconut-cream',
      'cream coconut-cream',
      'garnish coconut-cream pumpkin-seeds',
    ],
    never: /^rest|^sweat/,
  },
  {
    what: 'as it is said in other tongues: gr. 800, q.b., make melt, unite, pass all until smooth',
    country: 'gb',
    text: 'Zuppa di zucca (for 4 persons)\n\nPumpkin, gr. 800\n1 leek\n40 gr butter\n1 l of vegetable broth\n100 ml fresh cream\nParmigiano q.b.\nSalt and pepper q.b.\n\nIn a casserole make melt the butter. Unite the leek and the pumpkin. Add the broth. Make cook for 30 minutes with the lid. Remove from fire, pass all with the hand mixer until to obtain a smooth cream. Unite the cream, regulate of salt and pepper. Serve with grated parmigiano.',
    foods: ['pumpkin', 'leek', 'butter', 'vegetable-stock', 'whipping-cream', 'parmesan', 'fine-salt', 'black-pepper'],
    wanted: [
      'add butter',
      'add leek pumpkin',
      'add vegetable-stock',
      "simmer 30'",
      'blend',
      'cream whipping-cream',
      'garnish parmesan',
    ],
    never: /^drain/,
  },
  {
    what: 'more vinegar if it wants it is taken from nothing that went in; held above so much is not held six hours',
    country: 'us',
    text: 'Gazpacho\nServes 6\n\n2 1/2 lbs ripe tomatoes\n1 small cucumber\n3 Tbsp sherry vinegar\n1 tsp salt\n\nAdd tomatoes, cucumber, vinegar and salt to a blender. Blend on high 1 min. Taste; add more vinegar or salt. Hold above 140 F, or chill to 41 F within 6 hours.',
    wanted: ['add tomato cucumber sherry-vinegar fine-salt', "blend 1'", 'season', "hold 60'"],
    never: /^add sherry-vinegar/,
  },
  {
    what: 'short names over a stroke; so many grams of what was fried are kept; a wine before it is reduced; “pass, cream”',
    country: 'gb',
    text: 'Mushroom & chestnut\nBatch: 8L   Portion: 250ml\n\n2.0kg chestnut mushrooms, sliced\n0.5kg onion\n0.3kg celery\n0.2kg butter\n0.15L Madeira\n0.8kg vac-pac chestnuts\n4.5L veg stock\n0.5L double cream\n\n1. Sweat on/cel in butter 10 min.\n2. Mushrooms, high heat, 12 min till dry & coloured. Reserve 200g for garnish.\n3. Madeira - reduce au sec.\n4. Chestnuts, stock. 25 min simmer.\n5. Blend, pass, cream, season.\n6. Garnish w/ reserved mush.',
    wanted: [
      'add onion celery butter',
      "sweat 10'",
      'add chestnut-mushroom',
      "fry 12'",
      'keep chestnut-mushroom',
      "deglaze madeira 2'",
      'add chestnuts vegetable-stock',
      "simmer 25'",
      'blend',
      'sieve',
      'cream double-cream',
      'garnish chestnut-mushroom',
    ],
  },
  {
    what: 'the strained milk is what the fish was poached in, just below a simmer',
    country: 'gb',
    text: 'Smoked fish & potato soup\nServes 4\n\n500g smoked haddock\n600ml whole milk\n1 bay leaf\n50g butter\n2 leeks, sliced\n750g potatoes, diced\n300ml fish stock\n\nPut the haddock in a wide pan with the milk and bay. Bring gently to just below a simmer and poach for 8 minutes. Lift out the fish and set aside; strain the milk. Melt the butter, soften the leeks 10 minutes. Add the potatoes, stock and the strained milk and simmer 20 minutes. Blend two-thirds, return, add most of the fish and warm through.',
    wanted: [
      'add smoked-fish milk bay',
      "warm 3'",
      "simmer 8'",
      'keep smoked-fish',
      'add butter @Pan',
      'add leek @Pan',
      'join smoked-fish milk bay @Pan',
      'add potato fish-stock @Pan',
      "simmer 20' @Pan",
      'blend @Pan',
      'giveBack smoked-fish @Pan',
    ],
    never: /^add .*milk @Pan/,
  },
  {
    what: 'while that is going the bacon has its own fire; the blender is run through it; cheese is melted in',
    country: 'us',
    text: 'Potato Soup\nServes 8\n\n5 lbs. potatoes\n1 large onion\n8 slices bacon\n2 quarts milk\n1 lb cheddar\n\nPeel taters and boil em in just enough salted water to cover 25 minutes. While that’s going fry up the bacon crisp and cook the onion in the bacon grease. Pour the milk into the pot of the potatoes, throw in the onion. Melt in the cheese. Run the stick blender through it till there’s no lumps.',
    wanted: ['add bacon @Pan', 'blend'],
    never: /^drain|^add cheddar @Pan/,
  },
  {
    what: 'thirty-five minutes in words; through a sieve or a blender, once; brought to the boil behind it',
    country: 'us',
    text: 'Leek and Potato Soup\nServes 6\n\n4 leeks\n1/4 cup butter\n5 medium potatoes\n1 quart chicken broth\n2 cups milk\n\nIn a deep kettle, brown the leeks lightly in the butter. Add the potatoes and broth and boil thirty-five minutes. Crush and rub through a fine sieve or purée in a blender. Return to the kettle and add the milk. Season to taste and bring to a boil.',
    wanted: ['add leek butter', 'add potato chicken-stock-carton', "simmer 35'", 'blend', 'sieve', 'add milk', 'season', 'boil'],
  },
  {
    what: 'bread with the water that it was soaked in, out of the recipe’s; a thread of oil beside what went in; blended on',
    country: 'gb',
    text: 'Ajo blanco\nServes 6\n\n200g blanched almonds\n100g stale white bread\n600ml ice-cold water\n100ml olive oil\n2 tbsp sherry vinegar\n\nSoak the bread in 200ml of the water for ten minutes. Put the almonds in a blender and grind finely. Add the soaked bread with its water and the vinegar, and blend to a paste. With the motor running, pour in the oil, then the rest of the water. Keep blending for 3-4 minutes until silky. Serve with a thread of oil.',
    wanted: [
      'add almonds',
      'blend',
      'add white-bread sherry-vinegar water',
      'blend',
      'add olive-oil',
      'add water',
      "blend 3.5'",
      'garnish olive-oil-2',
    ],
    never: /water-2/,
  },
  {
    what: 'shells that are kept are no prawns, and what is put in the fridge before it is cooked makes no cold soup',
    country: 'us',
    text: 'Shrimp Bisque\nServes 4\n\n1 1/2 lbs shell-on shrimp\n3 Tbsp butter\n1 Tbsp oil\n1 small onion\n1/4 cup brandy\n5 cups water\n3 Tbsp rice\n\nPeel shrimp, saving shells. Cut shrimp into pieces; refrigerate. Heat oil in a heavy pot. Sear shells 4 min. Add 1 Tbsp butter and onion; cook 5 min. Off heat, add brandy; return to heat and let it bubble away. Add water; simmer 30 min. Strain; discard shells. Return stock to pot with rice; simmer 20 min. Add two-thirds of the shrimp; cook 2 min. Blend until very smooth.',
    wanted: [
      'prepare prawns',
      'add rapeseed-oil',
      "fry 4'",
      'add butter onion',
      "sweat 5'",
      "deglaze brandy 2'",
      'add water',
      "simmer 30'",
      'drain',
      "simmer 20'",
      'add prawns',
      "simmer 2'",
      'blend',
    ],
    never: /^add prawns(?! *$)|^keep/,
  },
  {
    what: 'by the air of a small oven; all in the blender, so long at full whack; watered down',
    country: 'gb',
    text: 'Carrot soup (air fryer)\nServes 4\n\n1kg carrots\n500ml chicken stock\n4 cloves garlic\nLemon - half\n\nPeel & chunk carrots. Air fry 200°C 20 mins, adding the garlic cloves for the last 8 mins. Everything in the blender with the hot stock. 2 mins full whack. Water it down if too thick. Squeeze in lemon.',
    foods: ['carrot', 'chicken-stock', 'garlic', 'lemon-juice'],
    wanted: [
      'add carrot @Tray',
      "roast 20' @Tray",
      'add garlic @Tray',
      'add chicken-stock',
      "blend 2'",
      'thin water',
      'add lemon-juice',
    ],
    never: /^simmer|^fry/,
  },
  {
    what: 'an hour and a half written 1.5 hrs; spoons of the north',
    country: 'gb',
    text: 'Chicken soup\nServes 4\n\n2 kg raw chicken\n1.5 l water\n1 onion\n3 msk flour\n2 dl cream\n1 krm white pepper\n\nPut the chicken, onion and water in a pot. Simmer 1.5 hrs. Strain. Stir in the flour and simmer for 0.5 hours. Blend. Add the cream and pepper.',
    foods: ['raw-chicken', 'water', 'onion', 'plain-flour', 'whipping-cream', 'white-pepper'],
    wanted: ['add raw-chicken onion water', "simmer 90'", 'drain', "simmer 30'", 'blend', 'cream whipping-cream'],
  },
  {
    what: 'a vegetable of your choice, cut in even pieces, and the stock',
    country: 'us',
    text: 'Creamy vegetable soup\nServes 4\n\n4 tablespoons butter\n1 onion\n2 pounds broccoli\n4 cups vegetable stock\n\nSweat onion in butter 8-10 min. Add vegetable, cut in even pieces, and vegetable stock. Simmer 15-25 min. Purée.',
    wanted: ['add onion butter', "sweat 9'", 'add broccoli vegetable-stock', "simmer 20'", 'blend'],
  },
  {
    what: 'half the hot stock, let down with more of it; half of a browned butter to the blender; reheated in a pan',
    country: 'gb',
    text: 'Butternut and brown butter\nServes 4\n\n1 butternut (1.4 kg)\n1 litre chicken stock\n80g butter\n20 sage leaves\n50ml double cream\n\nOven 220. Halve the squash, roast cut side down for 50 min. Scoop the soft flesh into a blender with half the hot stock and blend until velvety, about 2 min, letting it down with more of the stock until it pours like double cream. Meanwhile melt the butter in a light-coloured pan and let it bubble until it smells nutty; throw in the sage leaves and fry for 20 secs. Lift out the sage. Add half of the brown butter to the blender and whizz again. Reheat in a pan with the cream. Serve drizzled with the rest of the brown butter and the sage.',
    wanted: [
      "roast 50' @Tray",
      'join butternut',
      'add chicken-stock',
      "blend 2'",
      'thin chicken-stock-2',
      'add butter @Pot 2',
      'add butter',
      'blend',
      'cream double-cream',
      "warm 3'",
      'garnish butter sage',
    ],
    never: /^add double-cream/,
  },
];

describe('sheets, prose and blogs as they are pasted', () => {
  for (const { what, country, text, foods, wanted, never } of PASTES)
    it(what, () => {
      const { taken, unread } = readCorpus({ country, text });
      expect(unread).toEqual([]);
      if (foods !== undefined) expect(taken.map(({ row }) => row.id).sort()).toEqual([...foods].sort());
      const { said } = saidOfPaste(text, country);
      let from = 0;
      for (const one of wanted) {
        const at = said.findIndex((own, n) => n >= from && (own === one || (one === 'hold' && own.startsWith('hold'))));
        expect(at)
          .withContext(`${one} in: ${said.join(' | ')}`)
          .toBeGreaterThanOrEqual(from);
        from = Math.max(from, at + 1);
      }
      if (never !== undefined)
        expect(said.filter((one) => never.test(one)))
          .withContext(said.join(' | '))
          .toEqual([]);
    });

  it('what is saved for drizzling is on every bowl', () => {
    const { steps } = saidOf(
      'Simmer the carrots in the water 10 min. Stir in coconut milk (save 1/4 c for drizzle). Blend.',
      '1 lb carrots\n4 cups water\n1 (14-oz) can coconut milk\n',
      'us',
    );
    const dish = steps.find((step) => step.op === 'dish');
    const [share] = dish?.op === 'dish' ? (dish.shares ?? []) : [];
    expect(share?.garnish?.map(({ gPerBowl }) => Math.round(gPerBowl))).toEqual([15]);
  });
});
