import type { Seeded } from '../random/seeded.ts'
import { PUCKS, STREAMS, TILTS } from '../shot/seen.ts'
import type { Sign } from '../shot/signs.ts'
import { type Truth, pumpTargetS } from './truth.ts'

/** A thing somebody could note of a shot, and how what they note is spread about the truth. */
export type Observable =
  | { key: MeasuredKey; kind: 'number'; mean: number; sd: number; isWhole: boolean; group: Group }
  | { key: YesNoKey; kind: 'yes-no'; chance: number; group: Group }
  | { key: ChoiceKey; kind: 'choice'; chances: Readonly<Record<string, number>>; group: Group }

/** Notes that are numbers. */
export type MeasuredKey =
  | 'doseG'
  | 'firstDropS'
  | 'stopS'
  | 'cupG'
  | 'sour'
  | 'sweet'
  | 'bitter'
  | 'body'
  | 'dryness'
  | 'ageDays'
/** Notes that are yes or no. */
export type YesNoKey =
  | Sign
  | 'settled'
  | 'grinderPurged'
  | 'machineHot'
  | 'basketDry'
  | 'basketClean'
  | 'rightBasket'
  | 'bedEven'
/** Notes that are one of several. */
export type ChoiceKey = 'tilt' | 'stream' | 'puck'
/** What is noted or left out together: somebody who weighs the cup also has the scale out. */
export type Group =
  | 'dose'
  | 'clock'
  | 'first-drop'
  | 'cup'
  | 'taste'
  | 'preparation'
  | 'look'
  | 'coffee'
  | 'word'
  | 'situation'
  | 'comparison'

/** One note: a number, a yes or no, or one of several. */
export interface Note {
  key: Observable['key']
  value: number | boolean | string
}

const logistic = (x: number) => 1 / (1 + Math.exp(-x))
/** A chance between what is seen by mistake and what is seen of it at most. */
const seen = (strength: number, byMistake = 0.03, atMost = 0.85) =>
  byMistake + (atMost - byMistake) * Math.min(1, Math.max(0, strength))

/** Spread of one dosing method in g, and of clocks, cups and palates. */
const FIRST_DROP_SD_S = 0.5
const STOP_SD_S = 0.3
const CUP_SD_G = 0.3
const PALATE_SD = 0.9

/**
 * All that could be noted of this shot, with honest eyes, a stopwatch and a palate that errs. What a note says is only
 * a matter of the physics and of who looks: it knows nothing of any diagnosis.
 */
export function observablesOf(truth: Truth, doseSdG: number): Observable[] {
  return [...measuredOf(truth, doseSdG), ...preparationOf(truth), ...looksOf(truth), ...wordsOf(truth)]
}

function measuredOf({ shot, done, around }: Truth, doseSdG: number): Observable[] {
  const number = (key: MeasuredKey, group: Group, mean: number, sd: number, isWhole = false): Observable => ({
    key,
    kind: 'number',
    mean,
    sd,
    isWhole,
    group,
  })
  const { cup } = shot
  const tasted: Observable[] = (['sour', 'sweet', 'bitter', 'body', 'dryness'] as const).map((axis) =>
    number(axis, 'taste', cup[axis], PALATE_SD, true),
  )
  return [
    number('doseG', 'dose', done.doseG, doseSdG),
    ...(shot.firstDropS === null
      ? []
      : [number('firstDropS', 'first-drop', shot.firstDropS, FIRST_DROP_SD_S)]),
    number('stopS', 'clock', shot.stopS, STOP_SD_S),
    number('cupG', 'cup', shot.cupG, CUP_SD_G),
    ...(shot.cupG > 8 ? tasted : []),
    number('ageDays', 'coffee', around.ageDays, 0.01, true),
  ]
}

const TILT_SEEN = {
  level: { level: 0.93, slight: 0.065, clear: 0.005 },
  slight: { level: 0.3, slight: 0.6, clear: 0.1 },
  clear: { level: 0.06, slight: 0.2, clear: 0.74 },
} as const

/** Whoever answers a question of the routine has looked: they hardly ever see a fault that isn't there. */
const MISTAKEN = 0.01

