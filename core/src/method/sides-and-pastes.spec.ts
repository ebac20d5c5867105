import { expectInOrder, saidOf, saidOfPaste } from '../../spec/method-said.js';

describe('what is made beside the soup, and lists with the amount behind', () => {
  it('crumbs are made in a bowl and fried in a pan while the soup stands in its pot', () => {
    const { said } = saidOf(
      'Melt butter in a large saucepan. Cook leek 8 mins until softened. Add cauliflower and stock. Simmer 20 mins. Meanwhile, process bread to coarse crumbs. Add walnuts and pulse to chop. Heat oil in a frying pan. Cook crumb mixture, stirring, for 5 mins or until golden. Blend soup. Top with walnut crumb.',
      '60g butter\n1 leek\n1.2kg cauliflower, cut into florets\n1L chicken stock\n2 slices sourdough\n50g walnuts\n1 tbsp olive oil',
    );
    expectInOrder(said, [
      "simmer 20'",
      'add sourdough @Bowl',
      'add walnuts @Bowl',
      'add olive-oil @Pan',
      "fry 5' @Pan",
      'blend',
      'garnish walnuts sourdough',
    ]);
    expect(said.filter((one) => one.startsWith('blend'))).toEqual(['blend']);
  });

  it('a raw paste from the processor is fried, and what is half blitzed leaves a half', () => {
    const { said, actions } = saidOf(
      'Blitz onion, ginger, garlic in the processor. Fry off in a little oil, 8 mins. Add lentils and stock. Boil, then simmer 25 mins. Half blitz – leave some texture.',
      'onion x 3\nginger 50g\ngarlic x 6\nred lentils 350g\nstock 2.5 litres\noil',
    );
    expectInOrder(said, ['prepare onion ginger garlic', 'add onion ginger garlic rapeseed-oil', "fry 8'", "simmer 25'", 'blend']);
    expect(actions.filter(({ does }) => does === 'blend').map(({ share }) => share)).toEqual([0.5]);
  });

  it('of two lines of parsnips and two of oil, those for the top are fried and go on top', () => {
    const { said } = saidOfPaste(
      'Parsnip soup\nServes 6\n\n2 tablespoons rapeseed oil\n800 grams parsnips, peeled\n1.2 litres vegetable stock\n\nTo serve\n2 parsnips, peeled into ribbons\nvegetable oil, for shallow frying\n\nMethod\nPut the parsnips in a roasting tin, drizzle over the oil. Roast at 190C for 45 minutes. Add to a pan with the stock. Simmer for 10 minutes. Meanwhile, heat 2cm of vegetable oil in a small deep pan. Fry the parsnip ribbons for 1-2 minutes until crisp. Blend the soup until smooth. Serve topped with the parsnip crisps.',
      'gb',
    );
    expectInOrder(said, [
      'add rapeseed-oil @Tray',
      "simmer 10'",
      'add rapeseed-oil-2 @Pot 2',
      'add parsnip-2 @Pot 2',
      "fry 1.5' @Pot 2",
      'blend',
      'garnish parsnip-2',
    ]);
  });

  it('a stock cube is crumbled by itself, and the water poured after it; what is boiled away is no simmer', () => {
    const { said, sharesOf } = saidOf(
      'Heat the oil. Add the onion, cook 5 mins. Add the sherry, scraping up the bits; simmer until nearly gone. Crumble in the stock cube, pour over the water. Add the peas. Simmer 10 mins. Blend.',
      '1 tbsp oil\n1 onion\n3 tbsp dry sherry\n1 vegetable stock cube\n750ml boiling water\n400g peas',
    );
    expectInOrder(said, ["deglaze dry-sherry 2'", 'add stock-cube', 'add water', 'add peas', "simmer 10'"]);
    expect(said.filter((one) => one.startsWith('simmer')).length).toBe(1);
    expect(sharesOf('water')).toEqual([1]);
  });

  it('the lid comes off in the middle of a long sweat and of a simmer', () => {
    const { actions } = saidOf(
      'Melt the butter. Add the onions; cook very slowly, lid on, for 1 hr, then lid off 45 mins. Add the stock. Simmer 20 minutes covered, then uncovered for another 10. Blend.',
      '3kg onions\n200g butter\n3L chicken stock',
    );
    const heats = actions.filter(({ does }) => /^(?:sweat|simmer)$/.test(does));
    expect(heats.map(({ lid, minutes }) => [lid, minutes?.high])).toEqual([
      ['on', 60],
      ['off', 45],
      ['on', 20],
      ['off', 10],
    ]);
  });

  it('a mirepoix is what the list has of it, a sachet is tied up and taken out again', () => {
    const { said } = saidOf(
      'Render bacon in a heavy pot. Add mirepoix and sweat. Add peas, stock and sachet. Cover and cook 1 hr. Remove sachet. Pass soup through food mill.',
      '4 oz bacon\n8 oz onion\n4 oz celery\n4 oz carrot\n1 lb split green peas\n3 qt chicken stock\nsachet: bay leaf, 2 cloves, 6 peppercorns, crushed',
      'us',
    );
    expectInOrder(said, ['add onion celery carrot', 'add split-peas chicken-stock herb-bundle', 'takeOut herb-bundle']);
  });

  it('parchment is no potato, what is brown in spots is still in the oven, a skin comes off once', () => {
    const { said } = saidOf(
      'Brush the tomatoes and aubergine with the oil, then roast until tender and brown in spots, about 45 minutes. Scoop aubergine from skin into a saucepan; discard skin. Melt the butter in another pan. Tip in the leeks. Cover with a circle of damp baking parchment and the lid and sweat for 15 minutes. Add the potatoes and stock; lower, cover, 25 min.',
      '3 tomatoes\n1 aubergine\n2 tbsp oil\n50g butter\n3 leeks\n2 baking potatoes (about 500g)\n1.2L chicken stock',
    );
    expectInOrder(said, ["roast 45' @Tray", 'peel aubergine @Tray']);
    expect(said.filter((one) => /^(?:peel|fry|roast)/.test(one)).length).toBe(2);
    const potato = said.findIndex((one) => one.includes('potato'));
    expect(potato).toBeGreaterThan(said.findIndex((one) => one.startsWith("sweat 15'")));
    expect(said.some((one) => one.startsWith("simmer 25'"))).toBeTrue();
  });

  it('what is chopped is what is sautéed, and what is peeled goes in along with the water', () => {
    const { said } = saidOf(
      'Chop onion, sauté in butter and oil in a soup pot til translucent (8 min). Peel & slice carrots, add along with the water. Bring to boil, lower, cover, 25 min. Puree.',
      '2 pounds carrots\n1 T butter\n1 T oil\n1 onion\n5 cups H2O',
      'us',
    );
    expectInOrder(said, ['add onion butter rapeseed-oil', "sweat 8'", 'add carrot water', 'boil', "simmer 25'", 'blend']);
  });

  it('bacon that is used if it is there is what is grilled; four to five bowls are five', () => {
    const { said } = saidOfPaste(
      'Leek soup\nServes 4-5\n\n3 leeks\n1.2L stock\n4 slices of streaky bacon (optional)\n\nSimmer the leeks in the stock for 20 minutes. If using the bacon, grill or dry-fry it until crisp. Blend. Serve with the bacon.',
      'gb',
    );
    expectInOrder(said, ['add bacon @Tray', "roast 10' @Tray", 'blend', 'garnish bacon']);
  });

  it('water that thins if it is needed is still water, and everything that goes to the onions is no part of a list', () => {
    const { said, actions } = saidOf(
      'Sweat the onions in the butter 10 minutes. Add everything else to the onions. Simmer 25 minutes. Blend. Thin with a little stock if necessary.',
      '3 onions\n50g butter\n1 kg carrots\n1 litre stock',
    );
    expectInOrder(said, ['add onion butter', "sweat 10'", 'add carrot vegetable-stock', "simmer 25'", 'blend']);
    const thin = actions.find(({ does }) => does === 'thin');
    expect([thin?.condition, thin?.lines.length]).toEqual(['if necessary', 1]);
  });

  it('the rest of a tray of which some was kept goes into the blender; another way to blend is told once', () => {
    const { said } = saidOf(
      'Roast the carrots and onion in the oil at 200C for 35-40 minutes. Remove a handful of the carrots and set aside. Scrape the rest into a blender with the stock and whizz until smooth. Alternately, you can use a stick blender and puree the soup right in the pot. Top with the reserved carrots.',
      '1kg carrots\n1 onion\n3 tbsp olive oil\n1 litre vegetable stock',
    );
    expectInOrder(said, ['keep carrot @Tray', 'join carrot onion olive-oil', 'add vegetable-stock', 'blend', 'garnish carrot']);
    expect(said.filter((one) => one.startsWith('blend')).length).toBe(1);
  });

  it('one of each is three foods; chilli for the top is no spice of the pot; what is set aside is what its measure says', () => {
    const { said, sharesOf } = saidOfPaste(
      'Lentil soup\nServes 4\n\n1 onion, carrot & celery stick, all finely chopped\n2 tsp cumin\n100g red lentils\n1 litre stock\n270ml can coconut milk\n\nTo serve\nchilli flakes\n\nMethod\nSweat the onion, carrot and celery 8 minutes. Add the spices; cook 1 min. Add the lentils and stock; simmer 25 mins. Set aside 1/4 cup (60ml) coconut milk. Add the remaining coconut milk. Blend. Drizzle with the reserved coconut milk and scatter with chilli flakes.',
      'gb',
    );
    expectInOrder(said, [
      'add onion carrot celery',
      "sweat 8'",
      'add cumin',
      "bloom 1'",
      'blend',
      'garnish coconut-milk',
      'garnish chilli-flakes',
    ]);
    // 60 mL of a can of 270.
    expect(sharesOf('coconut-milk')).toEqual([0.78, 0.22]);
  });
});
