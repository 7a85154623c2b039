import { DOSE_SPREAD_G, type ShotContext } from '../reading/context.ts'
import type { Readings } from '../reading/types.ts'
import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { SIGNS } from '../shot/signs.ts'
import { yieldShare } from '../shot/yieldShare.ts'
import {
  type Channel,
  type Evidence,
  type EvidenceKey,
  type FlawSeen,
  type Option,
  type WordSign,
  isWord,
} from './evidenceTypes.ts'
import type { Known } from './places.ts'

/** All that was noted of a shot as evidence, and what the rest rests on. */
export interface EvidenceOfShot {
  items: readonly Evidence[]
  known: Known
}

const CLOCK_SPREAD_LN = 0.02
const FIRST_DROP_SPREAD_S = 0.5
/** Palates differ from one sip to the next. */
const PALATE_SPREAD = 0.9
/** A bound within which a given-up shot lies, as far as taste is concerned. */
const FAR_OUT_LN = 0.7

/** Collects the evidence in facts, readings and context. What was not noted is not there. */
export function evidenceOf(readings: Readings): EvidenceOfShot {
  const { facts, recipe, context } = readings.of
  const middleS = (recipe.timeMinS + recipe.timeMaxS) / 2
  const { dose, timeAtTarget: time } = readings
  const doseSpread = DOSE_SPREAD_G[context.doseMethod]
  const items: Evidence[] = []
  const measured = (
    key: Channel,
    value: number,
    spread: number,
    bound: 'at-least' | 'at-most' | null = null,
  ) => items.push({ kind: 'measured', key, value, spread, bound })
  const known: Known = {
    doseG: dose.judged && doseSpread <= 0.3 ? dose.deviation : null,
    timeLn: null,
    isTimeBound: false,
    yieldLn: null,
    targetDoseG: recipe.doseG,
    halfWindowLn: Math.max(0.03, Math.log(recipe.timeMaxS / middleS)),
    freshness: context.freshness,
  }
  if (dose.judged) measured('dose', dose.deviation, doseSpread)
  if (!recipe.school?.onlyRecorded.includes('time')) {
    const noted = timeNoted(time, middleS, recipe)
    if (noted) {
      measured('time', noted.ln, CLOCK_SPREAD_LN, noted.bound)
      known.isTimeBound = noted.bound !== null
      known.timeLn =
        noted.bound === null ? noted.ln : Math.sign(noted.ln) * Math.max(Math.abs(noted.ln), FAR_OUT_LN / 2)
    }
  }
  const cup = yieldShare(facts, recipe)
  if (cup !== null && cup.share > 0 && facts.abandoned === null) {
    const ln = Math.log(cup.share)
    measured('yield', ln, cup.lnSd)
    known.yieldLn = ln
  }
  const firstDropS = facts.clock?.firstDropS ?? null
  if (firstDropS !== null && firstDropS > 0) {
    const usualS = (recipe.firstDropMinS + recipe.firstDropMaxS) / 2
    measured('first-drop', Math.log(firstDropS / usualS), FIRST_DROP_SPREAD_S / firstDropS)
  }
  for (const axis of ['sour', 'sweet', 'bitter', 'body', 'dryness'] as const) {
    const value = facts.taste[axis]
    if (value !== null) measured(axis, value, PALATE_SPREAD)
  }
  if (context.coffeeAgeDays !== null) measured('age', Math.log(1 + Math.max(0, context.coffeeAgeDays)), 0.05)
  items.push(...flawsSeen(readings), ...choicesSeen(facts))
  items.push(...said(context, new Set(items.map(({ key }) => key))))
  return { items, known }
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
  'tastes-watery': ['body'],
  'tastes-sour': ['sour', 'bitter'],
  'tastes-bitter': ['sour', 'bitter'],
  'tastes-good': ['sweet'],
  'tastes-harsh': ['bitter', 'dryness'],
}

function said({ signs }: ShotContext, measured: ReadonlySet<EvidenceKey>): Evidence[] {
  return SIGNS.flatMap((key): Evidence[] => {
    const isSo = signs[key]
    if (isSo === undefined || (isWord(key) && SAID_BY[key].every((value) => measured.has(value)))) return []
    return [{ kind: 'yes-no', key, isSo }]
  })
}

function timeNoted(
  time: Readings['timeAtTarget'],
  middleS: number,
  recipe: Recipe,
): { ln: number; bound: 'at-least' | 'at-most' | null } | null {
  switch (time.kind) {
    case 'known':
      return { ln: Math.log(Math.max(time.s, 0.5) / middleS), bound: null }
    case 'at-least':
    case 'at-most':
      return { ln: Math.log(Math.max(time.s, 0.5) / middleS), bound: time.kind }
    case 'no-drop':
      // No drop for so long: the shot as a whole would have taken longer in proportion.
      return time.pumpS > recipe.firstDropMaxS
        ? {
            ln: Math.log((time.pumpS / recipe.firstDropMaxS) * (recipe.timeMaxS / middleS)),
            bound: 'at-least',
          }
        : null
    case 'unknown':
      return null
  }
}

function flawsSeen({ of: { facts }, gate, tamp }: Readings): Evidence[] {
  // A force far under a house's own is a bed that was not pressed.
  const tooLight = tamp.judged && tamp.force?.standing === 'off' && tamp.force.direction === 'under'
  const isFine: Record<FlawSeen, boolean | null> = {
    'seen-cold': gate.faults.includes('machine-cold') ? false : facts.machineHot,
    'seen-wet': facts.basketDry,
    'seen-wrong-basket': facts.rightBasket,
    'seen-unpurged': facts.grinderPurged,
    'seen-uneven-bed': facts.bedEven,
    'seen-unsettled': tooLight ? false : facts.tamp.settled,
  }
  // The record's keys are exactly the flaws.
  return (Object.entries(isFine) as [FlawSeen, boolean | null][]).flatMap(([key, fine]): Evidence[] =>
    fine === null ? [] : [{ kind: 'yes-no', key, isSo: !fine }],
  )
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

function choicesSeen({ tamp, look }: ShotFacts): Evidence[] {
  const seen = { tilt: tamp.tilt, stream: look.stream, puck: look.puck } as const
  return (['tilt', 'stream', 'puck'] as const).flatMap((key): Evidence[] => {
    const what = seen[key]
    return what === null ? [] : [{ kind: 'choice', key, option: OPTION_OF[what] ?? null }]
  })
}
