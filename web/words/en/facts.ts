import type { FACTS, Sign, SignGroup } from '@calm-apron/core'

/** A name for a fact, as it is asked for and as it is recorded; and one for each of the choices it has. */
type WordsOf<R> = R extends { of: readonly (infer O extends string)[] }
  ? { label: string; is: Record<O, string> }
  : { label: string }
type PartWords<T> = { [N in keyof T]: WordsOf<T[N]> }
type Facts = typeof FACTS

const gate = {
  machineHot: { label: 'Machine and portafilter hot' },
  basketDry: { label: 'Basket dry' },
  basketClean: { label: 'Basket and screen clean' },
  rightBasket: { label: 'Right basket and button' },
  grinderPurged: { label: 'Purged since the last setting change' },
  bedEven: { label: 'Bed even, no clumps' },
} satisfies PartWords<Facts['gate']>

const shot = {
  grindSetting: { label: 'Grind setting' },
  abandoned: {
    label: 'Not finished',
    is: { choked: 'It choked', gushed: 'It gushed', spilt: 'It was spilt' },
  },
} satisfies PartWords<Facts['shot']>

const tamp = {
  tilt: { label: 'Seen from above', is: { level: 'Level', slight: 'Slight tilt', clear: 'Clear tilt' } },
  lowSide: { label: 'Low side', is: { left: 'Left', right: 'Right', front: 'Front', back: 'Back' } },
  settled: { label: 'Pressed until it stopped giving' },
} satisfies PartWords<Facts['tamp']>

const look = {
  stream: { label: 'The stream', is: { even: 'Even', spurting: 'Spurting', 'one-sided': 'One-sided' } },
  puck: {
    label: 'The puck, after knocking out',
    is: { even: 'Even, whole', holes: 'Holes', 'thin-side': 'One thin side', soup: 'Soup', powder: 'Powder' },
  },
} satisfies PartWords<Facts['look']>

const taste = {
  sour: { label: 'Sour' },
  sweet: { label: 'Sweet' },
  bitter: { label: 'Bitter' },
  body: { label: 'Body' },
  dryness: { label: 'Dryness' },
} satisfies PartWords<Facts['taste']>

const measured = {
  cupMl: { label: 'Volume in the cup, crema too' },
  tampForceN: { label: 'Pressed with' },
  leadG: { label: 'Drips after the stop' },
} satisfies PartWords<Facts['measured']>

const noted = {
  isHelped: { label: 'With the tool’s help' },
  humidityPercent: { label: 'Humidity of the air, in %' },
  toolOutline: { label: 'The tool’s whole outline on the bed' },
  cupLine: {
    label: 'To the line on the glass',
    is: { below: 'short of it', at: 'at it', above: 'over it' },
  },
  usualCupG: { label: 'What this programme usually gives' },
  usualCupSdG: { label: 'Spread of what it usually gives' },
  tdsPercent: { label: 'Refractometer: strength in %' },
  waterC: { label: 'Water at the group, measured' },
  cycle: {
    label: 'A simple machine: where was its heat?',
    is: { 'light-just-out': 'light just out', later: 'a while after', heating: 'heating' },
  },
  staticCling: { label: 'Static: grounds cling' },
  afterFeel: {
    label: 'What stays in the mouth?',
    is: { gone: 'over quickly', clean: 'clean', lingers: 'lingers well', rough: 'rough or drying' },
  },
  served: {
    label: 'Serve it, or pull again?',
    is: { serve: 'Serve it', 'pull-again': 'Pull again' },
  },
  bagMatched: {
    label: 'Does it taste as it is said to?',
    is: { matched: 'It does', partly: 'Partly', not: 'It doesn’t' },
  },
  doseMethod: {
    label: 'How was it measured?',
    is: {
      scale: 'weighed',
      razor: 'dosing razor',
      line: 'tamper line under the rim',
      'basket-line': 'line in the basket',
      sweep: 'filled level and swept',
      mound: 'by the mound',
      scoop: 'scoops',
      'lever-pulls': 'pulls of the doser’s lever',
      seconds: 'seconds of the grinder',
      'machine-light': 'the machine’s own light',
      eye: 'by eye',
    },
  },
  distributions: {
    label: 'How were the grounds spread?',
    is: {
      tap: 'Tapping',
      palm: 'Palm',
      finger: 'Finger sweep',
      needle: 'Needle tool',
      'levelling-tool': 'Levelling tool',
    },
  },
  clumps: { label: 'Clumps' },
  spilt: { label: 'Grounds spilt' },
  beansInG: { label: 'Beans in' },
  lowDose: {
    label: 'Done about the low dose',
    is: {
      discard: 'discard and start again',
      'top-up': 'top up and press again',
      'more-grounds': 'raise the grinder’s amount',
    },
  },
  posture: { label: 'Wrist and elbow', is: { 'in-line': 'In line', bent: 'Wrist bent' } },
  twisted: { label: 'Twisted at the end' },
  rimWiped: { label: 'Rim wiped' },
  lockedFirmly: { label: 'Locked in firmly' },
  waitedToFill: { label: 'Waited while the machine filled itself' },
  lockToStartS: { label: 'From locking in to the start' },
  weightAtStopG: { label: 'In the cup at the stop' },
  selfRating: { label: 'Own rating, 0–10' },
} satisfies PartWords<Facts['noted']>

