/** The words of the craft that are explained, in the order in which one meets them. */
export const TERMS = [
  'dose',
  'yield',
  'ratio',
  'shot-time',
  'first-drop',
  'pre-infusion',
  'flow',
  'strength',
  'extraction',
  'distribution',
  'tamp',
  'puck',
  'channelling',
  'headspace',
  'choke',
  'gush',
  'crema',
  'blonding',
  'purge',
  'flush',
  'retention',
  'sink-shot',
  'dial-in',
  'basket',
  'portafilter',
  'group',
  'rest',
  'density',
] as const
export type Term = (typeof TERMS)[number]

export const DRAWINGS = [
  'portafilter',
  'group',
  'basket',
  'tamp-level',
  'tamp-tilted',
  'flow-even',
  'flow-spurting',
  'flow-one-sided',
  'flow-dripping',
  'puck-even',
  'puck-holes',
  'puck-thin-side',
  'headspace',
] as const
export type DrawingName = (typeof DRAWINGS)[number]

/** What is drawn beside a word. */
export const DRAWINGS_OF: Partial<Record<Term, readonly DrawingName[]>> = {
  portafilter: ['portafilter'],
  group: ['group'],
  basket: ['basket'],
  tamp: ['tamp-level', 'tamp-tilted'],
  flow: ['flow-even', 'flow-spurting', 'flow-one-sided'],
  choke: ['flow-dripping'],
  puck: ['puck-even', 'puck-holes', 'puck-thin-side'],
  channelling: ['flow-spurting', 'puck-holes'],
  headspace: ['headspace'],
}

/** The word behind a field of a form, or a rail. */
const TERM_OF_FIELD: Record<string, Term> = {
  doseG: 'dose',
  yieldG: 'yield',
  ratio: 'ratio',
  clock: 'shot-time',
  timeMinS: 'shot-time',
  firstDropMinS: 'first-drop',
  preinfusion: 'pre-infusion',
  tampBy: 'tamp',
  tampForce: 'tamp',
  basketId: 'basket',
  nominalG: 'basket',
  purgeG: 'purge',
  weighIns: 'retention',
  freshness: 'rest',
  density: 'density',
  volume: 'crema',
  spouts: 'portafilter',
  time: 'shot-time',
  dose: 'dose',
  yield: 'yield',
  tamp: 'tamp',
}

/** The word to explain beside a field or a rail; none or one. */
export function termsOf(field: string): Term[] {
  const term = TERM_OF_FIELD[field]
  return term === undefined ? [] : [term]
}
