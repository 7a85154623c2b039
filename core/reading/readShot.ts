import { THRESHOLDS } from '../thresholds.ts'
import { asWanted } from '../recipe/asWanted.ts'
import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { doseEstimate, isDoseSeen } from '../shot/doseSeen.ts'
import { timeAtTarget } from '../shot/timeAtTarget.ts'
import { netG } from '../shot/weighing.ts'
import { yieldSeen } from '../shot/yieldShare.ts'
import { chargeReadings } from '../skill/charging.ts'
import { NO_CONTEXT, type ShotContext } from './context.ts'
import { flowOf } from './flow.ts'
import { gateOf } from './gate.ts'
import { measure } from './measure.ts'
import { readTamp } from './tampReading.ts'
import { readTaste } from './tasteReading.ts'
import { readTime } from './timeReading.ts'
import { MISSING_PARTS } from './types.ts'
import type {
  DoseReading,
  MissingPart,
  Readings,
  TasteReading,
  Unjudged,
  UnevenSign,
  YieldReading,
} from './types.ts'
import type { ReadingKind } from '../skill/types.ts'
import { isLookedAt } from '../training/focus.ts'

/**
 * Reads one shot against the revision of the recipe it was pulled by, with the dose and yield it was meant to have: dose,
 * tamp, yield, time, taste, the gate, the flow and the signs of channelling. Any part may be unknown and is then not judged; nothing is thrown.
 * @param context what is known beside the shot's own facts
 */
export function readShot(facts: ShotFacts, its: Recipe, context: ShotContext = NO_CONTEXT): Readings {
  const recipe = asWanted(its, facts.wanted)
  const isLooked = (kind: ReadingKind) => isLookedAt(context.focus, kind)
  const judgedOnly = <R>(kind: ReadingKind, reading: R): R | Unjudged => {
    if (!isLooked(kind)) return { judged: false, why: 'not-looked-at' }
    return recipe.school?.onlyRecorded.includes(kind) ? { judged: false, why: 'only-recorded' } : reading
  }
  const dose = judgedOnly('dose', readDose(facts, recipe, context))
  const taste = judgedOnly('taste', readTaste(facts.taste, recipe))
  const time = timeAtTarget(facts, recipe)
  const tamp = judgedOnly('tamp', readTamp(facts, recipe))
  const cup = judgedOnly('yield', readYield(facts, recipe))
  const timed = judgedOnly('time', readTime(time, recipe))
  const flow = flowOf(facts, time, recipe)
  const gate = gateOf(facts, dose, context)
  const { grindOwner, changedSinceLast, purpose, isSimulated } = context
  return {
    dose,
    tamp,
    yield: cup,
    time: timed,
    taste,
    gate,
    timeAtTarget: time,
    // A choke is one whatever is looked at: somebody may loosen the portafilter.
    flow: isLooked('time') || flow.state === 'choking' ? flow : { state: 'unknown', missLn: 0 },
    accounts: chargeReadings(
      { dose, tamp, yield: cup, time: timed, taste, gate },
      { purpose, isSimulated, grindOwner, isReferenceOff: false },
    ),
    missing: missingPart(facts, recipe, isLooked),
    severalChanged: (changedSinceLast?.length ?? 0) > 1,
    unevenSigns: unevenSigns(facts, taste, context),
    of: { facts, recipe, context },
  }
}

function readDose(facts: ShotFacts, recipe: Recipe, { doseMethod }: ShotContext): DoseReading {
  const { dose } = facts
  const estimate = doseEstimate(facts, recipe, doseMethod)
  if (estimate === null) return { judged: false, why: dose === null ? 'not-weighed' : 'count-unknown' }
  return {
    ...measure(estimate.g, recipe.doseG, recipe.doseToleranceG),
    sdG: estimate.sdG,
    seen: isDoseSeen(dose) ? dose : null,
  }
}

function readYield(facts: ShotFacts, recipe: Recipe): YieldReading {
  if (facts.abandoned !== null) return { judged: false, why: 'abandoned' }
  const cupG = netG(facts.cup)
  if (cupG !== null) {
    return {
      ...measure(cupG, recipe.yieldG, recipe.yieldToleranceG),
      unit: 'g',
      estimatedG: null,
      seen: null,
    }
  }
  const volume = recipe.school?.volume ?? null
  const cupMl = facts.measured?.cupMl ?? null
  if (volume === null || cupMl === null) return readLine(facts, recipe)
  return {
    ...measure(cupMl, volume.targetMl, volume.toleranceMl),
    unit: 'ml',
    estimatedG: { g: cupMl * volume.gPerMl, sdG: cupMl * volume.gPerMlSd },
    seen: null,
  }
}

/** A cup that nobody measured, by the line on its glass. */
function readLine(facts: ShotFacts, recipe: Recipe): YieldReading {
  const cup = yieldSeen(facts, recipe)
  const seen = facts.noted?.cupLine ?? null
  if (cup === null || seen === null) return { judged: false, why: 'not-weighed' }
  const g = cup.share * recipe.yieldG
  return {
    ...measure(g, recipe.yieldG, recipe.yieldToleranceG),
    unit: 'g',
    estimatedG: { g, sdG: cup.lnSd * recipe.yieldG },
    seen,
  }
}

function missingPart(
  facts: ShotFacts,
  recipe: Recipe,
  isLooked: (kind: ReadingKind) => boolean,
): MissingPart | null {
  const isMissing: Record<MissingPart, boolean> = {
    clock: facts.clock === null,
    'first-drop': recipe.clock === 'drop' && facts.clock?.firstDrop === 'missed',
    cup: facts.abandoned === null && yieldSeen(facts, recipe) === null,
    taste: facts.abandoned === null && (facts.taste.sour === null || facts.taste.bitter === null),
    dose: facts.dose === null,
    tamp: facts.tamp.tilt === null && facts.tamp.settled === null,
  }
  return MISSING_PARTS.find((part) => isMissing[part] && isLooked(READING_OF[part])) ?? null
}

/** The reading that a part is wanted for. */
const READING_OF: Record<MissingPart, ReadingKind> = {
  clock: 'time',
  'first-drop': 'time',
  cup: 'yield',
  taste: 'taste',
  dose: 'dose',
  tamp: 'tamp',
}

/** Two spouts should give alike. */
function areCupsApart(cupsG: readonly [number, number] | null): boolean {
  if (cupsG === null) return false
  const [one, other] = cupsG
  return Math.abs(one - other) > THRESHOLDS.cupsApartShare * ((one + other) / 2)
}

function unevenSigns(
  { look, noted }: ShotFacts,
  taste: TasteReading,
  { signs: said, tongue }: ShotContext,
): UnevenSign[] {
  const signs: UnevenSign[] = []
  if (look.stream === 'spurting' || look.stream === 'one-sided') signs.push(look.stream)
  if (look.puck === 'holes' || look.puck === 'thin-side') signs.push(look.puck)
  for (const sign of ['several-streams', 'dry-patches'] as const) if (said[sign] === true) signs.push(sign)
  if (areCupsApart(noted?.cupsG ?? null)) signs.push('cups-apart')
  if (taste.judged && taste.bothStrong && tongue === 'trusted') signs.push('sour-and-bitter')
  return signs
}
