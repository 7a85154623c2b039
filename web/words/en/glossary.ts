import type { DrawingName, Term } from '../../kit/glossary/terms.ts'

/** The words of the craft. */
export const glossaryWords = {
  glossary: {
    intro: 'What the words mean here. Wherever one stands with a question mark, it is one tap away.',
    more: 'All words',
    says: {
      dose: 'Dry ground coffee in the basket, in grams.',
      yield: 'What is in the cup: in grams, or in ml with its crema. The two are never the same thing.',
      ratio: 'Yield divided by dose, written 1:2. Under about 1:1.75 it is a ristretto, over 1:2.75 a lungo.',
      'shot-time':
        'Seconds on a named clock. The pump clock starts with the pump, the drop clock with the first drop, the pressure clock when a held pre-infusion is released. They are never compared.',
      'first-drop': 'Seconds from the pump’s start until coffee leaves the spout; usually 5 to 10.',
      'pre-infusion': 'Wetting the bed at low pressure before the full pressure comes.',
      flow: 'Grams in the cup per second after the first drop. One calm stream like warm honey is what to look for.',
      strength: 'How much of the drink is dissolved coffee, in per cent.',
      extraction: 'How much of the dose went into the cup, in per cent; 18 to 22 is usual.',
      distribution: 'Spreading the grounds evenly before pressing them.',
      tamp: 'Pressing the bed into a level puck. Level and the same each time beat strong.',
      puck: 'The pressed bed of coffee; what is knocked out afterwards tells how the water went.',
      channelling: 'Water finding a weak way: part of the bed is over-extracted and part under, in one cup.',
      headspace: 'The gap between puck and screen. With none left the basket is overfilled.',
      choke: 'Almost no flow: drops, or nothing.',
      gush: 'Far too much flow.',
      crema:
        'The foam on top: gas and oils. Fresh and dark coffees give more, so it makes volumes unreliable.',
      blonding: 'The stream turning pale. Late and even is normal; early or in patches is not.',
      purge: 'Grinding a few grams and throwing them away after a change of setting.',
      flush: 'Running a little water through the group: cleans it and settles its heat.',
      retention: 'Grounds that stay in the grinder: beans in less grounds out.',
      'sink-shot': 'A shot pulled to warm up or to learn from, not to serve.',
      'dial-in': 'Finding the grind at which the dose gives its yield in its time and tastes right.',
      basket:
        'The sieve that holds the dose: single or double, made for so many grams, with one wall or, pressurised, with two.',
      portafilter: 'The handle with the basket in it. Its empty weight is worth knowing.',
      group: 'Where the water comes out and the portafilter is locked in; the screen sits inside.',
      rest: 'Days after roasting in which gas leaves the beans. Until then the flow is unsteady.',
      density: 'What a ml of espresso with its crema weighs: about three quarters of a gram, give or take.',
    } satisfies Record<Term, string>,
  },
  drawing: {
    portafilter: 'Handle, basket, two spouts',
    group: 'Group, screen, basket with its bed',
    basket: 'Basket with a line inside',
    'tamp-level': 'Level',
    'tamp-tilted': 'Tilted: low on the right',
    'flow-even': 'One calm stream',
    'flow-spurting': 'Spurting: a channel',
    'flow-one-sided': 'One side runs first',
    'flow-dripping': 'Drops only',
    'puck-even': 'Even, whole (from above)',
    'puck-holes': 'Holes (from above)',
    'puck-thin-side': 'One thin side (from above)',
    headspace: 'The gap under the screen',
  } satisfies Record<DrawingName, string>,
}
