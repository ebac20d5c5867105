import type { Country } from '../src/amounts/index.js';

/**
 * Soups as people paste them. Foods in the order in which they are written, each with its kilos worked by hand from the
 * larder's weights (g a piece, a cup of 236.6 mL, a spoon of 4.93 and 14.8 mL) before the parser was run on them; null
 * where a step or the taste decides. `ask` marks what a careful reader would have to ask about.
 */
export interface PastedSoup {
  readonly country: Country;
  readonly text: string;
  readonly food: readonly (readonly [id: string, kg: number | null] | 'ask')[];
}

export const PASTED: readonly PastedSoup[] = [
  {
    country: 'gb',
    text: '2 large beetroot, peeled; 1 1/2 cups onion, diced; stock to cover; 150 ml cream; salt',
    // 2 x 160 g; 1.5 x 160 g x 250/236.6; 0.150 L x 0.997
    food: [
      ['beetroot', 0.32],
      ['onion', 0.2536],
      ['vegetable-stock', null],
      ['whipping-cream', 0.1496],
      ['fine-salt', null],
    ],
  },
  {
    country: 'gb',
    text: `Carrot and ginger soup
Serves 4

1 tbsp olive oil
1 onion, chopped
2 cloves garlic, crushed
a thumb of ginger, grated
1kg carrots, peeled and sliced
1 litre vegetable stock
juice of 1 lime
salt and pepper

Method
1. Heat the oil and soften the onion.
2. Add the rest and simmer for 25 minutes.`,
    food: [
      ['olive-oil', 0.0137],
      ['onion', 0.11],
      ['garlic', 0.006],
      ['ginger', 0.015],
      ['carrot', 1],
      ['vegetable-stock', 1],
      ['lime-juice', 0.044],
      ['fine-salt', null],
      ['black-pepper', null],
    ],
  },
  {
    country: 'us',
    text: `Roasted Butternut Squash Soup

2 tablespoons olive oil
1 medium butternut squash, peeled, seeded and cubed
1 yellow onion, chopped
4 cups vegetable broth
1/2 teaspoon ground cumin
1 teaspoon kosher salt
1/2 cup heavy cream`,
    // 2 x 13.5; 600 g (a middling squash makes about four cups of cubes); 110 g; 4 x 0.2366 L; 0.5 x 2.1; 4.8; 0.1183 L x 0.994
    food: [
      ['olive-oil', 0.027],
      ['butternut', 0.6],
      ['onion', 0.11],
      ['vegetable-stock', 0.946],
      ['cumin', 0.00105],
      ['coarse-salt', 0.0048],
      ['heavy-cream', 0.1176],
    ],
  },
  {
    country: 'au',
    text: `PUMPKIN SOUP
1.2 kg pumpkin, peeled and seeded, chopped
2 brown onions, finely chopped
1 tbsp olive oil
1 litre chicken stock
1/2 cup thickened cream
Pinch of nutmeg`,
    // an Australian tablespoon is 20 mL: 13.5 x 20/14.79; half a 250 mL cup x 0.997; 0.2 g
    food: [
      ['pumpkin', 1.2],
      ['onion', 0.22],
      ['olive-oil', 0.01826],
      ['chicken-stock', 1.002],
      ['whipping-cream', 0.1246],
      ['nutmeg', 0.0002],
    ],
  },
  {
    country: 'gb',
    text: `Leek & potato
50g butter
3 leeks, sliced
2 medium potatoes, peeled and diced
1 onion
1.2 litres vegetable stock
150ml single cream
salt`,
    food: [
      ['butter', 0.05],
      ['leek', 0.267],
      ['potato', 0.346],
      ['onion', 0.11],
      ['vegetable-stock', 1.2],
      ['single-cream', 0.1515],
      ['fine-salt', null],
    ],
  },
  {
    country: 'us',
    text: `Tomato soup
1 28-ounce can crushed tomatoes
2 tbsp butter
1 large onion, diced
3 cloves garlic, minced
2 cups chicken broth
1 tsp sugar
salt to taste`,
    // a 28 oz can by what is printed: 28 x 28.35 g
    food: [
      ['canned-tomatoes', 0.794],
      ['butter', 0.0284],
      ['onion', 0.15],
      ['garlic', 0.009],
      ['chicken-stock-carton', 0.474],
      ['sugar', 0.0042],
      ['fine-salt', null],
    ],
  },
  {
    country: 'gb',
    text: `2 x 400g tins chopped tomatoes
1 red pepper, cored and seeded
1 tbsp tomato puree
500 ml vegetable stock
1 tsp brown sugar
a handful of basil`,
    food: [
      ['canned-tomatoes', 0.8],
      ['red-pepper', 0.119],
      ['tomato-paste', 0.01623],
      ['vegetable-stock', 0.5],
      ['brown-sugar', 0.00467],
      ['basil', 0.03],
    ],
  },
  {
    country: 'gb',
    text: `Curried parsnip
750 g parsnips, peeled and diced
2 tsp curry powder
1 cooking apple, peeled and cored
40 g butter
1.25 l stock
100 ml double cream`,
    food: [
      ['parsnip', 0.75],
      ['curry-powder', 0.004058],
      ['apple', 0.161],
      ['butter', 0.04],
      ['vegetable-stock', 1.25],
      ['double-cream', 0.0985],
    ],
  },
  {
    country: 'us',
    text: `- 1 head cauliflower
- 1/4 cup olive oil
- 1 quart vegetable broth
- 1 cup half-and-half
- 1/2 tsp white pepper`,
    // no head is listed for a cauliflower: small, medium or large has to be asked
    food: ['ask', ['olive-oil', 0.05407], ['vegetable-stock', 0.946], ['half-and-half', 0.2408], ['white-pepper', 0.0012]],
  },
  {
    country: 'us',
    text: `8 oz mushrooms, sliced
1/4 cup all-purpose flour
4 tbsp butter
3 cups beef stock
1 cup heavy cream
2 sprigs thyme`,
    food: [
      ['mushroom', 0.2268],
      ['plain-flour', 0.03125],
      ['butter', 0.0568],
      ['beef-stock', 0.711],
      ['heavy-cream', 0.2352],
      ['thyme', 0.002],
    ],
  },
  {
    country: 'gb',
    text: `Pea and mint
600g frozen peas
1 bunch spring onions
half a lettuce
small bunch mint
750ml vegetable stock
2 tbsp creme fraiche`,
    food: [
      ['peas', 0.6],
      ['spring-onion', 0.1],
      ['lettuce', 0.18],
      ['mint', 0.03],
      ['vegetable-stock', 0.75],
      ['creme-fraiche', 0.02955],
    ],
  },
  {
    country: 'gb',
    text: `Spiced red lentil
250 g red lentils
1 can coconut milk
2 tbsp red curry paste
1 litre water
1-2 carrots, diced
juice of 1/2 lemon`,
    // cans of coconut milk are listed at 400 mL and 14 oz: which of them has to be asked
    food: [['lentils', 0.25], 'ask', ['red-curry-paste', 0.03246], ['water', 0.998], ['carrot', 0.0915], ['lemon-juice', 0.0235]],
  },
  {
    country: 'us',
    text: `2 lbs sweet potatoes, peeled and cubed
1 inch piece of ginger
1 (14 oz) can coconut milk
1 tbsp lime juice
1 1/2 tsp salt
4 c. vegetable stock`,
    food: [
      ['sweet-potato', 0.907],
      ['ginger', 0.011],
      ['coconut-milk', 0.397],
      ['lime-juice', 0.0153],
      ['fine-salt', 0.009],
      ['vegetable-stock', 0.946],
    ],
  },
  {
    country: 'gb',
    text: `Celeriac and apple
1 large celeriac, peeled
2 eating apples, peeled and cored
1 leek, white and pale green
30 g butter
1 litre vegetable stock
75 ml double cream
freshly grated nutmeg`,
    food: [
      ['celeriac', 0.8],
      ['eating-apple', 0.322],
      ['leek', 0.089],
      ['butter', 0.03],
      ['vegetable-stock', 1],
      ['double-cream', 0.0739],
      ['nutmeg', null],
    ],
  },
  {
    country: 'us',
    text: `Zucchini soup
4 medium zucchini, sliced
1 onion, sliced
2 cloves garlic
3 cups low-sodium vegetable broth
1/4 cup sour cream
1 tbsp chopped dill`,
    // sour cream: a quarter of a cup of 236.6 mL at 1.000 kg/L; dill 1 g a spoon
    food: [
      ['courgette', 0.784],
      ['onion', 0.11],
      ['garlic', 0.006],
      ['vegetable-stock-low-salt', 0.711],
      ['soured-cream', 0.05915],
      ['dill', 0.001],
    ],
  },
  {
    country: 'gb',
    text: `Half as much carrot as potato
1 kg potato
2 sticks of celery
1.5 litres stock
1 bay leaf`,
    food: [
      ['carrot', 0.5],
      ['potato', 1],
      ['celery', 0.08],
      ['vegetable-stock', 1.5],
      ['bay', 0.0002],
    ],
  },
  {
    country: 'gb',
    text: `Brocoli and stilton
1 head broccoli
1 potatoe, diced
700ml chiken stock
120g stilton
25g buter`,
    // misspellings are never taken for granted
    food: [['broccoli', 0.5], 'ask', 'ask', ['blue-cheese', 0.12], 'ask'],
  },
  {
    country: 'us',
    text: `6 ears corn
2 potatoes
1 jalapeño
1 red bell pepper
4 cups corn cob stock
1/2 cup cream
1/2 tsp smoked paprika`,
    food: [
      ['sweetcorn', 0.6],
      ['potato', 0.346],
      ['green-chilli', 0.014],
      ['red-pepper', 0.119],
      ['corn-stock', 0.948],
      ['whipping-cream', 0.1179],
      ['paprika', 0.00115],
    ],
  },
  {
    country: 'gb',
    text: `Swede & barley
1 swede, peeled
100 g pearl barley
2 carrots
1 onion
2 litres vegetable stock
3 sprigs of thyme
small knob of butter`,
    food: [
      ['swede', 0.386],
      ['pearl-barley', 0.1],
      ['carrot', 0.122],
      ['onion', 0.11],
      ['vegetable-stock', 2],
      ['thyme', 0.003],
      ['butter', 0.02],
    ],
  },
  {
    country: 'au',
    text: `Sweet potato and capsicum
1 kg kumara, peeled
2 red capsicums
1 brown onion
1 tablespoon olive oil
1 cup vegetable stock
270ml coconut cream`,
    food: [
      ['sweet-potato', 1],
      ['red-pepper', 0.238],
      ['onion', 0.11],
      ['olive-oil', 0.01826],
      ['vegetable-stock', 0.25],
      ['coconut-cream', 0.2687],
    ],
  },
  {
    country: 'gb',
    text: `Fennel with egg and cream
3 fennel bulbs, trimmed
2 egg yolks
125 ml double cream
60 ml white wine
1 l chicken stock
30g butter`,
    food: [
      ['fennel', 0.702],
      ['egg-yolk', 0.03],
      ['double-cream', 0.1231],
      ['white-wine', 0.0594],
      ['chicken-stock', 1.002],
      ['butter', 0.03],
    ],
  },
  {
    country: 'gb',
    text: `500g/1lb 2oz tomatoes
1 tbsp olive oil
4 cloves of garlic
300ml/½ pint vegetable stock
½ tsp sugar
a few basil leaves`,
    // two units: the first counts
    food: [
      ['tomato', 0.5],
      ['olive-oil', 0.0137],
      ['garlic', 0.012],
      ['vegetable-stock', 0.3],
      ['sugar', 0.00213],
      ['basil', 0.0015],
    ],
  },
  {
    country: 'us',
    text: `Cream of asparagus
2 bunches asparagus
3 tbsp butter
2 shallots, minced
3 cups chicken stock
1/2 c. whipping cream
1 tbsp lemon juice`,
    food: [
      ['asparagus', 0.5],
      ['butter', 0.0426],
      ['shallot', 0.05],
      ['chicken-stock', 0.711],
      ['whipping-cream', 0.1179],
      ['lemon-juice', 0.0152],
    ],
  },
  {
    country: 'gb',
    text: `Watercress
2 bunches watercress
1 potato, about 200 g
1 onion, finely chopped
600ml milk
400ml vegetable stock
25g butter`,
    // "about 200 g" behind a count tells more than the count
    food: [
      ['watercress', 0.17],
      ['potato', 0.2],
      ['onion', 0.11],
      ['milk', 0.618],
      ['vegetable-stock', 0.4],
      ['butter', 0.025],
    ],
  },
  {
    country: 'gb',
    text: `Jerusalem artichoke
1 kg jerusalem artichokes, scrubbed
2 banana shallots
50 g hazelnuts, to serve
1 litre dark vegetable stock
truffle oil to finish`,
    // a banana shallot is no plain one; the oil is a finishing oil by the taste
    food: [['jerusalem-artichoke', 1], 'ask', ['hazelnuts', 0.05], ['dark-vegetable-stock', 1], 'ask'],
  },
  {
    country: 'us',
    text: `3 cups diced carrots
1 cup chopped onion
1 cup diced celery
2 cloves garlic
1 (15 oz) can white beans, drained and rinsed
1 1/2 quarts vegetable stock
2 tsp salt`,
    food: [
      ['carrot', 0.384],
      ['onion', 0.16],
      ['celery', 0.101],
      ['garlic', 0.006],
      ['canned-white-beans', 0.4252],
      ['vegetable-stock', 1.4195],
      ['fine-salt', 0.012],
    ],
  },
  {
    country: 'gb',
    text: `Cold cucumber
2 cucumbers, peeled
500g plain yoghurt
small bunch of dill
1 clove garlic
2 tablespoons white wine vinegar
100 ml water, ice cold`,
    food: [
      ['cucumber', 0.6],
      ['yoghurt', 0.5],
      ['dill', 0.03],
      ['garlic', 0.003],
      ['white-wine-vinegar', 0.0303],
      ['water', 0.0998],
    ],
  },
  {
    country: 'gb',
    text: `Kale and white bean
1 x 400g tin cannellini beans
200 g curly kale, stripped
4 rashers streaky bacon
1 onion, diced
1 teaspoon tomato paste
2 pints vegetable stock`,
    food: [
      ['canned-white-beans', 0.4],
      ['kale', 0.2],
      ['bacon', 0.1],
      ['onion', 0.11],
      ['tomato-paste', 0.00538],
      ['vegetable-stock', 1.1365],
    ],
  },
  {
    country: 'us',
    text: `Broccoli cheddar
2 heads broccoli
1 cup grated cheddar
1/4 cup flour
1/2 stick butter
2 cups milk
1/8 teaspoon nutmeg`,
    food: [
      ['broccoli', 1],
      ['cheddar', 0.113],
      ['plain-flour', 0.03125],
      ['butter', 0.0565],
      ['milk', 0.4874],
      ['nutmeg', 0.000275],
    ],
  },
  {
    country: 'gb',
    text: `Chestnut & mushroom
250g chestnut mushrooms
20g dried porcini
180g pack cooked chestnuts
3 shallots, sliced
50ml dry sherry
1.1 litres vegetable stock
soured cream and chives to serve`,
    // two foods on one line, each for itself
    food: [
      ['chestnut-mushroom', 0.25],
      ['dried-porcini', 0.02],
      ['canned-chestnuts', 0.18],
      ['shallot', 0.075],
      ['dry-sherry', 0.0495],
      ['vegetable-stock', 1.1],
      ['soured-cream', null],
      ['chives', null],
    ],
  },
  {
    country: 'us',
    text: `Black pepper & turnip
3 turnips, peeled and diced
1 russet potato
2 leeks, white and pale green parts only
1/4 teaspoon ground black pepper
5 cups water
1 bay leaf
1/3 cup light cream`,
    food: [
      ['turnip', 0.366],
      ['floury-potato', 0.173],
      ['leek', 0.178],
      ['black-pepper', 0.000575],
      ['water', 1.1806],
      ['bay', 0.0002],
      ['single-cream', 0.0797],
    ],
  },
  {
    country: 'gb',
    text: `Squash, chilli and lime
1 kg butternut squash, seeded, skin on
1 red chilli, deseeded
1 tsp coriander seeds
1 tsp ground cumin
400ml tin coconut milk
1 vegetable stock cube
800ml boiling water
zest and juice of 1 lime`,
    // 400 mL x 0.985; the juice of a lime 44 g, its zest 4 g
    food: [
      ['butternut', 1],
      ['red-chilli', 0.015],
      ['coriander-seed', 0.001826],
      ['cumin', 0.00213],
      ['coconut-milk', 0.394],
      ['stock-cube', 0.01],
      ['water', 0.7984],
      ['lime-juice', 0.044],
      ['lime-zest', 0.004],
    ],
  },
];
