import type { RoomKind } from '@calm-apron/contract'
import type { GroupDisagreement, RoomPart } from '@calm-apron/core'

/** Words of rooms and equipment. */
export const roomWords = {
  room: {
    intro: 'Each room with its machines, grinders and all that hangs on them.',
    add: 'Add a room',
    mineralBatch: 'For a batch of {litres} weigh in {grams} g of minerals.',
    mineralPackets: 'A batch of {litres} takes {count} packets of minerals.',
    make: 'Make this room',
    none: 'No rooms yet. Add the one you teach in; its machine and grinder come next.',
    all: 'All rooms',
    back: 'Back to the room',
    lacking: 'bench ready | 1 thing missing on the bench | {count} things missing on the bench',
    readyTitle: 'Ready to pull?',
    ready: 'Ready to pull.',
    notReady: 'Not ready to pull yet. Next:',
    later: 'Good to have:',
    weighOnce: 'Weigh each vessel once, dry and empty. Its weight is known at the bar from then on.',
    benchStart: {
      dryCloth: 'Dry cloth, for the basket only',
      dampCloth: 'Damp cloth, for the wand only',
      knockBox: 'Knock box, emptied',
      spoons: 'Spoons and rinsing water',
      spitCups: 'Spit cups',
    },
    missing: {
      machine: 'Add the machine.',
      'group-basket': 'Say which basket is in each group.',
      grinder: 'Add the grinder with its scale.',
      basket: 'Add the baskets.',
      portafilter: 'Add a portafilter with its empty weight.',
      cup: 'A cup with its empty weight.',
      tamper: 'Add the tamper.',
      scale: 'A scale.',
      water: 'Where the water comes from.',
      recipe: 'Write a recipe.',
      coffee: 'Open a bag that is rested and not past its time.',
      bench: 'A bench list with everything on it.',
    } satisfies Record<RoomPart, string>,
    kind: {
      machine: 'Machines',
      grinder: 'Grinders',
      basket: 'Baskets',
      vessel: 'Portafilters and cups',
      tool: 'Tampers and tools',
      scale: 'Scales',
      water: 'Water',
    } satisfies Record<RoomKind, string>,
    addKind: {
      machine: 'Add a machine',
      grinder: 'Add a grinder',
      basket: 'Add a basket',
      vessel: 'Add a portafilter or cup',
      tool: 'Add a tool',
      scale: 'Add a scale',
      water: 'Add the water',
    } satisfies Record<RoomKind, string>,
  },
  machine: {
    off: 'Off. It needs {minutes} minutes to be warm all through.',
    warming:
      'Warm. | Warming up since {since}: 1 minute left. | Warming up since {since}: {left} minutes left.',
    warm: 'Warm, on since {since}.',
    switchOn: 'Switched on just now',
    switchOff: 'Switched off',
    noGauge: 'no gauge',
    gauge: 'gauge in its zone at {from} to {to} bar',
    preinfusion: {
      none: 'no pre-infusion',
      automatic: 'automatic pre-infusion',
      held: 'pre-infusion held by hand',
    },
    start: { button: 'started by a button', lever: 'started by a lever', paddle: 'started by a paddle' },
    stop: { hand: 'stopped by hand', 'volume-counter': 'stops by volume', timer: 'stops by time' },
    valve: 'lets the pressure go after the shot',
    noValve: 'no release valve: a wet puck is normal here',
    selfFilling: 'fills itself',
    noBasket: 'no basket',
    holds: 'holds {basket}.',
    buttons: 'Buttons: {buttons}.',
    button: '{name} ({size})',
    sign: {
      lamp: 'The lamp comes before the metal is hot: wait for the minutes.',
      touch: 'The portafilter, left in the group, is too hot to hold for more than a moment.',
      gauge:
        'While the pump runs its gauge stands in the zone; with nothing running that gauge says nothing.',
      steam: 'A flush runs smooth, without spitting or steam.',
    },
  },
  groupCheck: {
    fine: 'Basket, selector and buttons agree.',
    'no-basket': 'Say which basket is in it.',
    'selector-against-basket':
      'The selector stands at {selector}, but the basket is a {basket}: every yield would be off. Match them.',
    'no-button-for-basket':
      'None of its buttons is made for a {basket} basket: a one-cup button with a double basket gives short shots.',
  } satisfies Record<GroupDisagreement['code'] | 'fine', string>,
  basketHelp: {
    title: 'Which basket is which?',
    'single-wall':
      'Many fine holes on the back. For fresh coffee, ground fine: the bed itself makes the pressure.',
    pressurised: 'One hole on the back. A second wall makes the pressure: for stale or pre-ground coffee.',
    fresh: '{coffee} is fresh enough for a single wall.',
    stale: '{coffee} is past its time, or nobody knows its age: a pressurised basket makes the best of it.',
    sizes:
      'A single basket steps in and is small at the bottom; a double goes straight down. With fresh beans and a grinder of your own, use the single-wall double first.',
  },
  bench: {
    ready: 'Bench ready.',
    lacking: 'Bench ready. | 1 thing is missing. | {count} things are missing.',
    cloths: 'Two cloths, never swapped: the dry one for the basket, the damp one for the wand.',
  },
  scale: { thick: 'Too thick for the tray: weigh the cup before, and the cup again after.' },
}
