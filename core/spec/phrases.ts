/** Ways to say one step of a soup, of which any may stand beside any other, and what each of them comes to. */
export interface Stage {
  /** What goes in and what is done with it, minutes behind it; several doings are parted by semicolons. */
  readonly want: string;
  readonly alts: readonly string[];
  /** The part of the soup that the blade has in this step; all of it where none is named. */
  readonly blended?: number;
}

export interface Pattern {
  readonly name: string;
  readonly lines: string;
  readonly stages: readonly Stage[];
}

/** Soups of many habits, step by step, in words written for it. */
export const PATTERNS: readonly Pattern[] = [
  {
    name: 'squash, from the oven',
    lines:
      '1 kg butternut squash, peeled and cubed\n2 onions, chopped\n3 garlic cloves, crushed\n2 tsp ground cumin\n2 tbsp olive oil\n25g butter\n1 litre vegetable stock\n150ml double cream\n2 bay leaves\nsalt and black pepper\na handful of coriander, chopped',
    stages: [
      {
        want: 'butternut olive-oil roast 35',
        alts: [
          'Heat the oven to 200C. Toss the squash with the oil, tip onto a baking tray and roast for 35 minutes until tender.',
          'Preheat the oven to 200C/180C fan/gas 6. Put the squash in a roasting tin, drizzle over the oil, season and roast for 35 mins, turning halfway.',
          'Roast the squash in the oil at 200°C for 35 minutes.',
          'Set the oven to 200C. Spread the squash on a large tray. Drizzle with the oil. Roast for 35 min, or until golden at the edges.',
          'Arrange the squash on a lined tray, toss through the oil with your hands and slide into a 200C oven. Give it 35 minutes.',
          'Oven 200. Squash, oil, tray, 35 min.',
          'The squash is tossed in the oil and roasted at 200C for 35 minutes.',
          'Rub the squash with the oil. Roast at 200C for 35 minutes, shaking the tray once.',
          'Turn the oven on to 200C. Put the cubed squash in a bowl with the oil, mix well, then spread it out on a baking sheet. Bake for 35 minutes.',
          'Get the oven nice and hot - 200 degrees. Squash on a tray with the oil. Roast 35 mins.',
          'First roast your squash: coat it in the oil, lay it on a tray and cook in a hot oven (200C) for 35 minutes.',
          'Coat the squash in the oil, season with salt and pepper, and roast in a single layer at 200C until soft and caramelised, about 35 minutes.',
          'Squash: oil, 200C, 35 min, tray.',
          'Pop the squash onto a roasting tray, glug over the oil, then into the oven at 200C for 35 minutes it goes.',
          'Bake squash w/ oil @ 200C 35 mins.',
          'Lay the squash on a tray. Oil it. Roast (200C, 35 minutes).',
          'To roast the squash, heat the oven to 200C, toss the cubes in the oil and cook on a baking tray for 35 minutes.',
          'Begin by roasting the squash with the oil at 200C for 35 minutes.',
          'I roast the squash in the oil at 200C for 35 minutes.',
          'With the oven at 200C, roast the oiled squash for 35 minutes (use all the oil).',
          'Prepare the squash: toss with oil and roast for 35 minutes in an oven preheated to 200C.',
          'Roast the squash, tossed in the oil, for between 30 and 40 minutes at 200C.',
        ],
      },
      {
        want: 'onion butter soft 10',
        alts: [
          'Meanwhile, melt the butter in a large pan and gently cook the onions for 10 minutes.',
          'While the squash is in the oven, sweat the onions in the butter with the lid on for 10 minutes.',
          'Soften the onions in the butter in a big saucepan, 10 mins.',
          'In the meantime, heat the butter in a heavy-based pan, add the onions with a pinch of salt and fry over a low heat for 10 minutes until soft but not coloured.',
          'Onions into a pan with the butter, low heat, lid on, 10 min.',
          'Whilst that cooks, put the butter in a pan over a gentle heat. Once melted, add the onions. Let them soften for 10 minutes.',
          'As it roasts, cook the onions slowly in the butter for 10 minutes, stirring now and again so they don’t catch.',
          'Meantime sweat off the onions in the butter, 10 minutes.',
          'Melt the butter in a stockpot. Tip in the onions. Cover. Sweat for 10 minutes.',
          'Heat a large pan over medium heat and add the butter. When it foams, add the onions and cook, stirring occasionally, until soft, about 10 minutes.',
          'In a separate pan, cook the onions in the butter for 10 minutes till translucent.',
          'While that is happening, gently soften the onions in the butter for about ten minutes.',
          'Onion + butter, sweat 10.',
          'Get a big pan, melt the butter, chuck in the onions and cook gently for 10 mins.',
          'The onions are softened in the butter for 10 minutes in a large pan.',
          'Then sweat the onions with the butter in a covered saucepan for 10 minutes.',
          'Add the butter to a soup pot over medium-low heat; add the onions and cook 10 minutes, until tender.',
          'Meanwhile, take a large saucepan and melt the butter in it. Add the onions and let them cook slowly for 10 minutes.',
          'In a large pan over a medium heat, warm the butter and fry the onions for 8-12 minutes.',
        ],
      },
      {
        want: 'garlic cumin bloom 1',
        alts: [
          'Stir in the garlic and cumin and cook for 1 minute more.',
          'Add the garlic and cumin; cook 1 min.',
          'Throw in the garlic, then the cumin, and fry for another minute.',
          'Garlic and cumin in, 1 min.',
          'Add the garlic and cumin, and stir for a minute until fragrant.',
          'Mix in the garlic and the cumin, letting them sizzle for a minute.',
          'Then add garlic and cumin for 1 minute.',
          'Sprinkle over the cumin, add the garlic and cook, stirring, for a minute.',
          'Next, the garlic and cumin: 1 minute.',
          'Add the garlic and the cumin and let them cook out for 1 minute.',
          'Add garlic, cumin. Cook 1 minute, stirring.',
          'Follow with the garlic and cumin and give it a minute more.',
          'Stir through the garlic and cumin. Fry for 60 seconds.',
          'Scatter in the cumin with the garlic and toast for a minute.',
        ],
      },
      {
        want: 'vegetable-stock bay simmer 15',
        alts: [
          'Add the roasted squash, stock and bay leaves, bring to the boil, then simmer for 15 minutes.',
          'Tip in the squash and pour over the stock. Add the bay. Bring to a simmer and cook for 15 minutes.',
          'Once the squash is done, add it to the onions with the stock and bay. Simmer, partially covered, for 15 mins.',
          'Scrape in the squash with any juices, add the stock and bay and bubble gently for 15 minutes.',
          'Squash, stock and bay in. Boil, then 15 min simmer.',
          'Transfer the squash to the pan, pour in the stock, drop in the bay leaves and simmer for a quarter of an hour.',
          'Add the squash to the pan along with the stock and bay leaves. Bring up to the boil, reduce the heat and leave to simmer for 15 minutes.',
          'When the squash is tender, stir it into the onion mixture, cover with the stock, add the bay and simmer for 15 minutes.',
          'Add the squash to the pan, then the stock and the bay. Simmer 15 minutes.',
          'Now add the roast squash, the stock and the bay leaves and let it all simmer together for 15 minutes.',
          'Take the squash out of the oven and add to the pan with the stock and bay. Bring to the boil and simmer for 15 minutes.',
          'Remove the squash from the oven and tip it into the pan. Pour in the stock, pop in the bay leaves, bring to the boil, cover and simmer for 15 minutes.',
          'In goes the squash, the stock and the bay. Simmer for 15 minutes.',
          '+ squash, stock, bay. Simmer 15.',
          'Add the squash and stock and bay leaves. Return to the boil and simmer gently for 15 minutes.',
          'Pour the stock over, add the bay and the roasted squash and cook at a gentle simmer for 15 minutes.',
          'Stir in the roasted squash, followed by the stock and bay leaves, and simmer for 15 minutes.',
          'Put the squash in with the onions, pour on the stock, add the bay and simmer for 15 mins or so.',
          'When the squash is ready, scrape it off the tray into the pan. Add the stock and bay. Simmer for 15 minutes with the lid ajar.',
          'Add the stock, bay leaves and the cooked squash and heat until boiling. Reduce to a simmer and cook for 15 minutes.',
          'Once roasted, add the squash to the pan, together with the stock and bay leaves. Let it simmer for 15 minutes.',
        ],
      },
      {
        want: 'takeOut bay; blend',
        alts: [
          'Fish out the bay leaves and blend with a stick blender until smooth.',
          'Discard the bay. Blitz in a blender, in batches, until silky.',
          'Remove and discard the bay leaves, then purée the soup and return it to the pan.',
          'Take the pan off the heat, remove the bay and whizz until smooth.',
          'Bay out. Blend.',
          'Lift out the bay leaves. Leave to cool a little, then liquidise.',
          'Throw out the bay leaves and purée everything.',
          'Pick out the bay. Use a hand blender to blend until velvety.',
          'Remove the bay leaves and blend the soup until completely smooth, using a stick blender or in batches in a jug blender.',
          'Discard bay leaves; process in a food processor until smooth and pour back into the pan.',
          'Retrieve the bay leaves, then whizz with a hand-held blender until there are no lumps.',
          'Bay leaves out, then blitz till smooth.',
          'Allow to cool slightly, remove the bay leaves, and blend until smooth. Return to a clean pan.',
          'Off the heat, take out the bay and liquidise.',
          'The bay is removed and the soup blended.',
          'Get rid of the bay leaves. Buzz it all up with a stick blender.',
          'Pull out the bay, then transfer to a blender and blend until smooth.',
        ],
      },
      {
        want: 'double-cream; garnish coriander',
        alts: [
          'Stir in the cream, season and warm through. Serve scattered with the coriander.',
          'Add the cream, reheat gently without boiling and check the seasoning. Top with coriander.',
          'Stir through the cream, taste for salt and pepper, and ladle into bowls. Finish with the coriander.',
          'Cream in. Season. Reheat. Coriander on top.',
          'Return to a low heat, pour in the cream and season to taste. Divide between bowls and sprinkle over the coriander.',
          'Add cream + seasoning, warm through. Garnish coriander.',
          'Finish with the cream. Taste and season. Serve with a scattering of coriander.',
          'Put back on the heat, stir in the cream, season and serve topped with the coriander.',
          'Stir in the cream and heat gently – don’t let it boil. Season. Sprinkle with coriander to serve.',
          'Off the heat, stir in the cream. Season with salt and black pepper. Serve in warmed bowls with coriander.',
          'Pour in the cream, adjust the seasoning and serve with the coriander on top.',
          'Swirl in the cream, season and serve strewn with coriander.',
          'Add the cream and bring back to a gentle simmer, then season. Serve garnished with the coriander.',
          'Whisk in the cream. Check for salt. Coriander over the top and serve.',
          'Stir in the double cream, then season to taste. To serve, ladle the soup into bowls and scatter with coriander.',
        ],
      },
    ],
  },
  {
    name: 'leek',
    lines:
      '3 leeks, sliced\n2 potatoes, diced\n50g butter\n1 litre chicken stock\n150ml single cream\n1 sprig thyme\n2 slices bread\n2 tbsp olive oil\nsalt and pepper\nnutmeg\n100ml white wine\nsmall bunch chives',
    stages: [
      {
        want: 'leek butter soft 10',
        alts: [
          'Melt the butter in a large saucepan, add the leeks and sweat gently for 10 minutes.',
          'Heat the butter until it foams. Stir in the leeks, season, cover and cook over a low heat for 10 minutes.',
          'Sweat the leeks in the butter, lid on, 10 min.',
          'In a heavy pot over medium-low heat, melt butter. Add leeks and a big pinch of salt; cook, stirring occasionally, until soft but not browned, about 10 minutes.',
          'Gently fry the leeks in the butter for 10 minutes without colouring.',
          'Put the leeks and butter in a pan, cover with a lid and stew for 10 minutes.',
          'Leeks and butter into a lidded pan; let them soften slowly for ten minutes.',
          'Wash the leeks well. Cook them in the butter for about 10 minutes or until they have collapsed.',
          'Slice the leeks and soften them in the butter over a gentle heat - 10 minutes.',
          'Over a low flame, let the leeks soften in the butter with the lid on for 10 minutes.',
        ],
      },
      {
        want: 'white-wine deglaze',
        alts: [
          'Pour in the wine and let it bubble away.',
          'Add the wine and cook until it has almost evaporated.',
          'Deglaze with the wine.',
          'Turn up the heat, add the wine and boil until reduced by half.',
          'Splash in the wine; let it reduce.',
          'Add wine, reduce to nothing.',
          'Increase the heat, splash in the white wine and let it cook off.',
        ],
      },
      {
        want: 'potato chicken-stock thyme simmer 20',
        alts: [
          'Add the potatoes, stock and thyme, bring to the boil and simmer for 20 minutes.',
          'Add potatoes, thyme and stock. Bring to a boil. Lower heat and simmer until potatoes are tender, 20 minutes.',
          'Tip in the potatoes, pour over the stock, tuck in the thyme and simmer gently, covered, for 20 minutes.',
          'Stir in the potato; add the stock and thyme. Once boiling, turn down and cook for 20 min until the potato is soft.',
          'Spuds, stock, thyme. Boil, then simmer 20.',
          'Potatoes next, then the stock and the thyme. Simmer for 20 minutes with the lid half on.',
          'Then add the diced potatoes, the thyme and the hot stock, and simmer until the potatoes crush easily, which will take about 20 minutes.',
          'Add in the potatoes and the stock together with the thyme sprig. Bring slowly to the boil, skim, then simmer for 20 mins.',
          'Throw in the potatoes and thyme, top with the stock, bring to a simmer and leave for 20 minutes.',
        ],
      },
      {
        want: 'takeOut thyme',
        alts: [
          'Remove the thyme.',
          'Fish out the thyme sprig.',
          'Discard the thyme stalk.',
          'Thyme out.',
          'Take out and discard the thyme.',
          'Pick out the thyme.',
          'Lift out the thyme.',
        ],
      },
      {
        want: 'blend',
        alts: [
          'Blend until smooth.',
          'Purée in a blender, then return to the pan.',
          'Whizz with a stick blender.',
          'Blitz it until really smooth.',
          'Liquidise in batches.',
          'Use a stick blender to purée the soup until smooth.',
          'Purée the soup, off the heat, with an immersion blender.',
          'Whiz everything to a smooth soup.',
          'Blend thoroughly, in two batches if you need to.',
          'Allow to cool for a few minutes, then blend until silky smooth.',
        ],
      },
      {
        want: 'single-cream',
        alts: [
          'Stir in the cream.',
          'Add the cream and reheat gently.',
          'Pour in the cream and warm through, but do not let it boil.',
          'Return to the heat with the cream and bring almost to the boil.',
          'Cream in.',
          'Enrich with the cream.',
          'Mix in the cream, then heat until piping hot.',
          'Add cream, heat through.',
        ],
      },
      {
        want: 'nutmeg',
        alts: [
          'Season with salt, pepper and nutmeg.',
          'Grate in some nutmeg and season.',
          'Add nutmeg, salt and pepper to taste.',
          'Season well, adding a good grating of nutmeg.',
          'Check the seasoning and add the nutmeg.',
        ],
      },
      {
        want: 'garnish chives',
        alts: [
          'Serve sprinkled with chives.',
          'Snip over the chives.',
          'Ladle into bowls and top with snipped chives.',
          'Scatter over the chives to serve.',
          'Garnish each bowl with chives.',
          'Serve hot, with the chives on top.',
          'Finish with a scattering of chives.',
          'Divide among bowls. Sprinkle chives over.',
        ],
      },
    ],
  },
  {
    name: 'lentil',
    lines:
      '1 tbsp vegetable oil\n1 onion, chopped\n2 carrots, diced\n2 sticks celery, diced\n2 cloves garlic, crushed\n2 tsp ground cumin\n1 tsp ground coriander\n250g red lentils, rinsed\n400g tin chopped tomatoes\n1.2 litres vegetable stock\njuice of 1 lemon\n4 tbsp plain yoghurt\nhandful of coriander',
    stages: [
      {
        want: 'rapeseed-oil onion carrot celery soft 8',
        alts: [
          'Heat the oil in a large pan and fry the onion, carrots and celery for 8 minutes until softened.',
          'Warm the oil in a big pot. Add the onion, carrot and celery. Cook, stirring, 8 minutes.',
          'Soften the onion, carrot and celery in the oil for 8 mins.',
          'Sauté the vegetables (onion, carrots, celery) in the oil for 8 minutes.',
          'Sweat onion, carrot, celery in oil 8 min.',
          'Heat oil in a saucepan over medium heat. Cook onion, carrot and celery, stirring, for 8 minutes or until soft.',
          'In a large saucepan, gently cook the onion, carrots and celery in the oil for 8 minutes, until they start to soften.',
          'Set a large pan over a medium heat with the oil. Add the onion, carrots and celery and sauté for 8 minutes.',
        ],
      },
      {
        want: 'garlic cumin coriander-seed bloom 1',
        alts: [
          'Add the garlic and spices and cook for 1 minute.',
          'Stir in the garlic, cumin and ground coriander; cook for a further minute until fragrant.',
          'Garlic and spices in; 1 min.',
          'Add the garlic, cumin and coriander and fry for another minute.',
          'Stir in the garlic and the spices. Cook, stirring, for 1 minute or until aromatic.',
          'Throw in the garlic and spices and let them toast for 1 minute.',
          'Add the garlic with the spices and stir for about a minute.',
        ],
      },
      {
        want: 'lentils canned-tomatoes vegetable-stock simmer 25',
        alts: [
          'Add the lentils, tomatoes and stock. Bring to the boil, then simmer for 25 minutes.',
          'Tip in the lentils and tomatoes, pour in the stock, bring to the boil, cover and simmer for 25 minutes, until the lentils have collapsed.',
          'Lentils, tomatoes, stock. Simmer 25 min, lid ajar.',
          'Stir in the lentils, then add the tomatoes and stock. Bring to a boil, reduce heat to low and simmer 20 to 30 minutes.',
          'Add the rinsed lentils, the tinned tomatoes and the stock and simmer gently for 25 minutes, stirring now and then so nothing sticks.',
          'Now the lentils, the tomatoes and the stock go in. Bring up to a simmer and cook for 25 minutes.',
          'Mix in the lentils. Add the tomatoes. Pour in the stock. Cover and simmer for 25 minutes.',
          'Add lentils to pan with tomatoes and stock. Season. Bring to the boil. Reduce heat. Simmer for 25 minutes or until lentils are tender.',
        ],
      },
      {
        want: 'blend',
        alts: [
          'Blend until smooth.',
          'Blitz with a hand blender.',
          'Whizz to a purée.',
          'Using a stick blender, blend the soup until smooth.',
          'Carefully blend the soup in batches.',
          'Set aside to cool slightly, then blend.',
          'Process until smooth.',
        ],
      },
      {
        want: 'lemon-juice',
        alts: [
          'Stir in the lemon juice and season.',
          'Squeeze in the lemon juice.',
          'Sharpen with the lemon juice.',
          'Add the juice of the lemon and salt to taste.',
          'Add lemon juice to taste.',
          'Season with lemon juice, salt and pepper.',
        ],
      },
      {
        want: 'garnish yoghurt coriander',
        alts: [
          'Serve with a swirl of yoghurt and the coriander.',
          'Top with a spoonful of yoghurt and scatter with coriander.',
          'Ladle into bowls, dollop with the yoghurt and sprinkle with coriander leaves.',
          'Serve topped with yoghurt and coriander.',
          'Divide between bowls and finish with the yoghurt and coriander.',
          'To serve, add a spoon of yoghurt and some coriander to each bowl.',
        ],
      },
    ],
  },
  {
    name: 'pea',
    lines:
      '1 kg frozen peas\n1 bunch spring onions, sliced\n30g butter\n900ml vegetable stock\na large handful of mint leaves\n100ml crème fraîche\nolive oil\nsalt',
    stages: [
      {
        want: 'spring-onion butter soft 5',
        alts: [
          'Soften the spring onions in the butter for 5 minutes.',
          'Melt the butter, add the spring onions and cook gently for 5 minutes.',
          'Sweat the spring onions in butter, 5 min.',
          'Gently cook the spring onions in the butter until wilted, 5 minutes.',
          'Heat the butter in a pan over a low heat and sweat the spring onions for 5 minutes.',
          'Melt butter in a large saucepan. Add spring onions. Stir over medium heat for 5 minutes or until soft.',
        ],
      },
      {
        want: 'vegetable-stock',
        alts: [
          'Pour in the stock and bring to the boil.',
          'Add the stock; bring to a rolling boil.',
          'Add the stock and bring up to the boil.',
          'Stock in, bring to the boil.',
        ],
      },
      {
        want: 'peas simmer 3',
        alts: [
          'Add the peas and simmer for 3 minutes.',
          'Tip in the peas, bring back to the boil and cook for 3 minutes.',
          'Add the peas, return to the boil and simmer 3 minutes, no longer.',
          'Peas in, 3 min.',
          'Throw in the peas and boil for just 3 minutes.',
          'Stir in the peas. Once the liquid comes back to the boil, cook for 3 minutes.',
          'Drop the peas into the boiling stock and simmer 3 minutes until just tender.',
        ],
      },
      {
        want: 'mint blend',
        alts: [
          'Add the mint and blend until smooth.',
          'Take off the heat, add the mint leaves and blend.',
          'Stir in the mint and blitz straight away.',
          'Off the heat, add the mint. Blend until very smooth.',
          'Throw in the mint and whizz with a stick blender.',
          'Blend with the mint.',
          'Transfer to a blender, add the mint and purée.',
        ],
      },
      {
        want: 'sieve',
        alts: [
          'Pass through a fine sieve.',
          'Push the soup through a sieve.',
          'Strain through a fine sieve into a clean pan.',
          'Sieve the soup, pressing with the back of a ladle.',
          'Rub through a sieve.',
          'Press through a fine-mesh sieve, discarding the skins.',
          'Pass it through a sieve into a bowl.',
        ],
      },
      {
        want: 'creme-fraiche',
        alts: [
          'Stir in the crème fraîche.',
          'Whisk in the crème fraîche and season.',
          'Add the crème fraîche and season to taste.',
          'Mix in the crème fraîche.',
          'Fold through the crème fraîche.',
        ],
      },
      {
        want: 'garnish olive-oil',
        alts: [
          'Serve with a drizzle of olive oil.',
          'Drizzle with olive oil to serve.',
          'Pour into bowls and finish with a thread of olive oil.',
          'Serve cold, drizzled with a little olive oil.',
          'Ladle into bowls and drizzle over a little olive oil.',
          'Serve in small cups with a few drops of olive oil.',
        ],
      },
    ],
  },
  {
    name: 'part',
    lines:
      '1 tbsp olive oil\n1 onion, chopped\n2 x 400g tins cannellini beans, drained\n1 litre vegetable stock\n2 sprigs rosemary\n200g kale, shredded\n1 lemon, juiced',
    stages: [
      {
        want: 'olive-oil onion soft 10',
        alts: [
          'Heat the oil and soften the onion for 10 minutes.',
          'Cook the onion in the oil for 10 minutes, until soft.',
          'Gently fry the onion in the oil, 10 mins.',
        ],
      },
      {
        want: 'canned-white-beans vegetable-stock rosemary simmer 10',
        alts: [
          'Add the beans, stock and rosemary and simmer for 10 minutes.',
          'Tip in the beans and rosemary, pour in the stock, bring to the boil and simmer 10 mins.',
          'Stir in the beans, rosemary and stock. Simmer for ten minutes.',
        ],
      },
      { want: 'takeOut rosemary', alts: ['Remove the rosemary.', 'Discard the rosemary stalks.', 'Fish out the rosemary.'] },
      {
        want: 'blend',
        alts: [
          'Blend half of the soup until smooth and return it to the pan.',
          'Ladle half the soup into a blender, whizz and pour back into the pan.',
          'Remove about half the soup to a blender and blend; stir back in.',
          'Blend half, then mix it back in.',
          'Use a stick blender to blend about half of the soup.',
          'Partially blend with a stick blender.',
          'Take out half the soup, blend it until smooth and stir it back into the rest.',
          'Transfer half to a food processor, process until smooth, then return to the pan.',
          'Whizz half of it in a blender and tip it back.',
          'Purée roughly half the soup, leaving the rest chunky.',
        ],
      },
      {
        want: 'kale simmer 5',
        alts: [
          'Stir in the kale and simmer for 5 minutes.',
          'Add the kale and cook for 5 minutes until wilted.',
          'Add the kale; cook 5 minutes more.',
          'Throw in the kale and simmer for a further 5 minutes.',
          'Kale in, 5 min.',
        ],
      },
      {
        want: 'lemon-juice',
        alts: ['Add the lemon juice and season.', 'Squeeze in the lemon juice.', 'Stir in the lemon juice to taste.'],
      },
    ],
  },
  {
    name: 'tomato',
    lines:
      '1.5 kg ripe tomatoes, halved\n1 red onion, cut into wedges\n1 head garlic, halved\n4 tbsp olive oil\n1 tbsp balsamic vinegar\n500ml vegetable stock\n1 bunch basil\n1 tsp sugar',
    stages: [
      {
        want: 'tomato red-onion garlic olive-oil roast 45',
        alts: [
          'Put the tomatoes, onion and garlic in a roasting tin, drizzle with the oil and roast at 190C for 45 minutes.',
          'Heat the oven to 190C. Arrange the tomatoes, onion and garlic on a tray, drizzle with the oil, season and roast for 45 minutes.',
          'Toss the tomatoes, onion and garlic in the oil on a baking sheet and roast for 45 mins at 190C.',
          'Roast the tomatoes, onion and garlic with the oil at 190C for 45 minutes.',
          'Lay the tomatoes cut side up on a tray with the onion and garlic. Drizzle over the oil. Roast 190C 45 mins.',
        ],
      },
      {
        want: 'vegetable-stock simmer 10',
        alts: [
          'Squeeze the garlic from its skins and tip everything into a pan with the stock. Simmer for 10 minutes.',
          'Squeeze the garlic out of its skin into a large pan, add the tomatoes, onion and stock and simmer for 10 minutes.',
          'Scrape everything into a saucepan, squeezing the garlic from its papery skin. Add the stock and simmer for 10 minutes.',
          'Pop the garlic cloves out of their skins. Transfer the whole lot to a pan with the stock, bring to the boil and simmer for 10 minutes.',
          'Tip the contents of the tin, with all the juices, into a large pan (squeeze the garlic from the skins). Pour in the stock and simmer 10 minutes.',
        ],
      },
      {
        want: 'basil blend',
        alts: [
          'Add the basil and blend until smooth.',
          'Tear in the basil and blitz.',
          'Add most of the basil and whizz.',
          'Throw in the basil and blend with a stick blender.',
          'Blend with the basil.',
        ],
      },
      {
        want: 'sieve',
        alts: [
          'Pass through a sieve to remove the skins and seeds.',
          'Push through a sieve, discarding the skins.',
          'Sieve if you want it really smooth.',
          'Pass through a mouli or sieve.',
        ],
      },
      {
        want: 'balsamic-vinegar sugar',
        alts: [
          'Stir in the vinegar and sugar.',
          'Add the balsamic and the sugar and season.',
          'Season with the balsamic vinegar, sugar and salt.',
        ],
      },
    ],
  },
  {
    name: 'mushroom',
    lines:
      '750g chestnut mushrooms, sliced\n1 onion, chopped\n2 garlic cloves, chopped\n60g butter\n3 tbsp plain flour\n1 litre beef stock\n200ml milk\n2 sprigs thyme\n100ml double cream\nchopped parsley',
    stages: [
      {
        want: 'butter onion soft 6',
        alts: [
          'Melt the butter in a pan and cook the onion for 6 minutes.',
          'Cook the onion in the butter until soft, about 6 minutes.',
          'Soften the onion in the butter for 6 minutes in a large saucepan.',
          'Sweat onion in butter 6 mins.',
          'Fry the onion gently in the butter, 6 minutes.',
        ],
      },
      {
        want: 'garlic chestnut-mushroom thyme soft 10',
        alts: [
          'Add the garlic, mushrooms and thyme and cook over a high heat for 10 minutes until browned.',
          'Stir in the mushrooms, garlic and thyme; fry until golden, 10 minutes.',
          'Tip in the mushrooms with the garlic and thyme, and cook for 10 minutes until all their liquid has gone.',
          'Mushrooms, garlic, thyme in. Fry hard 10 min.',
          'Add the mushrooms, garlic and thyme. Turn up the heat and fry for 10 mins.',
          'Increase heat to medium-high. Add mushrooms, garlic, thyme. Cook, stirring, 10 minutes or until golden brown.',
        ],
      },
      {
        want: 'plain-flour bloom 2',
        alts: [
          'Sprinkle over the flour and cook for 2 minutes.',
          'Stir in the flour and cook, stirring, for 2 minutes.',
          'Add the flour; stir for 2 minutes.',
          'Dust with the flour and cook it out for 2 mins.',
          'Scatter over the flour and stir it in, cooking for 2 minutes.',
          'Mix in flour, cook 2 min.',
        ],
      },
      {
        want: 'beef-stock milk simmer 15',
        alts: [
          'Gradually add the stock and milk, bring to the boil and simmer for 15 minutes.',
          'Whisk in the stock, then the milk. Simmer 15 minutes.',
          'Pour in the stock and milk bit by bit, stirring, then simmer gently for 15 minutes.',
          'Slowly pour in the stock, stirring constantly, followed by the milk. Bring to a simmer and cook for 15 minutes.',
          'Add the stock a little at a time, stirring well between each addition. Add the milk. Simmer for 15 minutes.',
          'Blend in the stock and milk, stirring until thickened, and simmer for 15 minutes.',
        ],
      },
      { want: 'takeOut thyme', alts: ['Remove the thyme.', 'Discard the thyme stalks.', 'Fish out the thyme.'] },
      {
        want: 'blend',
        alts: [
          'Blend until smooth.',
          'Purée with a hand blender.',
          'Whizz in a food processor, leaving a little texture.',
          'Blitz, but not too smooth.',
        ],
      },
      {
        want: 'double-cream',
        alts: [
          'Stir in the cream and warm through.',
          'Add the cream, season and reheat.',
          'Return to the pan, stir in the cream and season.',
          'Finish with the cream.',
        ],
      },
      {
        want: 'garnish parsley',
        alts: [
          'Serve sprinkled with parsley.',
          'Scatter with the parsley.',
          'Garnish with chopped parsley.',
          'Parsley on top.',
          'Serve with the parsley scattered over.',
        ],
      },
    ],
  },

  {
    name: 'thai',
    lines:
      '1 tbsp coconut oil\n2 tbsp red curry paste\n1 onion, sliced\n1 thumb ginger, grated\n1 stalk lemongrass, bruised\n800g sweet potatoes, peeled and cubed\n400ml can coconut milk\n700ml vegetable stock\n1 tbsp fish sauce\n1 lime, juiced\n30g roasted peanuts, chopped',
    stages: [
      {
        want: 'coconut-oil onion ginger soft 5',
        alts: [
          'Heat the coconut oil in a wok and stir-fry the onion and ginger for 5 minutes.',
          'Melt the coconut oil in a saucepan. Add the onion and ginger and cook until soft, 5 minutes.',
          'Cook the onion and ginger in the coconut oil over a medium heat for 5 minutes.',
          'Warm the oil, add the onion and ginger, and sauté for 5 min.',
        ],
      },
      {
        want: 'red-curry-paste bloom 1',
        alts: [
          'Add the curry paste and fry for 1 minute.',
          'Stir in the curry paste and cook until fragrant, about 1 minute.',
          'Add the paste; cook for a minute, stirring.',
          'Curry paste in for a minute.',
          'Stir through the curry paste and cook for another minute.',
          'Spoon in the curry paste and let it sizzle for a minute.',
        ],
      },
      {
        want: 'sweet-potato lemongrass coconut-milk vegetable-stock simmer 20',
        alts: [
          'Add the sweet potatoes, lemongrass, coconut milk and stock and simmer for 20 minutes.',
          'Tip in the sweet potato and lemongrass. Pour over the coconut milk and stock, bring to the boil, then simmer for 20 minutes until tender.',
          'Add sweet potatoes, coconut milk, stock and lemongrass. Bring to a boil, cover, reduce the heat and cook for 20 minutes.',
          'Stir in the sweet potato cubes, then the coconut milk, stock and the lemongrass. Simmer, covered, for 20 minutes.',
          'Sweet potato, coconut milk, stock, lemongrass in; simmer 20.',
        ],
      },
      {
        want: 'takeOut lemongrass',
        alts: ['Remove the lemongrass.', 'Discard the lemongrass stalk.', 'Fish out the lemongrass.', 'Take out the lemongrass.'],
      },
      {
        want: 'blend',
        alts: [
          'Blend until smooth.',
          'Blitz until smooth and silky.',
          'Blend with a hand-held blender, or in a food processor.',
          'Leave to cool for 5 minutes and blend.',
        ],
      },
      {
        want: 'fish-sauce lime-juice',
        alts: [
          'Season with the fish sauce and lime juice.',
          'Stir in the fish sauce and lime juice.',
          'Add fish sauce and lime juice to taste.',
          'Balance with the fish sauce and the lime juice.',
          'Squeeze in the lime and add the fish sauce.',
        ],
      },
      {
        want: 'garnish peanuts',
        alts: [
          'Serve scattered with the peanuts.',
          'Top with the chopped peanuts.',
          'Sprinkle over the peanuts to serve.',
          'Serve with the peanuts on top.',
        ],
      },
    ],
  },
  {
    name: 'beet',
    lines:
      '1 kg beetroot\n1 tbsp olive oil\n1 red onion, chopped\n1 eating apple, peeled and chopped\n1 tsp caraway seeds\n1 litre beef stock\n2 tbsp red wine vinegar\n4 tbsp soured cream\ndill',
    stages: [
      {
        want: 'beetroot roast 60',
        alts: [
          'Wrap the beetroot in foil and roast at 200C for 1 hour.',
          'Heat the oven to 200C. Wrap the beetroot in foil, put on a tray and roast for an hour until tender.',
          'Roast the beetroot, wrapped in foil, at 200C for 60 minutes.',
          'Put the whole beetroot in a foil parcel and bake at 200C for 1 hr.',
          'Scrub the beetroot, wrap them in foil and cook in the oven at 200C for an hour.',
        ],
      },
      {
        want: '',
        alts: [
          'When cool enough to handle, peel and chop.',
          'Cool, then rub off the skins and cut into chunks.',
          'Leave until cool enough to handle, then slip off the skins and chop roughly.',
          'Let cool slightly. Peel and dice the beetroot.',
          'Unwrap, leave to cool, then peel and chop.',
        ],
      },
      {
        want: 'olive-oil red-onion eating-apple caraway soft 10',
        alts: [
          'Soften the onion, apple and caraway in the oil for 10 minutes.',
          'Heat the oil and cook the onion, apple and caraway seeds for 10 minutes until soft.',
          'Meanwhile, fry the onion and apple gently with the caraway in the oil for 10 minutes.',
          'In a large pan, sweat the onion, apple and caraway in the oil, 10 minutes.',
        ],
      },
      {
        want: 'beef-stock simmer 15',
        alts: [
          'Add the beetroot and stock and simmer for 15 minutes.',
          'Tip in the beetroot, pour over the stock and simmer for 15 minutes.',
          'Stir in the chopped beetroot and the stock, bring to the boil and simmer 15 mins.',
          'Add the beets and stock; simmer 15 minutes.',
          'Add the cooked beetroot. Cover with the stock and simmer for 15 minutes.',
        ],
      },
      { want: 'blend', alts: ['Blend until smooth.', 'Liquidise.', 'Purée the soup.'] },
      {
        want: 'red-wine-vinegar',
        alts: ['Add the vinegar and season.', 'Sharpen with the vinegar.', 'Stir in the vinegar to taste.'],
      },
      {
        want: 'garnish soured-cream dill',
        alts: [
          'Serve with a spoonful of soured cream and some dill.',
          'Ladle into bowls, swirl in the soured cream and scatter with dill.',
          'Top each bowl with soured cream and dill.',
          'Serve topped with the soured cream and a little dill.',
        ],
      },
    ],
  },
  {
    name: 'bacon',
    lines:
      '100g bacon lardons\n20g butter\n1 leek, sliced\n1 celeriac, peeled and cubed\n1.2 litres chicken stock\n150ml double cream\nparsley, chopped',
    stages: [
      {
        want: 'bacon soft 8; keep bacon',
        alts: [
          'Fry the bacon in a large pan for 8 minutes until crisp, then lift out with a slotted spoon and set aside.',
          'Cook the lardons in a large saucepan until crisp, about 8 minutes. Remove with a slotted spoon to a plate lined with kitchen paper.',
          'Crisp the bacon in a big pan, 8 mins; scoop out and drain on kitchen paper.',
          'Fry the lardons in a pan for 8 minutes. Transfer to a plate, leaving the fat in the pan.',
          'In a large pan fry the bacon until golden, 8 minutes, and remove to a plate.',
        ],
      },
      {
        want: 'butter leek soft 6',
        alts: [
          'Add the butter and leek to the pan and cook for 6 minutes.',
          'Melt the butter in the same pan and soften the leek for 6 minutes.',
          'In the bacon fat, with the butter, sweat the leek for 6 minutes.',
          'Add the butter to the fat, then the leek, and cook gently for 6 minutes.',
        ],
      },
      {
        want: 'celeriac chicken-stock simmer 25',
        alts: [
          'Add the celeriac and stock, bring to the boil and simmer for 25 minutes.',
          'Stir in the celeriac. Pour over the stock and simmer until soft, 25 minutes.',
          'Celeriac and stock in, simmer 25 min.',
        ],
      },
      { want: 'blend', alts: ['Blend until smooth.', 'Whizz until smooth with a stick blender.', 'Purée and return to the pan.'] },
      {
        want: 'double-cream',
        alts: ['Stir in the cream.', 'Add the cream and heat gently.', 'Swirl in the cream and warm through.'],
      },
      {
        want: 'garnish bacon parsley',
        alts: [
          'Serve topped with the crispy bacon and parsley.',
          'Scatter over the bacon and parsley.',
          'Ladle into bowls and sprinkle with the reserved bacon and the parsley.',
          'Top with bacon and parsley.',
        ],
      },
    ],
  },
  {
    name: 'gazpacho',
    lines:
      '1 kg ripe tomatoes\n1 cucumber\n1 red pepper\n1 clove garlic\n100g stale bread\n60ml olive oil\n30ml sherry vinegar\n200ml cold water\nsalt',
    stages: [
      {
        want: 'tomato cucumber red-pepper garlic white-bread olive-oil sherry-vinegar water blend',
        alts: [
          'Put the tomatoes, cucumber, pepper, garlic, bread, oil, vinegar and water in a blender and blend until smooth.',
          'Roughly chop the tomatoes, cucumber and pepper. Put in a food processor with the garlic, bread, oil, vinegar and water and whizz.',
          'Blitz everything together in a blender.',
          'Blend all the ingredients until very smooth.',
          'Place all the ingredients in a liquidiser and blitz.',
          'Tip the lot into a blender and whizz to a smooth soup.',
          'Combine the tomatoes, cucumber, red pepper, garlic, bread, olive oil, vinegar and water in a blender; purée.',
        ],
      },
      { want: 'sieve', alts: ['Pass through a sieve.', 'Push through a fine sieve.', 'Strain, pressing down well.'] },
      {
        want: '',
        alts: [
          'Season and chill for at least 2 hours.',
          'Chill well before serving.',
          'Refrigerate until very cold, about 2 hours.',
          'Cover and chill overnight.',
        ],
      },
    ],
  },

  {
    name: 'slow',
    lines:
      '2 lb butternut squash, cubed\n1 onion, chopped\n2 carrots, chopped\n1 apple, chopped\n4 cups vegetable broth\n1 tsp cinnamon\n1/2 cup heavy cream',
    stages: [
      {
        want: 'butternut onion carrot apple vegetable-stock cinnamon',
        alts: [
          'Place the squash, onion, carrots, apple, broth and cinnamon in a slow cooker.',
          'Add everything except the cream to a slow cooker.',
          'Combine squash, onion, carrots, apple, broth, and cinnamon in a 6-quart slow cooker; stir.',
          'Put all the ingredients apart from the cream in the slow cooker.',
          'To the slow cooker add the squash, onion, carrots, apple, broth and cinnamon.',
          'Load the slow cooker with the squash, onion, carrots, apple, cinnamon and broth.',
        ],
      },
      {
        want: 'simmer 420',
        alts: [
          'Cover and cook on low for 7 hours.',
          'Cook on LOW for 6 to 8 hours.',
          'Cover; cook on low 6-8 hours or until vegetables are tender.',
          'Put the lid on and cook on low for 7 hrs.',
          'Cook, covered, on low heat setting for 7 hours.',
        ],
      },
      {
        want: 'blend',
        alts: [
          'Puree with an immersion blender.',
          'Working in batches, transfer to a blender and puree until smooth.',
          'Use an immersion blender to blend right in the slow cooker.',
          'Blend the mixture with a hand blender.',
        ],
      },
      {
        want: 'heavy-cream',
        alts: ['Stir in the cream.', 'Add the cream and season to taste.', 'Stir in cream; season with salt and pepper.'],
      },
    ],
  },
  {
    name: 'pressure',
    lines:
      '2 tbsp olive oil\n1 onion, chopped\n2 garlic cloves, minced\n1 1/2 lb carrots, sliced\n4 cups chicken broth\n1 tbsp grated ginger\n1 can (13.5 oz) coconut milk\ncilantro, for serving',
    stages: [
      {
        want: 'olive-oil onion garlic ginger soft 5',
        alts: [
          'Set the pressure cooker to sauté. Add the oil, onion, garlic and ginger; cook 5 minutes.',
          'Using the sauté setting, heat the oil and cook the onion, garlic and ginger for 5 minutes.',
          'Heat the oil in a pressure cooker and soften the onion, garlic and ginger for 5 minutes.',
          'On sauté mode, cook the onion, garlic and ginger in the oil for 5 minutes.',
        ],
      },
      {
        want: 'carrot chicken-stock-carton pressure 6',
        alts: [
          'Add the carrots and broth. Lock the lid and cook at high pressure for 6 minutes.',
          'Stir in the carrots and broth, secure the lid and pressure cook on high for 6 minutes.',
          'Add carrots and broth. Seal. Bring to pressure and cook for 6 minutes.',
          'Add carrots, broth. Close the lid; set to high pressure, 6 minutes.',
        ],
      },
      {
        want: 'blend',
        alts: [
          'Release the pressure and blend until smooth.',
          'Let the pressure come down naturally, then blend.',
          'Quick release the steam. Puree with an immersion blender.',
          'Do a natural release for 10 minutes, open the lid and purée.',
        ],
      },
      {
        want: 'coconut-milk',
        alts: [
          'Stir in the coconut milk.',
          'Add the coconut milk and stir until combined.',
          'Pour in the coconut milk and warm through.',
        ],
      },
      {
        want: 'garnish coriander',
        alts: ['Serve with cilantro.', 'Garnish with cilantro.', 'Top with cilantro and serve.', 'Sprinkle with fresh cilantro.'],
      },
    ],
  },
  {
    name: 'chowder',
    lines:
      '4 ears corn\n30g butter\n1 onion, chopped\n1 large potato, diced\n500ml vegetable stock\n300ml milk\n1 bay leaf\nsmoked paprika',
    stages: [
      {
        want: '',
        alts: ['Cut the kernels from the cobs.', 'Slice the corn kernels off the cobs.', 'Strip the kernels from the corn.'],
      },
      {
        want: 'butter onion soft 8',
        alts: [
          'Cook the onion in the butter for 8 minutes.',
          'Melt the butter in a Dutch oven over medium heat; add the onion and cook until translucent, about 8 minutes.',
          'Soften the onion in the butter, 8 min.',
        ],
      },
      {
        want: 'sweetcorn potato vegetable-stock bay simmer 15',
        alts: [
          'Add the corn, potato, stock and bay leaf and simmer for 15 minutes.',
          'Stir in the corn kernels, diced potato, stock and bay. Bring to a boil and simmer until the potato is tender, about 15 minutes.',
          'Add potato, corn, stock, bay leaf. Bring to boil, reduce heat, cover, simmer 15 minutes.',
          'Tip in the potato and corn, add the bay and stock, and simmer for 15 minutes or until everything is tender.',
        ],
      },
      { want: 'takeOut bay', alts: ['Remove the bay leaf.', 'Discard bay leaf.', 'Take out the bay leaf.'] },
      {
        want: 'milk',
        alts: ['Add the milk and heat through.', 'Pour in the milk and bring back to a simmer.', 'Stir in the milk.'],
      },
      {
        want: 'blend',
        alts: [
          'Blend two-thirds of the soup and stir it back in.',
          'Puree about half the soup in a blender and return it to the pot.',
          'Use a stick blender to partially purée the soup, leaving some texture.',
          'Blend half of it, then tip back into the pan.',
          'With a hand blender, blitz briefly so that it is still chunky.',
        ],
      },
      {
        want: 'garnish paprika',
        alts: [
          'Serve dusted with smoked paprika.',
          'Sprinkle with the paprika.',
          'Ladle into bowls and dust with paprika.',
          'Finish with a pinch of smoked paprika.',
        ],
      },
    ],
  },
  {
    name: 'croutons',
    lines:
      'For the soup\n600g broccoli, florets and stalks chopped\n1 onion, chopped\n25g butter\n1 potato, diced\n900ml vegetable stock\n100g blue cheese, crumbled\n\nFor the croutons\n2 slices sourdough, cubed\n1 tbsp olive oil',
    stages: [
      {
        want: 'butter onion soft 5',
        alts: [
          'Melt the butter in a pan and soften the onion for 5 minutes.',
          'Cook the onion in the butter for 5 minutes.',
          'Fry the onion in the butter until soft, 5 minutes.',
        ],
      },
      {
        want: 'potato vegetable-stock simmer 10',
        alts: [
          'Add the potato and stock and simmer for 10 minutes.',
          'Add the potato, pour over the stock, bring to the boil and cook for 10 minutes.',
          'Stir in the potato and stock. Simmer 10 mins.',
        ],
      },
      {
        want: 'broccoli simmer 5',
        alts: [
          'Add the broccoli and simmer for 5 minutes.',
          'Add the broccoli, bring back to the boil and cook for 5 minutes more.',
          'Throw in the broccoli; cook for another 5 minutes until just tender.',
          'Broccoli in for the last 5 minutes.',
        ],
      },
      {
        want: 'olive-oil sourdough roast 10',
        alts: [
          'For the croutons, toss the bread in the oil and bake at 190C for 10 minutes.',
          'Meanwhile, make the croutons: toss the sourdough with the oil, spread on a tray and bake at 190C for 10 minutes until golden.',
          'Meanwhile, mix the bread cubes with the oil on a baking tray and bake for 10 minutes at 190C.',
          'While the soup simmers, toss the bread in the oil and bake in the oven at 190C for 10 mins until crisp.',
        ],
      },
      {
        want: 'blue-cheese blend',
        alts: [
          'Add the cheese and blend the soup until smooth.',
          'Stir most of the cheese into the soup and blend.',
          'Crumble the cheese into the soup and whizz until smooth.',
          'Blend the soup with the cheese.',
        ],
      },
      {
        want: 'garnish sourdough',
        alts: [
          'Serve with the croutons.',
          'Top with the croutons.',
          'Ladle into bowls and scatter over the croutons.',
          'Divide between bowls and serve topped with the croutons.',
        ],
      },
    ],
  },
];
