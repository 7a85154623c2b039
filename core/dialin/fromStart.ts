import { adviseGrind } from './adviseGrind.ts'
import { isTasteLed } from './byTaste.ts'
import { missLnAt } from './grindChances.ts'
import { finenessOf, targetLn, windowLn } from './observations.ts'
import { shiftOf } from './options.ts'
import { type GrindKnown, type Situation, situationOf, spotOf } from './situation.ts'
import { type Spent, spentOn } from './spent.ts'
import type { GrindAdvice, SessionShot } from './types.ts'

/** It is told no further than this. */
const MOST_SHOTS = 10

/**
 * What the adviser would have needed from the same first setting, on the curve that all this session's shots have drawn
 * since: without noise, so that it is a fair measure and no promise. Null before there is a first shot, in a house that
 * goes by taste, of which no curve tells, and where it would not have landed.
 */
export function adviserFromStart(known: GrindKnown): Spent | null {
  const [first] = known.session
  if (first === undefined || isTasteLed(known)) return null
  const truth = situationOf(known)
  const pulled: SessionShot[] = [shotOn(truth, first, known.recipe.doseG, known.recipe.yieldG, first.setting)]
  while (pulled.length < MOST_SHOTS && pulled.at(-1)?.cameOut !== 'in-window') {
    const advice: GrindAdvice = adviseGrind({ ...known, session: pulled })
    pulled.push(shotOn(truth, first, advice.doseG, advice.yieldG, advice.setting))
  }
  if (pulled.at(-1)?.cameOut !== 'in-window') return null
  const { recipe, grinder, wish } = known
  return spentOn(pulled, {
    usualDoseG: recipe.doseG,
    purgeG: grinder.purgeG,
    pricePerKg: wish.pricePerKg,
  })
}

/** A shot as the curve says it would have run. */
function shotOn(
  truth: Situation,
  like: SessionShot,
  doseG: number,
  yieldG: number,
  setting: number,
): SessionShot {
  const { recipe, grinder, model } = truth
  const { from, to } = windowLn(recipe)
  const wanted = {
    doseWantedG: doseG === recipe.doseG ? null : doseG,
    yieldWantedG: yieldG === recipe.yieldG ? null : yieldG,
  }
  const spot = spotOf({ ...like, ...wanted, setting }, recipe)
  const dose = shiftOf({ ...spot, yieldByG: 0 }, recipe, model)
  const fineness = finenessOf(setting, grinder)
  const itsLn = targetLn(recipe) + missLnAt(model, fineness, shiftOf(spot, recipe, model)).mean
  return {
    ...like,
    ...wanted,
    setting,
    doseG,
    timeS: Math.exp(targetLn(recipe) + missLnAt(model, fineness, dose).mean),
    bound: null,
    shiftLn: 0,
    spreadLn: 0,
    cameOut: itsLn < from ? 'fast' : itsLn > to ? 'slow' : 'in-window',
    isGated: false,
    leaning: null,
    taste: null,
    tasters: [],
  }
}
