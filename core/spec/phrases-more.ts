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
];