/** Words of every fact of the table: one without any does not compile. */
export const factsWords = { fact: { ...gate, ...shot, ...tamp, ...look, ...taste, ...measured, ...noted } }

/** Words of every sign, as it is looked for. */
export const signWords = {
  signs: {
    beans: 'At the beans',
    start: 'Before the shot',
    bed: 'Seen without a scale',
    screen: 'Room under the screen',
    flow: 'Seen without a clock',
    cup: 'In the cup and under the basket',
    tongue: 'In a word',
    others: 'Compared with other shots',
    seen: 'seen',
    notThere: 'not there',
    notChecked: 'not checked',
    rest: 'Looked: none of the rest',
  } satisfies Record<SignGroup | 'seen' | 'notThere' | 'notChecked' | 'rest', string>,
  sign: {
    'ran-fast': 'Ran fast',
    'ran-slow': 'Ran slow',
    'early-first-drop': 'First drop early',
    'late-first-drop': 'First drop late',
    'pressure-low': 'Gauge low',
    'pressure-high': 'Gauge high',
    'drips-only': 'Only dripped',
    'several-streams': 'Several streams',
    'dry-patches': 'Dry patches under the basket',
    'early-blonding': 'Pale early, or in stripes',
    'sides-change': 'Drips changed sides',
    'thin-crema': 'Thin crema',
    'foamy-crema': 'Foamy crema',
    'dose-looks-low': 'Looks low in the basket',
    'dose-looks-high': 'Looks high in the basket',
    'screen-mark': 'Locked in dry and taken out again: the screen had marked the bed',
    'tastes-sour': 'Sour',
    'tastes-bright': 'Bright',
    'tastes-salty': 'Salty',
    'tastes-bitter': 'Bitter',
    'tastes-watery': 'Watery',
    'tastes-harsh': 'Harsh',
    'tastes-rancid': 'Rancid',
    'tastes-ashy': 'Ashy',
    'tastes-papery': 'Papery',
    'tastes-flat': 'Flat',
    'tastes-good': 'Good',
    'first-shot-of-day': 'First shot of the day',
    'steam-at-flush': 'Steam at the flush',
    'oily-dark-beans': 'Dark, oily beans',
    'pre-ground-coffee': 'Bought ground',
    'at-finest-setting': 'At the finest setting',
    'between-two-settings': 'One step too fast, the next too slow',
    'same-at-every-grind': 'The same at every grind',
    'same-for-everyone': 'The same for everyone',
    'this-group-only': 'At this group only',
    'yield-off-every-time': 'The cup is off every time',
    alternates: 'Sour and bitter in turn',
    'times-scatter': 'Times scatter',
    'times-fall': 'Times fall',
  } satisfies Record<Sign, string>,
}
