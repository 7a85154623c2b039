import { isBedEven, isGroupHot } from '../reading/gate.ts'
import type { Readings } from '../reading/types.ts'
import type { Recipe, TasteTargets } from '../recipe/recipe.ts'
import { type ShotClock, TASTE_AXES } from '../shot/facts.ts'
import { isHeldBack, isMarkedLate, leastTimeS, usualFirstDropS } from '../shot/firstDrop.ts'
import { SIGNS } from '../shot/signs.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { yieldSeen } from '../shot/yieldShare.ts'
import {
  type Channel,
  type Evidence,
  type EvidenceKey,
  FLAWS_SEEN,
  type FlawSeen,
  type Option,
  type WordSign,
  isWord,
} from './evidenceTypes.ts'
import type { Known } from './places.ts'
import { BASELINE } from './usual.ts'

/** All that was noted of a shot as evidence, and what the rest rests on. */
export interface EvidenceOfShot {
  items: readonly Evidence[]
  known: Known
}

const CLOCK_SPREAD_LN = 0.02
const FIRST_DROP_SPREAD_S = 0.5
/** Palates differ from one sip to the next. */
const PALATE_SPREAD = 0.9
/** A shot of which only a bound is known went at least this far beyond the middle, as far as taste is concerned. */
const BEYOND_LN = 0.35
const AGE_SPREAD_LN = 0.05
/** Doses known as closely as this move the time by their own weight. */
const EXACT_DOSE_SPREAD_G = 0.3
const LEAST_HALF_WINDOW_LN = 0.03

/** Collects the evidence in facts, readings and context. What was not noted is not there. */
export function evidenceOf(readings: Readings): EvidenceOfShot {
  const { context } = readings.of
  const timed = timeItems(readings)
  const items: Evidence[] = [
    ...doseItems(readings),
    ...timed.items,
    ...yieldItems(readings),
    ...firstDropItems(readings),
    ...(context.tongue === 'trusted' ? tasteItems(readings) : []),
    ...(context.coffeeAgeDays === null
      ? []
      : [measured('age', Math.log(1 + Math.max(0, context.coffeeAgeDays)), AGE_SPREAD_LN)]),
    ...flawsSeen(readings),
    ...choicesSeen(readings),
  ]
  items.push(...said(readings, items))
  return { items, known: knownOf(readings, timed.ln, items) }
}

function measured(
  key: Channel,
  value: number,
  spread: number,
  bound: 'at-least' | 'at-most' | null = null,
): Evidence {
  return { kind: 'measured', key, value, spread, bound }
}

function doseItems({ dose }: Readings): Evidence[] {
  return dose.judged ? [measured('dose', dose.deviation, dose.sdG)] : []
}

function yieldItems({ of: { facts, recipe } }: Readings): Evidence[] {
  const cup = facts.abandoned === null ? yieldSeen(facts, recipe) : null
  return cup === null || cup.share <= 0 ? [] : [measured('yield', Math.log(cup.share), cup.lnSd)]
}

function firstDropItems({ of: { facts, recipe } }: Readings): Evidence[] {
  const { firstDropS = null, estimated = false } = facts.clock ?? {}
  // A clock that began at the first drop only takes its second for granted.
  if (firstDropS === null || firstDropS <= 0 || estimated || isMarkedLate(facts, recipe)) return []
  return [
    measured('first-drop', Math.log(firstDropS / usualFirstDropS(recipe)), FIRST_DROP_SPREAD_S / firstDropS),
  ]
}

/** A recipe's own taste is what "usual" is for it; a sweet cup that is no more than bright says nothing by its acids. */
function tasteItems({ taste, of: { facts, recipe } }: Readings): Evidence[] {
  const targets = recipe.taste ?? null
  const isBright = taste.judged && taste.isBright
  return TASTE_AXES.flatMap((axis): Evidence[] => {
    const value = facts.taste[axis]
    if (value === null || (isBright && (axis === 'sour' || axis === 'bitter'))) return []
    const wanted = targets !== null && axis in targets ? targets[axis as keyof TasteTargets] : null
    return [measured(axis, wanted === null ? value : BASELINE[axis].mean + value - wanted, PALATE_SPREAD)]
  })
}