function preparationOf({ done, bench, recipe }: Truth): Observable[] {
  const yes = (key: YesNoKey, chance: number): Observable => ({
    key,
    kind: 'yes-no',
    chance,
    group: 'preparation',
  })
  const wrongStop = Math.abs(Math.log(done.stopAtG / recipe.yieldG)) > 0.35
  return [
    { key: 'tilt', kind: 'choice', chances: TILT_SEEN[done.tilt], group: 'preparation' },
    yes('settled', 1 - seen(logistic((0.6 - done.pressed) / 0.08), MISTAKEN, 0.8)),
    yes('grinderPurged', done.unpurgedFrom === null ? 1 - MISTAKEN : 0.15),
    yes('machineHot', 1 - seen(logistic((-5 - done.offC) / 1), MISTAKEN, 0.75)),
    yes('basketDry', 1 - (done.isBasketDry ? MISTAKEN : 0.8)),
    yes('basketClean', 1 - seen(bench.dirt, MISTAKEN, 0.7)),
    yes('rightBasket', wrongStop ? 0.25 : 1 - MISTAKEN),
    yes('bedEven', 1 - seen(logistic((done.unevenness - 0.45) / 0.1), MISTAKEN, 0.8)),
  ]
}

/** 0–1: how plain it is that water took short cuts. */
function unevenness({ shot }: Truth): number {
  return logistic((shot.channelledShare - 0.11) / 0.035)
}

function looksOf(truth: Truth): Observable[] {
  const { done, bench, recipe } = truth
  const uneven = unevenness(truth)
  const isTilted = done.tilt !== 'level'
  const gassy = Math.max(0, bench.coffee.gas - 0.5)
  const oneSided = uneven * (isTilted ? 0.65 : 0.12)
  const spurting = Math.min(0.9 - oneSided, uneven * (isTilted ? 0.15 : 0.62) + 0.5 * gassy)
  const soup = 0.55 * logistic((recipe.doseG - done.doseG - 0.8) / 0.15)
  const holes = (1 - soup) * uneven * (isTilted ? 0.15 : 0.55)
  const thin = (1 - soup) * (done.tilt === 'clear' ? 0.6 : isTilted ? 0.25 : 0.05 * uneven)
  const powder = 0.01
  return [
    choice('stream', STREAMS, {
      even: 0,
      spurting: 0.03 + spurting * 0.95,
      'one-sided': 0.02 + oneSided * 0.95,
    }),
    choice('puck', PUCKS, {
      even: 0,
      holes: 0.03 + holes * 0.9,
      'thin-side': 0.02 + thin * 0.9,
      soup: 0.03 + soup * 0.9,
      powder,
    }),
  ]
}

/** "Even" is what remains. */
function choice(key: ChoiceKey, names: readonly string[], chances: Record<string, number>): Observable {
  const [first = ''] = names
  const others = names.slice(1).reduce((sum, name) => sum + (chances[name] ?? 0), 0)
  return { key, kind: 'choice', chances: { ...chances, [first]: Math.max(0.02, 1 - others) }, group: 'look' }
}

