import type { CautionKey, StepKey } from '@calm-apron/core'

interface StepWords {
  what: string
  reason: string
  mistake: string
  caution?: string
}

/** The steps of a routine and its cautions: they are there from the start, where the act is. */
export const stepsWords = {
  shotStep: {
    'warm-up': {
      what: 'Let machine and portafilter warm up',
      reason: 'Cold metal takes the heat out of the water: the cup turns sour and thin.',
      mistake: 'Trusting the lamp. It tells of the boiler, not of the group.',
    },
    'take-out': {
      what: 'Take the portafilter out and knock it out',
      reason: 'It lives in the group, so that it stays hot.',
      mistake: 'Leaving it on the bench between shots.',
    },
    'wipe-basket': {
      what: 'Wipe the basket dry and clean',
      reason: 'A wet basket wets grounds early and they stick; old grounds taste rancid.',
      mistake: 'Wiping with the damp cloth that is meant for the wand.',
    },
    flush: {
      what: 'Flush the group',
      reason: 'Cleans the screen and settles the temperature.',
      mistake: 'Flushing so long that the group cools, or not at all.',
      caution: 'The water scalds: hands and cups away from under the group.',
    },
    tare: {
      what: 'Put the empty portafilter on the scale and tare it',
      reason: 'Then the scale shows the coffee alone.',
      mistake: 'Taring with grounds still inside.',
    },
    'weigh-beans': {
      what: 'Weigh the beans in, with a mist of water',
      reason: 'What goes in should come out; the mist stops static.',
      mistake: 'Wetting the beans instead of misting them.',
    },
    purge: {
      what: 'Purge the grinder if its setting changed',
      reason: 'Old and new grounds would mix, and the shot would tell nothing.',
      mistake: 'Forgetting it after a small change.',
    },
    grind: {
      what: 'Grind into the portafilter',
      reason: 'Ground coffee is old within minutes: grind for this shot only.',
      mistake: 'Grinding ahead for the next one.',
    },
    'weigh-dose': {
      what: 'Weigh the dose and trim it',
      reason: 'A tenth of a gram moves the time by about two per cent.',
      mistake: 'Topping up after tamping: the bed then lies in layers.',
    },
    'fill-level': {
      what: 'Fill heaped and sweep level',
      reason: 'Without a scale, the basket is the measure.',
      mistake: 'Tapping it down before sweeping, which packs more in.',
    },
    distribute: {
      what: 'Break clumps and level the bed',
      reason: 'Water takes the weakest way; an uneven bed has one.',
      mistake: 'Levelling the top while a heap stays underneath.',
    },
    needle: {
      what: 'Stir with the needle tool, from the bottom up',
      reason: 'Breaks clumps all through the bed.',
      mistake: 'Stirring the surface only.',
    },
    tamp: {
      what: 'Tamp once, level, until it stops giving',
      reason: 'Level and the same each time matter more than strong.',
      mistake: 'Leaning to one side, or knocking the basket afterwards.',
      caution: 'Wrist in line with the arm. Change hands and rest on long days.',
    },
    'wipe-rim': {
      what: 'Wipe the rim',
      reason: 'Grounds on the rim let water past the seal and wear it.',
      mistake: 'Knocking the rim clean, which cracks the bed.',
    },
    'lock-in': {
      what: 'Lock the portafilter in firmly',
      reason: 'The bed starts to cook: start soon, and always alike.',
      mistake: 'Bumping it on the group on the way in.',
      caution: 'The group is hot. Never loosen it again under pressure.',
    },
    'cup-under': {
      what: 'Cup and scale under the spout, tare the cup',
      reason: 'The weight in the cup is what you stop on.',
      mistake: 'Forgetting to tare.',
    },
    'hold-preinfusion': {
      what: 'Hold the low pressure until the first beads show',
      reason: 'A bed that is wet all through runs evenly.',
      mistake: 'Letting go by the clock and not by the look.',
    },
    'raise-lever': {
      what: 'Let the lever rise, guiding it',
      reason: 'The spring makes the pressure from here.',
      mistake: 'Letting go of it before it has caught.',
      caution: 'A lever that slips strikes hard: keep your face away and your hand on it.',
    },
    start: {
      what: 'Start the pump and the clock together',
      reason: 'Times can only be compared if they begin alike.',
      mistake: 'Starting the clock at the first drop on one shot and not on the next.',
    },
    watch: {
      what: 'Watch first drop, stream and colour',
      reason: 'The look tells evenness, which no number does.',
      mistake: 'Watching the clock only.',
      caution: 'No faces under a bottomless portafilter.',
    },
    stop: {
      what: 'Stop a little before the target',
      reason: 'A gram or three still fall.',
      mistake: 'Stopping at the target and landing over it.',
    },
    'machine-stops': {
      what: 'Let the machine stop by itself; read weight and time',
      reason: 'It meters water, not coffee: the weight in the cup is what counts.',
      mistake: 'Pressing the button that is meant for the other basket.',
    },
    look: {
      what: 'Look at the cup',
      reason: 'Dark, golden, pale in order and late: even. Early or in patches: a weak path.',
      mistake: 'Stirring it before anyone has looked.',
    },
    taste: {
      what: 'Stir, let it cool a little, taste, each for themselves',
      reason: 'Two who taste without hearing each other find more.',
      mistake: 'Saying the word before the other has tasted.',
      caution: 'A sip, not a cup; spit if you like. Nobody must say why they don’t taste.',
    },
    'knock-out': {
      what: 'Knock out and read the puck',
      reason: 'Holes or one thin side tell of channels.',
      mistake: 'Reading a wet puck on a machine without a release valve.',
      caution:
        'After a choke, or without a release valve, wait until the pressure is gone, loosen slowly, face away.',
    },
    rinse: {
      what: 'Rinse, wipe, portafilter back in the group',
      reason: 'The next person finds it hot and clean.',
      mistake: 'Leaving the old puck in.',
      caution: 'Water from the group scalds.',
    },
    'wash-hands': {
      what: 'Wash your hands',
      reason: 'They go near everything that somebody will drink from.',
      mistake: 'Drying them on the cloth for the basket.',
    },
    'bench-ready': {
      what: 'See that everything lies ready; pause here until all is there',
      reason: 'What is missing is missed in the middle of a shot.',
      mistake: 'Beginning, and looking for the cloth with a full portafilter in hand.',
    },
    'discard-first': {
      what: 'After a long break throw the first dose away',
      reason: 'What stayed in the grinder is old, and the burrs are cold.',
      mistake: 'Judging the grind by it.',
    },
    'warm-cup': {
      what: 'Warm the cup with hot water, and empty it',
      reason: 'A cold cup takes the heat out of the first sip.',
      mistake: 'Leaving water in it.',
      caution: 'The water scalds: fill it standing, and hold it by its handle.',
    },
    'doser-pulls': {
      what: 'Pull the doser’s lever so many times as make the dose',
      reason: 'Each pull drops one chamber, full or not.',
      mistake: 'Pulling while the chambers still fill.',
    },
    'fill-to-line': {
      what: 'Fill up to the line in the basket',
      reason: 'Without a scale the line is the measure.',
      mistake: 'Reading the line on a heap: level it first.',
    },
    'half-press': {
      what: 'Press half, lightly and level',
      reason: 'A bed that is a little settled holds its shape under the needles.',
      mistake: 'Pressing it home now, so that the needles tear it.',
    },
    'dry-tamper': {
      what: 'See that the tamper is dry',
      reason: 'Grounds stick to a wet one, and tear the bed as it lifts.',
      mistake: 'Setting it down in a puddle.',
    },
    'own-coffee': {
      what: 'Fingers only into coffee that you drink yourself',
      reason: 'Whatever others drink is spread with a tool.',
      mistake: 'Sweeping with a finger out of habit.',
    },
    'puck-screen': {
      what: 'Lay the puck screen on, level',
      reason: 'It spreads the water and keeps the group clean.',
      mistake: 'Forgetting that it takes room: the dose must leave it some.',
      caution: 'After the shot it is as hot as the group: tip it out, don’t pick it out.',
    },
    'spouts-close': {
      what: 'Bring the spouts close to the cup',
      reason: 'From high up the stream splashes and cools.',
      mistake: 'Letting the spout dip into the crema.',
    },
  } satisfies Record<StepKey, StepWords>,
  caution: {
    title: 'Careful',
    intro:
      'Shown where the act happens. The shipped ones can be said in your words; they can’t be taken away. The maker’s manual, local rules and licensed people come first.',
    add: 'Add one of our own',
    noneHere: 'None of our own yet.',
    reword: 'Say in our words: {name}',
    name: {
      own: 'Our own',
      'manual-first': 'The manual first',
      'hot-parts': 'Hot parts',
      'portafilter-pressure': 'Pressure behind the portafilter',
      bottomless: 'Bottomless portafilters',
      'steam-wand': 'Steam wand',
      'grinder-unplug': 'Reaching into a grinder',
      hopper: 'Hopper',
      'licensed-work': 'Work for licensed people',
      'wet-floor': 'Wet floor',
      wrist: 'Wrist',
      caffeine: 'Caffeine',
      'milk-allergen': 'Milk as an allergen',
      'milk-cold': 'Keeping milk cold',
      chemicals: 'Cleaning chemicals',
      backflush: 'Backflushing',
      'burrs-touching': 'Touching burrs',
    } satisfies Record<CautionKey | 'own', string>,
    text: {
      'manual-first':
        'The maker’s manual and local rules come before anything said here; what they reserve for licensed people is theirs.',
      'hot-parts': 'Group, spout, wand, water and steam scald. Hold handles, not metal.',
      'portafilter-pressure':
        'Never loosen a portafilter under pressure. After a choke, or without a release valve: stop, wait a minute or more until the pressure is gone, loosen slowly, face away.',
      bottomless: 'No faces under or close to a bottomless portafilter: it spurts.',
      'steam-wand': 'Point the wand into the jug or the tray, never towards a hand; purge into the tray.',
      'grinder-unplug': 'Unplug the grinder before reaching in.',
      hopper: 'Don’t lift a hopper that holds beans: close it first.',
      'licensed-work': 'Electrical, plumbing, boiler and gas work: licensed people only.',
      'wet-floor': 'Wipe a wet floor at once.',
      wrist: 'Wrist in line when tamping. Change hands and rest on long days.',
      caffeine:
        'Tasters sip and spit. A gram of arabica holds about 10 mg of caffeine, a gram of robusta about 20: a double of 18 g some 180 or 360 mg. Common guidance is at most 400 mg a day for healthy adults, 200 mg when pregnant, less for the young. Ask a doctor. Nobody must say why they don’t taste.',
      'milk-allergen': 'Milk is an allergen: label alternatives. A shared wand is never promised free of it.',
      'milk-cold': 'Keep milk cold and throw away what was warmed.',
      chemicals: 'Cleaning chemicals only as their label says; rinse, and pull a sink shot after.',
      backflush: 'Backflush only machines with a release valve; rinse and pull a sink shot after.',
      'burrs-touching': 'Never run a grinder past the point where its burrs touch.',
    } satisfies Record<CautionKey, string>,
  },
}