/** What dose, time and yield are known to be, because the rest follows from them. */
function knownOf(
  { dose, timeAtTarget, of: { facts, recipe, context } }: Readings,
  timeLn: number | null,
  items: readonly Evidence[],
): Known {
  const cup = items.find((item) => item.kind === 'measured' && item.key === 'yield')
  const isBound = items.some((item) => item.kind === 'measured' && item.key === 'time' && item.bound !== null)
  return {
    doseG: dose.judged && dose.sdG <= EXACT_DOSE_SPREAD_G ? dose.deviation : null,
    timeLn: timeLn === null || !isBound ? timeLn : Math.sign(timeLn) * Math.max(Math.abs(timeLn), BEYOND_LN),
    isTimeBound: isBound,
    yieldLn: cup?.kind === 'measured' ? cup.value : null,
    targetDoseG: recipe.doseG,
    halfWindowLn: Math.max(LEAST_HALF_WINDOW_LN, halfWindowLn(timeAtTarget, facts.clock, recipe)),
    freshness: context.freshness,
  }
}

/** Half the window as told from pump start, so that it is as wide on every clock. */
function halfWindowLn(time: Readings['timeAtTarget'], clock: ShotClock | null, recipe: Recipe): number {
  const { clock: which, timeMinS, timeMaxS } = recipe
  const usualS = which === 'pump' ? 0 : (clock?.firstDropS ?? usualFirstDropS(recipe))
  const startS = 'startS' in time ? time.startS : usualS
  return Math.log((timeMaxS + startS) / ((timeMinS + timeMaxS) / 2 + startS))
}

/** A word says again what a measurement says better, so it counts only where that is missing. */
const SAID_BY: Record<WordSign, readonly EvidenceKey[]> = {
  'ran-fast': ['time'],
  'ran-slow': ['time'],
  'drips-only': ['time'],
  'early-first-drop': ['first-drop'],
  'late-first-drop': ['first-drop'],
  'dose-looks-low': ['dose'],
  'dose-looks-high': ['dose'],
  'tastes-bright': ['sweet'],
  'tastes-salty': ['sour'],
  'tastes-watery': ['body'],
  'tastes-sour': ['sour', 'bitter'],
  'tastes-bitter': ['sour', 'bitter'],
  'tastes-good': ['sweet'],
  'tastes-harsh': ['bitter', 'dryness'],
}

/** Water that was measured too hot would have steamed at a flush; water that was not, would not. */
function steamByHeat({ facts, context }: Readings['of']): boolean | undefined {
  const waterC = facts.noted?.waterC ?? null
  if (waterC !== null) return waterC > THRESHOLDS.waterC.max
  // What it is set to is not what comes out: it says only where it is too hot by itself.
  return (context.setC ?? 0) > THRESHOLDS.waterC.max ? true : undefined
}

/** What was said of its signs, as far as nothing measured says it better. */
function said({ of }: Readings, measured: readonly Evidence[]): Evidence[] {
  const { signs, tongue } = of.context
  const isMeasured = (value: EvidenceKey) => measured.some(({ key }) => key === value)
  const items: Evidence[] = []
  for (const key of SIGNS) {
    const isSo = signs[key] ?? (key === 'steam-at-flush' ? steamByHeat(of) : undefined)
    if (isSo === undefined) continue
    if (tongue === 'learning' && key.startsWith('tastes-')) continue
    if (isWord(key) && SAID_BY[key].every(isMeasured)) continue
    items.push({ kind: 'yes-no', key, isSo })
  }
  return items
}

interface OfTime {
  items: Evidence[]
  ln: number | null
}

const NO_TIME: OfTime = { items: [], ln: null }

/**
 * The time against the middle of its window, both from pump start, as one item or as bounds; `ln` is what the rest
 * follows from. A bound says only what it says: "at most" above the middle, and "at least" below it, say nothing of the
 * taste. Nor does what ran after a puck broke open say anything of the grind that had held the water back.
 */
