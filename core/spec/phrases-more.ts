import type { Pattern } from './phrases.js';

/** More soups of many habits, in words written for it. */
export const MORE_PATTERNS: readonly Pattern[] = [
  {
    name: 'cauliflower and cheese',
    lines:
      '1 medium cauliflower (about 800g), broken into florets\n40g butter\n1 onion, finely chopped\n1 potato, peeled and diced\n700ml vegetable stock\n300ml whole milk\n100g mature cheddar, grated\n1 tsp English mustard\nnutmeg\nchives, snipped',
    stages: [
      {
        want: 'butter onion soft 8',
        alts: [
          'Melt the butter in a large pan and cook the onion gently for 8 minutes.',
          'Put a heavy pan on a low heat with the butter. When melted, add the onion, cover, and leave it to sweat for 8 minutes.',
          'Gently cook the onion in the butter until it is soft and see-through. This takes 8 minutes or so.',
          'Sweat onion in butter 8 min, lid on.',
          'Take 8 minutes to soften the onion in the butter over a low flame.',
          'Start with the butter and the onion in a pan over a low heat, stirring from time to time, for 8 minutes.',
          'In a big pan, on a low to medium heat, cook the onion in the butter for 7–9 minutes without letting it colour.',
          'The first job is to soften the onion: melt the butter, add the onion, and cook for 8 minutes.',
          'Fry the onion in the melted butter for about 8 minutes, or until beginning to soften.',
        ],
      },
      {
        want: 'cauliflower potato vegetable-stock simmer 18',
        alts: [
          'Add the cauliflower, potato and stock, bring to the boil and simmer for 18 minutes.',
          'Tip in the potato and cauliflower florets, pour in the stock, and bring to a boil. Turn down and simmer, lid ajar, for 18 minutes or until a knife goes in easily.',
          'Stir in the florets and the diced potato. Add the stock. Once it boils, lower the heat and cook for 18 minutes.',
          'Cauli, potato, stock. Simmer 18 min.',
          'Add the potato and the cauliflower; stir to coat in the butter. Then pour on the stock, and simmer everything until tender, which will take 18 minutes.',
          'Add the vegetables and the stock to the pan. Simmer for 18 minutes, until everything is completely soft.',
          'Now the cauliflower and potato go in, with the stock. Cook at a steady simmer for 18 minutes.',
          'Pour the stock over the potato and cauliflower in the pan, bring up to a simmer, and cook for 18 minutes.',
          'Follow with the cauliflower, potato and stock; boil, then turn down the heat and simmer for 18 minutes.',
        ],
      },
      {
        want: 'milk',
        alts: [
          'Pour in the milk and heat through.',
          'Add the milk.',
          'Stir in the milk and warm gently without boiling.',
          'Milk in.',
          'Add the milk and bring back to just below the boil.',
          'Off the heat, add the milk.',
        ],
      },
      {
        want: 'blend',
        alts: [
          'Blend until silky.',
          'Use a hand blender to purée the soup until completely smooth.',
          'Let it cool for five minutes, then blend in batches and return to the pan.',
          'Ladle into a blender and whizz to a velvety consistency, then pour back into a clean pan.',
          'Liquidise.',
          'Blitz it with a stick blender.',
          'Whizz with a stick blender, right there in the pan, until there are no lumps left.',
          'Carefully transfer to a food processor, in two batches if need be, and process until smooth. Return the soup to the pan.',
        ],
      },
      {
        want: 'cheddar dijon-mustard nutmeg',
        alts: [
          'Stir in the cheddar, mustard and a grating of nutmeg until the cheese has melted.',
          'Add the grated cheese, mustard and some nutmeg and stir over a low heat until the cheese melts.',
          'Take off the heat. Beat in the cheese, then the mustard and a little nutmeg.',
          'Cheese, mustard, nutmeg; stir till melted.',
          'Add the cheddar, a handful at a time, stirring until melted, then season with the mustard and nutmeg.',
          'Return to a gentle heat and stir in the mustard, nutmeg and cheese.',
          'Whisk in the mustard and cheese and grate in a little nutmeg.',
        ],
      },
      {
        want: 'garnish chives',
        alts: [
          'Serve scattered with chives.',
          'Scatter with the snipped chives and serve at once with crusty bread.',
          'Ladle into warm bowls and finish with the chives.',
          'Chives on top.',
          'Divide between four bowls, with a scattering of chives over each.',
          'To serve, sprinkle with chives.',
        ],
      },
    ],
  },
  {
    name: 'parsnip, curried',
    lines:
      '2 tbsp sunflower oil\n1 large onion, sliced\n3cm piece of ginger, grated\n1 tbsp curry powder\n750g parsnips, peeled and chopped\n1 Bramley apple, peeled, cored and chopped\n1.2 litres chicken stock\n100ml single cream\nfresh coriander leaves',
    stages: [
      {
        want: 'sunflower-oil onion soft 10',
        alts: [
          'Heat the oil in a large saucepan, add the onion and fry gently for 10 minutes.',
          'Heat the oil. Add the onion and cook until golden, around 10 minutes.',
          'Warm the oil in a casserole dish over a moderate heat and fry the onion for 10 minutes until sticky and golden.',
          'Fry the sliced onion in the oil for 10 minutes, stirring often.',
          'Onion in oil, 10 min, gentle.',
          'Slowly fry the onion in the oil - give it a good 10 minutes.',
          'Cook the onion in the hot oil for ten minutes until softened and lightly browned.',
        ],
      },
      {
        want: 'ginger curry-powder bloom 2',
        alts: [
          'Add the ginger and curry powder and cook for 2 minutes.',
          'Stir in the ginger along with the curry powder; fry for a couple of minutes.',
          'Add the curry powder and ginger, stirring all the while, and cook for 2 more minutes.',
          'Ginger, curry powder: 2 min.',
          'Sprinkle in the curry powder and grate in the ginger. Cook, stirring, for 2 minutes to release the aromas.',
          'Now stir in the curry powder and the ginger and let them fry for 2 minutes.',
        ],
      },
      {
        want: 'parsnip apple chicken-stock simmer 20',
        alts: [
          'Add the parsnips, apple and stock and simmer for 20 minutes.',
          'Add the chopped parsnips and apple, stirring to coat in the spices. Pour over the stock, bring to the boil, then cover and simmer for 20 minutes.',
          'Tip in the parsnips and apple, then the stock. Put on the lid and simmer gently for 20 mins, until the parsnips are really tender.',
          'Parsnips, apple + stock in. Boil; simmer 20.',
          'Stir in the parsnips and apple. Pour in the hot stock and bring to the boil. Reduce the heat, cover the pan and leave to cook for 20 minutes.',
          'Throw in the parsnips and the apple, add the stock, bring to a boil and let it bubble away for 20 minutes.',
          'Add everything else except the cream and coriander. Bring to the boil and simmer for 20 minutes.',
          'Add the parsnips, the apple and the stock, and bring slowly to the boil. Simmer until the parsnips yield to a fork, 20 minutes.',
        ],
      },
      {
        want: 'blend',
        alts: [
          'Blend until smooth.',
          'Purée the soup with a hand-held blender.',
          'Remove from the heat, leave to cool a little and blend.',
          'Tip into a blender and blend until smooth. You may need to do this in batches. Return to the rinsed-out pan.',
          'Purée in a liquidiser, then pass back into the pan.',
        ],
      },
      {
        want: 'single-cream',
        alts: [
          'Stir in the cream and season to taste.',
          'Add the cream, check the seasoning and reheat gently.',
          'Stir through the cream. Heat gently, but don’t boil.',
          'Cream in, season.',
          'Swirl the cream through the soup.',
          'Return to the heat, stir in the cream and warm through for a minute or two.',
        ],
      },
      {
        want: 'garnish coriander',
        alts: [
          'Serve with coriander leaves.',
          'Top with the coriander.',
          'Serve hot, scattered with fresh coriander.',
          'Pour into bowls and garnish with the coriander leaves.',
          'Scatter over the coriander leaves just before serving.',
        ],
      },
    ],
  },
  {
    name: 'beans, half of them blended',
    lines:
      '3 tbsp extra virgin olive oil\n1 onion, finely chopped\n2 celery sticks, finely chopped\n1 carrot, finely chopped\n3 garlic cloves, sliced\n1 sprig rosemary\n2 x 400g tins cannellini beans, drained and rinsed\n1 litre vegetable stock\n200g kale, shredded\nparmesan, to serve',
    stages: [
      {
        want: 'olive-oil onion celery carrot soft 12',
        alts: [
          'Heat the oil and cook the onion, celery and carrot for 12 minutes until soft.',
          'Heat the oil in a large pan. Add the onion, celery and carrot with a good pinch of salt and cook gently for 12 minutes.',
          'Soften the onion, celery and carrot in the oil over a low heat for 12 minutes.',
          'Put the onion, carrot and celery in a pan with the oil and fry very gently for 12 minutes.',
          'Sweat the onion, carrot, celery in the oil, 12 min.',
          'Make the base: fry the onion, celery and carrot in the olive oil for 10 to 14 minutes.',
          'Warm the olive oil in your biggest pan, then add the chopped onion, celery and carrot. Cook on a low heat for 12 mins until sweet and soft.',
        ],
      },
      {
        want: 'garlic rosemary bloom 2',
        alts: [
          'Add the garlic and rosemary and cook for 2 minutes.',
          'Stir in the sliced garlic and the rosemary sprig and fry for 2 minutes.',
          'Add garlic + rosemary, 2 min.',
          'Add the garlic and the sprig of rosemary, and cook for two minutes more.',
        ],
      },
      {
        want: 'canned-white-beans vegetable-stock simmer 15',
        alts: [
          'Add the beans and stock and simmer for 15 minutes.',
          'Tip in the beans, pour over the stock, bring to the boil and simmer for 15 minutes.',
          'Add the drained beans, then the stock. Simmer for 15 minutes.',
          'Beans and stock in, simmer 15.',
          'Pour in the stock, add the beans, bring to a gentle boil and cook for 15 minutes.',
        ],
      },
      {
        want: 'takeOut rosemary',
        alts: [
          'Remove the rosemary.',
          'Fish out the rosemary sprig.',
          'Discard the rosemary.',
          'Pick out the rosemary stalk and throw it away.',
          'Lift out the rosemary.',
        ],
      },
      {
        want: 'blend',
        blended: 0.5,
        alts: [
          'Blend half of the soup and stir it back into the pan.',
          'Put half the soup in a blender, whizz until smooth, and return to the pan.',
          'Ladle half of the soup into a jug, blend with a stick blender and pour it back in.',
          'Scoop out half of the soup, purée it, and mix it back in with the rest.',
          'Place half in a food processor and blend until smooth, then return to the pot.',
          'Transfer half the soup to a blender and blend until smooth; leave the other half as it is. Combine the two.',
          'Blend about half, leaving the rest chunky.',
          'Purée half of it and stir back.',
          'Take out half of the soup. Blend it, then return it to the pan.',
          'Take out half the soup, blend it and return.',
          'Reserve half of the soup. Blend what is left. Return the reserved soup.',
        ],
      },
      {
        want: 'kale simmer 5',
        alts: [
          'Add the kale and simmer for 5 minutes.',
          'Stir in the kale and cook for 5 minutes until wilted.',
          'Bring back to a simmer, add the kale, and cook for a further 5 minutes.',
          'Kale in, 5 min.',
          'Add the shredded kale, cover and cook for 5 minutes, or until tender.',
        ],
      },
      {
        want: 'garnish parmesan',
        alts: [
          'Serve with grated parmesan.',
          'Ladle into bowls and grate over the parmesan.',
          'Finish with plenty of parmesan.',
          'Top each bowl with shavings of parmesan.',
          'Serve with the parmesan to sprinkle over.',
        ],
      },
    ],
  },
  {
    name: 'sweet potato, in American',
    lines:
      '1 tablespoon coconut oil\n1 medium yellow onion, diced\n2 cloves garlic, minced\n2 teaspoons ground cumin\n1/4 teaspoon cayenne pepper\n2 pounds sweet potatoes, peeled and cut into 1-inch cubes\n4 cups vegetable broth\n1 cup water\n2 tablespoons peanut butter\n1 tablespoon lime juice\n1/4 cup chopped cilantro',
    stages: [
      {
        want: 'coconut-oil onion soft 6',
        alts: [
          'Heat the coconut oil in a large pot over medium heat. Add the onion and cook for 6 minutes.',
          'In a Dutch oven over medium-high heat, melt the coconut oil. Add onion; sauté until translucent, about 6 minutes.',
          'Melt coconut oil in a stockpot. Add the diced onion and cook, stirring frequently, 5 to 7 minutes.',
          'Sauté the onion in the coconut oil over medium heat until softened, 6 minutes.',
          'Warm oil in a heavy pot; add onion and sauté 6 minutes.',
          'Place a large soup pot over medium heat and add the coconut oil. Once hot, add the onions and sauté for 6 min.',
        ],
      },
      {
        want: 'garlic cumin cayenne bloom 1',
        alts: [
          'Add the garlic, cumin and cayenne and cook for 1 minute.',
          'Stir in garlic, cumin, and cayenne; cook until fragrant, about 1 minute.',
          'Add garlic and spices; cook 1 minute more.',
          'Add the minced garlic, ground cumin, and cayenne pepper, and sauté for 1 minute longer.',
        ],
      },
      {
        want: 'sweet-potato vegetable-stock water simmer 20',
        alts: [
          'Add the sweet potatoes, broth and water. Bring to a boil, then simmer for 20 minutes.',
          'Stir in sweet potatoes, broth, and water. Bring to a boil; reduce heat, cover, and simmer until potatoes are fork-tender, about 20 minutes.',
          'Add sweet potatoes, broth and 1 cup water; bring to boil over high heat. Reduce heat to medium-low and simmer, uncovered, 20 minutes.',
          'Pour in the broth and water and add the sweet potato. Increase the heat to high and bring to a boil. Turn the heat down to low and simmer for 20 minutes.',
          'Add the sweet potatoes and stir. Add broth and water. Cover and simmer until tender, 18 to 22 minutes.',
        ],
      },
      {
        want: 'peanut-butter blend',
        alts: [
          'Add the peanut butter and blend until smooth.',
          'Stir in the peanut butter, then purée with an immersion blender until smooth and creamy.',
          'Remove from heat. Add peanut butter and, using an immersion blender, puree the soup.',
          'Working in batches, puree the soup with the peanut butter in a blender (vent the lid!) until smooth.',
          'Transfer to a high-speed blender, add the peanut butter, and blend on high until silky smooth. Return to the pot.',
        ],
      },
      {
        want: 'lime-juice',
        alts: [
          'Stir in the lime juice.',
          'Add lime juice and season to taste with salt.',
          'Brighten it with the lime juice.',
          'Finish with lime juice, salt, and pepper.',
        ],
      },
      {
        want: 'garnish coriander',
        alts: [
          'Garnish with cilantro.',
          'Ladle into bowls; top with cilantro.',
          'Serve topped with chopped cilantro.',
          'Sprinkle each serving with cilantro.',
          'Serve hot with the cilantro sprinkled on top.',
        ],
      },
    ],
  },
  {
    name: 'tomatoes and peppers on one tray',
    lines:
      '1.2kg ripe tomatoes, halved\n3 red peppers, deseeded and quartered\n2 red onions, cut into wedges\n1 garlic bulb, halved\n4 tbsp olive oil\n1 tbsp balsamic vinegar\n800ml hot vegetable stock\na small bunch of basil\ncrème fraîche, to serve',
    stages: [
      {
        want: 'tomato red-pepper red-onion garlic olive-oil roast 45',
        alts: [
          'Heat the oven to 190C. Put the tomatoes, peppers, onions and garlic in a roasting tin, drizzle with the oil and roast for 45 minutes.',
          'Heat the oven to 190C/170C fan/gas 5. Spread the vegetables and garlic out in a large roasting tin, pour over the oil, season, and roast for 45 mins until charred at the edges.',
          'Tomatoes, peppers, onions, garlic on a tray with the oil. 190C, 45 min.',
          'Place the tomatoes, peppers, onion wedges and garlic bulb on a tray, cut side up. Drizzle over the olive oil and bake at 190C for 45 minutes.',
          'Toss the tomatoes, peppers, onions and garlic halves with the oil on your largest baking tray. Into the oven at 190C they go for 45 minutes.',
          'Roast the tomatoes, peppers, onions and garlic in the oil at 190C for 45 minutes, stirring once.',
          'Everything except the vinegar, stock, basil and crème fraîche goes on a tray. Roast at 190C for 45 minutes.',
          'In a roasting tin, mix together the tomatoes, peppers, onions, garlic and oil. Roast in the middle of the oven for 45 minutes at 190C.',
        ],
      },
      {
        want: 'balsamic-vinegar',
        alts: [
          'Sprinkle over the vinegar.',
          'Drizzle the balsamic vinegar over the hot vegetables.',
          'Splash on the vinegar and stir.',
          'Add the balsamic and toss.',
          'Stir the vinegar through.',
        ],
      },
      {
        want: 'vegetable-stock basil blend',
        alts: [
          'Squeeze the garlic from its skin and tip everything into a pan with the stock and basil. Blend until smooth.',
          'When cool enough to handle, squeeze the garlic out of the skins. Put the vegetables and garlic in a pan with the hot stock and the basil and blend.',
          'Pop the garlic out of its skin. Transfer the roasted vegetables to a blender, add the stock and most of the basil, and blend until smooth.',
          'Scrape everything into a large pan, add the stock and basil, and whizz with a stick blender.',
          'Tip the lot into a saucepan. Pour in the stock, add the basil and blitz.',
          'Into a blender with the tray, the stock and the basil. Blend.',
          'Blend the roasted vegetables with the stock and the basil.',
        ],
      },
      {
        want: 'garnish creme-fraiche',
        alts: [
          'Serve with crème fraîche.',
          'Reheat gently, then ladle into bowls and top each with a spoonful of crème fraîche.',
          'Top with a dollop of crème fraîche.',
          'Pour into bowls and swirl in some crème fraîche.',
          'Add a spoonful of crème fraîche to each bowl.',
        ],
      },
    ],
  },
  {
    name: 'mushroom, with wine and thyme',
    lines:
      '50g butter\n2 shallots, finely chopped\n2 garlic cloves, crushed\n500g chestnut mushrooms, sliced\n1 tsp thyme leaves\n100ml white wine\n1 large potato, diced\n800ml chicken stock\n100ml double cream\n4 slices of bread, toasted, to serve',
    stages: [
      {
        want: 'butter shallot soft 5',
        alts: [
          'Melt the butter in a saucepan and soften the shallots for 5 minutes.',
          'Let the shallots turn glassy in the butter, about 5 minutes.',
          'Heat the butter in a pot. Add the shallots and let them soften for 5 minutes.',
          'Shallots in butter, 5 min, no colour.',
          'Over a medium-low heat, cook the shallots in the foaming butter for 5 minutes.',
          'Put the butter into a wide pan, and once it has melted add the shallots, cooking them until soft but not brown - around 5 minutes.',
        ],
      },
      {
        want: 'garlic chestnut-mushroom thyme soft 10',
        alts: [
          'Add the garlic, mushrooms and thyme and fry for 10 minutes.',
          'Turn up the heat, add the mushrooms, garlic and thyme and fry for 10 minutes until all the liquid has gone.',
          'Stir in the mushrooms, garlic and thyme. Cook, stirring now and then, for 10 minutes until golden.',
          'Mushrooms, garlic, thyme in: fry hard, 10 min.',
          'Next in are the mushrooms with the garlic and thyme. Fry over a high heat for 10 minutes.',
          'Add the sliced mushrooms, followed by the thyme and garlic, and cook over a high heat for 10 minutes, until they have given up their juices and these have boiled away.',
        ],
      },
      {
        want: 'white-wine deglaze',
        alts: [
          'Pour in the wine and let it bubble until nearly gone.',
          'Deglaze with the wine.',
          'Add the wine and reduce by half.',
          'Add the wine, scraping the bottom of the pan, and boil until reduced to almost nothing.',
          'Wine in, reduce.',
          'Splash in the white wine and let it bubble away.',
        ],
      },
      {
        want: 'potato chicken-stock simmer 15',
        alts: [
          'Add the potato and stock and simmer for 15 minutes.',
          'Add the diced potato and the stock. Bring to the boil, then simmer, covered, for 15 minutes.',
          'Pour on the stock, add the potato and leave to bubble gently for 15 minutes.',
          'Potato and stock; 15 min simmer.',
          'Stir in the potato, then the stock, bring to the boil and cook until the potato is soft, 15 minutes.',
          'Add potato & stock, bring to the boil, turn down, 15 minutes.',
        ],
      },
      {
        want: 'blend',
        alts: [
          'Blend.',
          'Purée with a stick blender until smooth.',
          'Liquidise the soup in batches, rinse out the pan and return the soup to it.',
          'Blend in a jug blender until really smooth.',
          'Take off the heat and blitz.',
        ],
      },
      {
        want: 'double-cream',
        alts: [
          'Stir in the cream.',
          'Return to the pan, add the cream and heat gently, without letting it boil.',
          'Pour in the cream and warm through.',
          'Cream in. Season.',
          'Finish with the cream.',
          'Enrich with the cream and adjust the seasoning.',
        ],
      },
      {
        want: 'garnish white-bread',
        alts: [
          'Serve with the toast.',
          'Serve with the toasted bread.',
          'Top with the toast.',
          'Serve with the slices of toast.',
          'Float the toast on top.',
          'Put a slice of toast on top of each bowl.',
        ],
      },
    ],
  },
  {
    name: 'a kitchen sheet',
    lines:
      '10 kg carrots, peeled, 15 mm dice\n3 kg onions, peeled, sliced\n500 g butter\n200 g ginger, grated\n100 g ground coriander\n18 l vegetable stock\n2 l orange juice\n1.5 l single cream',
    stages: [
      {
        want: 'butter onion soft 15',
        alts: [
          'Sweat onions in butter, lid on, 15 min.',
          'Onions sweated in butter 15 min, no colour.',
          'Butter in. Onions in. Sweat 15 mins.',
          'SWEAT ONIONS IN BUTTER, 15 MIN.',
          'Onions and butter into the bratt pan, 15 min on low.',
        ],
      },
      {
        want: 'coriander-seed ginger bloom 2',
        alts: [
          'Add ginger, coriander. 2 min.',
          'Ginger + ground coriander, cook out 2 min.',
          'Spices and ginger in, 2 min.',
          'Ginger and coriander added, stirred 2 min.',
        ],
      },
      {
        want: 'carrot vegetable-stock simmer 30',
        alts: [
          'Carrots and stock in. Bring to boil. Simmer 30 min until soft.',
          'Add carrots, cover with stock, simmer 30 min.',
          'Add carrots/stock. Boil, then simmer 30.',
          'Carrot, stock. To the boil. 30 min.',
          'Carrots then stock, 30 min at a simmer, lid half on.',
          'Top up with stock and carrots; simmer for 30 min or until carrots crush easily.',
        ],
      },
      {
        want: 'orange-juice blend',
        alts: [
          'Add orange juice. Blend smooth.',
          'OJ in, stick blend till smooth.',
          'Add the juice and blitz with the stick, 5 min.',
          'Juice in; blend.',
        ],
      },
      {
        want: 'single-cream',
        alts: [
          'Finish with cream.',
          'Cream in, season, hold above 63.',
          'Stir in cream. Check seasoning.',
          'Cream to finish; S&P.',
        ],
      },
    ],
  },
  {
    name: 'cold cucumber',
    lines:
      '2 large cucumbers, peeled and chopped\n1 garlic clove\n500g Greek yogurt\n200ml cold vegetable stock\na handful of mint leaves\n2 tbsp lemon juice\n3 tbsp extra virgin olive oil',
    stages: [
      {
        want: 'cucumber garlic greek-yoghurt vegetable-stock mint lemon-juice blend',
        alts: [
          'Put the cucumber, garlic, yogurt, stock, mint and lemon juice in a blender and blend until smooth.',
          'Place all the ingredients except the oil in a blender and whizz until smooth.',
          'Blend the cucumbers with the garlic, yogurt, stock, mint and lemon juice.',
          'Whizz together the cucumber, garlic, yogurt, stock, mint leaves and lemon juice in a food processor until smooth.',
          'Tip the cucumber and garlic into a blender. Add the yogurt, stock, mint and lemon juice. Blend.',
          'In a blender, combine the cucumber, garlic, yogurt, stock, mint and lemon juice. Process until smooth.',
          'Cucumber, garlic, yogurt, stock, mint, lemon juice: blender, smooth.',
        ],
      },
      {
        want: '',
        alts: [
          'Chill for at least 2 hours.',
          'Cover and chill for 2 hours.',
          'Refrigerate until very cold.',
          'Put in the fridge for a couple of hours.',
          'Chill well.',
        ],
      },
      {
        want: 'garnish olive-oil',
        alts: [
          'Serve drizzled with the olive oil.',
          'Pour into chilled bowls and drizzle with the oil.',
          'Serve cold with a swirl of olive oil.',
        ],
      },
    ],
  },
];
