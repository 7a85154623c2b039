import { THRESHOLDS } from '../thresholds.ts'
import type { Decision } from './decision.ts'
import { type Option, type Spot, optionAt } from './options.ts'
import { type Situation, isSameSpot, shotsAt, spotOf } from './situation.ts'
import { TRUSTED_TONGUES } from './tastedAs.ts'
import type { SessionShot } from './types.ts'

/** A spot is held for its confirming shot, and then kept, where it is this likely to belong in the window. */
const WORTH_CONFIRMING = 0.5
const SURE_OF_WINDOW = 0.85
/** So often in the window in a row, and no model is asked. */
const PLAINLY_IN = 3
/** So many good cups, to two tongues, lock a setting on taste. */
const GOOD_CUPS = 2

/**
 * The shots that are not moved away from: one in the window that is likely to belong there, and a cup that a trusted
 * tongue finds good though its time lies off. Found is what was in the window and tasted right, or in it twice; nobody
 * having tasted it, that is only time. Null where the grinder moves on.
 */
export function held(situation: Situation, last: SessionShot, best: Option): Decision | null {
  const spot = spotOf(last, situation.recipe)
  if (last.cameOut === 'in-window') return inWindow(situation, last, spot, best)
  return last.leaning === 'balanced' ? goodOffWindow(situation, last, spot) : null
}

function inWindow(situation: Situation, last: SessionShot, spot: Spot, best: Option): Decision | null {
  const run = runInWindow(situation, spot)
  const { belongs } = optionAt(spot, situation)
  const isBestHere = isSameSpot(best, spot)
  const isLikely = belongs >= WORTH_CONFIRMING || isBestHere
  const isConfirmed = run >= PLAINLY_IN || (run >= 2 && belongs >= SURE_OF_WINDOW)
  const isSound = !last.isGated
  if (last.leaning === 'balanced' && isSound && isLikely)
    return { step: 'done', spot, why: ['in-window-and-tasted'] }
  if (isConfirmed && isSound) {
    if (last.leaning === null) return { step: 'taste-it', spot, why: ['in-window-twice', 'not-tasted'] }
    return { step: 'judge-by-taste', spot, why: ['in-window-but-tastes-off'] }
  }
  return isLikely ? { step: 'confirm', spot, why: ['in-window-once'] } : null
}

/** How many shots in a row, up to the last, were in the window at this spot. */
function runInWindow({ session, recipe }: Situation, spot: Spot): number {
  const isOut = ({ cameOut, ...shot }: SessionShot) =>
    cameOut !== 'in-window' || !isSameSpot(spotOf({ cameOut, ...shot }, recipe), spot)
  const lastOut = session.findLastIndex(isOut)
  return session.length - 1 - lastOut
}

/** One good cup off its window is pulled again, for another tongue; two good ones may be locked. Far off it moves on. */
function goodOffWindow(situation: Situation, last: SessionShot, spot: Spot): Decision | null {
  const good = shotsAt(spot, situation).filter(({ leaning }) => leaning === 'balanced')
  const tongues = new Set(good.flatMap(({ tasters }) => tasters))
  if (good.length >= GOOD_CUPS && tongues.size >= TRUSTED_TONGUES)
    return { step: 'lock-on-taste', spot, why: ['tastes-good-twice'] }
  return isFarOff(situation, last) ? null : { step: 'taste-again', spot, why: ['tastes-good'] }
}

function isFarOff({ recipe }: Situation, { timeS, cameOut }: SessionShot): boolean {
  if (cameOut === 'choked' || cameOut === 'gushed' || timeS === null) return true
  const offLn = Math.max(Math.log(timeS / recipe.timeMaxS), Math.log(recipe.timeMinS / timeS))
  return offLn > THRESHOLDS.tasteAgainstLn
}
