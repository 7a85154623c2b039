import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { timeAtTarget } from '../shot/timeAtTarget.ts'
import { netG } from '../shot/weighing.ts'
import { NO_CONTEXT, type ShotContext } from './context.ts'
import { flowOf } from './flow.ts'
import { gateOf } from './gate.ts'
import { measure } from './measure.ts'
import { readTamp } from './tampReading.ts'
import { readTaste } from './tasteReading.ts'
import { readTime } from './timeReading.ts'
import type { DoseReading, Readings, TasteReading, UnevenSign, YieldReading } from './types.ts'

/**
 * Reads one shot against the revision of the recipe it was pulled by: dose, tamp, yield, time, taste, the gate,
 * the flow and the signs of channelling. Any part may be unknown and is then not judged; nothing is thrown.
 * @param context what is known beside the shot's own facts
 */
export function readShot(facts: ShotFacts, recipe: Recipe, context: ShotContext = NO_CONTEXT): Readings {
  const dose = readDose(facts, recipe)
  const taste = readTaste(facts.taste, recipe)
  const time = timeAtTarget(facts, recipe)
  return {
    dose,
    tamp: readTamp(facts.tamp),
    yield: readYield(facts, recipe),
    time: readTime(time, recipe),
    taste,
    timeAtTarget: time,
    gate: gateOf(facts, dose),
    flow: flowOf(facts, time, recipe),
    unevenSigns: unevenSigns(facts, taste),
    looked: { stream: facts.look.stream !== null, puck: facts.look.puck !== null },
    of: { facts, recipe, context },
  }
}

function readDose(facts: ShotFacts, recipe: Recipe): DoseReading {
  const doseG = netG(facts.dose)
  return doseG === null
    ? { judged: false, why: 'not-weighed' }
    : measure(doseG, recipe.doseG, recipe.doseToleranceG)
}

function readYield(facts: ShotFacts, recipe: Recipe): YieldReading {
  if (facts.abandoned !== null) return { judged: false, why: 'abandoned' }
  const cupG = netG(facts.cup)
  return cupG === null
    ? { judged: false, why: 'not-weighed' }
    : measure(cupG, recipe.yieldG, recipe.yieldToleranceG)
}

function unevenSigns({ look }: ShotFacts, taste: TasteReading): UnevenSign[] {
  const signs: UnevenSign[] = []
  if (look.stream === 'spurting' || look.stream === 'one-sided') signs.push(look.stream)
  if (look.puck === 'holes' || look.puck === 'thin-side') signs.push(look.puck)
  if (taste.judged && taste.bothStrong) signs.push('sour-and-bitter')
  return signs
}
