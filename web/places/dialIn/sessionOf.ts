import { type Recipe, type SessionShot, isOfDialIn, sessionShot } from '@calm-apron/core'
import { readListed } from '../../shot/reading/readListed.ts'
import type { ListedShot } from '../../data/queries/useShots.ts'

/** Shots as the dial-in under way sees them, oldest first; those that no setting was noted of tell it nothing. */
export function sessionOf(listed: readonly ListedShot[], recipe: Recipe, coffeeId: string): SessionShot[] {
  return listed.flatMap((each): SessionShot[] => {
    const { shot } = each
    const setting = shot.current.facts.grindSetting
    if (setting === null) return []
    const { machine, grinder } = shot.stood
    const where = {
      coffeeId,
      basketId: machine?.basketId ?? null,
      daysAgo: 0,
      setting,
      innerBurrAt: grinder?.innerBurrAt ?? null,
      isDialIn: isOfDialIn(shot.purpose),
    }
    const seen = sessionShot(readListed(each), recipe, where, tastersOf(each))
    return seen === null ? [] : [seen]
  })
}

/** Who tasted it at the bar, where they taught then; a slip's taster has no name in a list, and counts as nobody further. */
function tastersOf({ shot }: ListedShot): string[] {
  const { judgedBy, isJudgeTeaching } = shot.current
  return isJudgeTeaching && judgedBy !== null ? [judgedBy] : []
}