function wordsOf(truth: Truth): Observable[] {
  const { shot, done, bench, around, recipe } = truth
  const { cup } = shot
  const uneven = unevenness(truth)
  const firstDropS = shot.firstDropS ?? shot.stopS
  const scaledS = firstDropS + (shot.stopS - firstDropS) * (recipe.yieldG / Math.max(shot.cupG, 1))
  const lnTime = Math.log(scaledS / pumpTargetS(recipe))
  const pressure = (shot.samples.at(-20)?.pressureBar ?? bench.pump.maxBar) / bench.pump.maxBar
  const overG = done.doseG - recipe.doseG
  const isTasted = shot.cupG > 8
  const lean = cup.bitter - cup.sour
  const chances: Record<Sign, number> = {
    'ran-fast': seen(logistic((-lnTime - 0.17) / 0.05), 0.02, 0.97),
    'ran-slow': seen(logistic((lnTime - 0.17) / 0.05), 0.02, 0.97),
    'early-first-drop': seen(logistic((4.9 - firstDropS) / 0.5)),
    'late-first-drop': seen(logistic((firstDropS - 10) / 0.8)),
    'pressure-low': seen(logistic((0.91 - pressure) / 0.012)),
    'pressure-high': seen(logistic((pressure - 0.972) / 0.004)),
    'drips-only': seen(shot.cupG < 0.6 * done.stopAtG && shot.stopS > 50 ? 1 : 0, 0.01, 0.95),
    'several-streams': seen(uneven, 0.04, 0.6),
    'dry-patches': seen(done.unevenness > 0.5 ? 1 : 0, 0.04, 0.45),
    'early-blonding': seen(Math.max(uneven * 0.7, logistic((-lnTime - 0.3) / 0.08)), 0.06, 0.7),
    'sides-change': seen(lnTime > 0.2 && shot.channelledShare > 0.05 ? 1 : 0, 0.02, 0.4),
    'thin-crema': seen(logistic((0.37 - cup.crema) / 0.04)),
    'foamy-crema': seen(logistic((cup.crema - 0.7) / 0.05)),
    'dose-looks-low': seen(logistic((-overG - 0.7) / 0.25), 0.05, 0.9),
    'dose-looks-high': seen(logistic((overG - 0.7) / 0.25), 0.05, 0.9),
    'screen-mark': seen(logistic((overG - 0.9) / 0.15), 0.02, 0.8),
    'tastes-sour': seen(logistic((-lean - 2) / 0.7), 0.03, 0.92),
    'tastes-bitter': seen(logistic((lean - 2) / 0.7), 0.03, 0.92),
    'tastes-bright': seen(logistic((cup.sweet - 6.2) / 0.8) * logistic((cup.sour - 3.5) / 0.7), 0.03, 0.8),
    'tastes-salty': seen(logistic((cup.sour - 5) / 0.8), 0.03, 0.5),
    'tastes-watery': seen(logistic((4.9 - cup.body) / 0.6)),
    'tastes-harsh': seen(logistic((cup.dryness + cup.bitter - 8) / 1)),
    'tastes-rancid': seen(cup.rancid, 0.02),
    'tastes-ashy': seen(cup.ashy ** 1.3, 0.03),
    'tastes-papery': seen(cup.papery, 0.03),
    'tastes-flat': seen(cup.flat, 0.06),
    'tastes-good': seen(logistic((cup.sweet - Math.abs(lean) - 4.2) / 0.8), 0.03, 0.9),
    'first-shot-of-day': around.isFirstOfDay ? 0.98 : 0.05,
    'steam-at-flush': seen(logistic((bench.waterC - 96.3) / 0.4), 0.04, 0.75),
    'oily-dark-beans': seen(logistic((bench.coffee.roast - 0.76) / 0.03), 0.05),
    'pre-ground-coffee': around.isPreGround ? 0.95 : 0.01,
    'at-finest-setting': around.isAtFinest ? 0.95 : 0.02,
    'between-two-settings': around.isBetweenSettings ? 0.75 : 0.03,
    'same-at-every-grind': around.sameAtEveryGrind,
    'same-for-everyone': around.sameForEveryone,
    'this-group-only': around.thisGroupOnly,
    'yield-off-every-time': around.everyTime,
    alternates: around.alternates,
    'times-scatter': around.timesScatter,
    'times-fall': around.timesFall,
  }
  // The record's keys are exactly the signs; Object.entries only knows them as strings.
  return (Object.entries(chances) as [Sign, number][])
    .filter(([key]) => isTasted || !key.startsWith('tastes'))
    .map(([key, chance]) => ({ key, kind: 'yes-no', chance, group: groupOf(key) }))
}

/** What anybody at the bar knows, and what shows only beside other shots; the rest is said of the shot itself. */
const SITUATION: readonly Sign[] = [
  'first-shot-of-day',
  'steam-at-flush',
  'oily-dark-beans',
  'pre-ground-coffee',
  'at-finest-setting',
  'between-two-settings',
]
const COMPARISON: readonly Sign[] = [
  'same-at-every-grind',
  'same-for-everyone',
  'this-group-only',
  'yield-off-every-time',
  'alternates',
  'times-scatter',
  'times-fall',
]

function groupOf(sign: Sign): Group {
  if (SITUATION.includes(sign)) return 'situation'
  return COMPARISON.includes(sign) ? 'comparison' : 'word'
}

/** Draws what is noted of one thing. */
export function note(observable: Observable, seeded: Seeded): Note {
  const { key } = observable
  switch (observable.kind) {
    case 'number': {
      const value = seeded.normal(observable.mean, observable.sd)
      return { key, value: observable.isWhole ? Math.round(value) : value }
    }
    case 'yes-no':
      return { key, value: seeded.chance(observable.chance) }
    case 'choice':
      return { key, value: drawn(observable.chances, seeded.uniform()) }
  }
}

function drawn(chances: Readonly<Record<string, number>>, at: number): string {
  const entries = Object.entries(chances)
  const total = entries.reduce((sum, [, chance]) => sum + chance, 0)
  let left = at * total
  for (const [name, chance] of entries) {
    left -= chance
    if (left < 0) return name
  }
  return entries[0]?.[0] ?? TILTS[0]
}
