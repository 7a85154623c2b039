import type { FACTS } from '@calm-apron/core'

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
    label: 'Given up',
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
  doseMethod: {
    label: 'How was it measured?',
    is: {
      scale: 'weighed',
      razor: 'dosing razor',
      line: 'tamper line under the rim',
      sweep: 'filled level and swept',
      scoop: 'scoops',
      'lever-pulls': 'pulls of the doser’s lever',
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
  lockToStartS: { label: 'From locking in to the start' },
  weightAtStopG: { label: 'In the cup at the stop' },
  selfRating: { label: 'Own rating, 0–10' },
} satisfies PartWords<Facts['noted']>

/** Words of every fact of the table: one without any does not compile. */
export const factsWords = { fact: { ...gate, ...shot, ...tamp, ...look, ...taste, ...measured, ...noted } }