function timeItems({ timeAtTarget: time, flow, of: { facts, recipe } }: Readings): OfTime {
  if (recipe.school?.onlyRecorded.includes('time') ?? false) return NO_TIME
  const firstDropS = facts.clock?.firstDropS ?? 0
  const isLate = flow.state !== 'on' && isHeldBack(firstDropS, recipe)
  const heldBack = () => (flow.state === 'choking' ? noDropFor(firstDropS, recipe) : NO_TIME)
  const middleS = (recipe.timeMinS + recipe.timeMaxS) / 2
  const against = (s: number, startS: number) => Math.log(Math.max(s + startS, 0.5) / (middleS + startS))
  switch (time.kind) {
    case 'known': {
      const ln = against(time.s, time.startS)
      if (isLate && ln < 0) return heldBack()
      const spread = Math.hypot(CLOCK_SPREAD_LN, time.yieldLnSd)
      return { items: [measured('time', ln, spread)], ln }
    }
    case 'at-least':
    case 'at-most': {
      const ln = against(time.s, time.startS)
      const isTelling = time.kind === 'at-least' ? ln > 0 : ln < 0
      if (isLate && (time.kind === 'at-most' || !isTelling)) return heldBack()
      return { items: [bound(ln, time.kind)], ln: isTelling ? ln : null }
    }
    case 'between': {
      const [from, to] = [against(time.fromS, time.startS), against(time.toS, time.startS)]
      const ln = from > 0 ? from : to < 0 ? to : null
      return { items: [bound(from, 'at-least'), bound(to, 'at-most')], ln }
    }
    case 'no-drop':
      return time.pumpS <= recipe.firstDropMaxS ? NO_TIME : noDropFor(time.pumpS, recipe)
    case 'unknown':
      return NO_TIME
  }
}

function bound(ln: number, side: 'at-least' | 'at-most'): Evidence {
  return measured('time', ln, CLOCK_SPREAD_LN, side)
}

function noDropFor(pumpS: number, recipe: Recipe): OfTime {
  const ln = Math.log(leastTimeS(pumpS, recipe) / ((recipe.timeMinS + recipe.timeMaxS) / 2))
  return { items: [bound(ln, 'at-least')], ln }
}

function flawsSeen({ of: { facts }, gate, tamp }: Readings): Evidence[] {
  // A force far under a house's own is a bed that was not pressed.
  const tooLight = tamp.judged && tamp.force?.standing === 'off' && tamp.force.direction === 'under'
  const isFine: Record<FlawSeen, boolean | null> = {
    'seen-cold': gate.faults.includes('machine-cold') ? false : isGroupHot(facts),
    'seen-wet': facts.basketDry,
    'seen-dirty': facts.basketClean ?? null,
    'seen-wrong-basket': gate.faults.includes('wrong-basket') ? false : facts.rightBasket,
    'seen-unpurged': facts.grinderPurged,
    'seen-uneven-bed': isBedEven(facts),
    'seen-unsettled': tooLight ? false : facts.tamp.settled,
  }
  const items: Evidence[] = []
  for (const key of FLAWS_SEEN) {
    const fine = isFine[key]
    if (fine !== null) items.push({ kind: 'yes-no', key, isSo: !fine })
  }
  return items
}

const OPTION_OF: Record<string, Option> = {
  slight: 'tilt:slight',
  clear: 'tilt:clear',
  spurting: 'stream:spurting',
  'one-sided': 'stream:one-sided',
  holes: 'puck:holes',
  'thin-side': 'puck:thin-side',
  soup: 'puck:soup',
  powder: 'puck:powder',
}

function choicesSeen({ of: { facts, context } }: Readings): Evidence[] {
  const { tamp, look } = facts
  const seen = { tilt: tamp.tilt, stream: look.stream, puck: look.puck } as const
  return (['tilt', 'stream', 'puck'] as const).flatMap((key): Evidence[] => {
    const what = seen[key]
    // Without a valve that lets the pressure out every puck is soup.
    if (what === 'soup' && context.machine?.hasReleaseValve === false) return []
    return what === null ? [] : [{ kind: 'choice', key, option: OPTION_OF[what] ?? null }]
  })
}
