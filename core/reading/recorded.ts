import { type FreshnessWindow, type Frozen, coffeeAge } from '../coffee/age.ts'
import type { GrinderScale } from '../equipment/equipment.ts'
import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { doseMethodOf, isDoseSeen, weighedDoseG } from '../shot/doseSeen.ts'
import { signsOfMarks } from '../shot/marks.ts'
import type { ShotPurpose } from '../shot/purpose.ts'
import { type Slips, tastedBy } from '../taste/cupTaste.ts'
import {
  CHANGES,
  type Change,
  type GrindMoved,
  type MachineKnown,
  NO_CONTEXT,
  type ShotContext,
  type Tongue,
} from './context.ts'
import type { Focus } from '../training/focus.ts'
import { readShot } from './readShot.ts'
import type { Readings } from './types.ts'

/** What a shot was pulled with, as it stood then: kept with the shot, so that its reading stays what it was. */
export interface AsItStood {
  /** Calendar date `YYYY-MM-DD` where the academy is. */
  pulledOn: string
  /** Whether whoever pulled it taught then. */
  isPullerTeaching: boolean
  /** Null where the bag is not known. */
  coffee: {
    roastedOn: string | null
    frozen: Frozen | null
    freshness: FreshnessWindow
    isRoastDark: boolean | null
  } | null
  machine:
    | (MachineKnown & {
        switchedOnAt: string | null
        warmUpMinutes: number
        /** Left out where it was not kept. */
        setC?: number | null
        /** What the basket in the group is made for, in g. */
        basketNominalG: number | null
        /** Left out where it was not kept. */
        basketId?: string | null
        /** Whether that is the one the recipe is for; left out where it was not kept, null where either is not known. */
        isRecipesBasket?: boolean | null
      })
    | null
  grinder:
    | (Pick<GrinderScale, 'settingStep' | 'finerIs'> & {
        /** Where the inner burr stood; left out where that was not kept. */
        innerBurrAt?: number | null
      })
    | null
  /** What the training looked at; left out where that was all. */
  focus?: Focus
}

/** All that is kept of a shot that its reading looks at. */
export interface RecordedShot {
  shotId: string
  pulledAt: string
  /** With the scale's samples, and the cup as it was tasted in the end. */
  facts: ShotFacts
  tasted: Slips
  /** Whether whoever judged it at the bar taught then; whoever recorded before people signed in did. */
  isJudgeTeaching: boolean
  purpose: ShotPurpose
  /** Not pulled for real. */
  isSimulated: boolean
  grindOwner: 'trainer' | 'trainee'
  stood: AsItStood
}

/** Shots further apart than this are of different sessions. */
export const SESSION_MS = 4 * 3_600_000

/** What a grinder did in the session before a shot: its last move, and where it ran. */
export interface GrindBefore {
  grindMoved: GrindMoved | null
  ranAt: number[]
  /** What differs from the shot before; null where there was none. */
  changed: Change[] | null
}

/**
 * The last move of the grinder before this shot, and the settings at which it ran in the same session.
 * @param onGrinder shots on that grinder, newest first; no move is told where the one before is not among them
 */
export function grindBefore(shot: RecordedShot, onGrinder: readonly RecordedShot[]): GrindBefore {
  const settingOf = ({ facts }: RecordedShot) => facts.grindSetting
  const pulledMs = Date.parse(shot.pulledAt)
  const inSession = onGrinder.filter(
    (each) => each.shotId !== shot.shotId && Math.abs(pulledMs - Date.parse(each.pulledAt)) < SESSION_MS,
  )
  const ranAt = inSession.flatMap((each) => settingOf(each) ?? [])
  const last = inSession.find((each) => Date.parse(each.pulledAt) < pulledMs)
  const [now, then] = [settingOf(shot), last ? settingOf(last) : null]
  const { grinder } = shot.stood
  const changed = last === undefined ? null : changedBetween(last, shot)
  if (grinder === null || now === null || then === null) return { grindMoved: null, ranAt, changed }
  const steps = Math.round(Math.abs(now - then) / grinder.settingStep)
  const isFiner = now < then === (grinder.finerIs === 'lower')
  return { grindMoved: { direction: isFiner ? 'finer' : 'coarser', steps }, ranAt, changed }
}

/** Doses nearer to each other than this were meant alike. */
const SAME_DOSE_G = 0.5
/** Water nearer than this was meant alike. */
const SAME_WATER_C = 1

/** What of two shots differs, as far as it was noted of both. */
function changedBetween(before: RecordedShot, after: RecordedShot): Change[] {
  const differ = <T>(of: (shot: RecordedShot) => T | null | undefined, isSame: (a: T, b: T) => boolean) => {
    const [then, now] = [of(before), of(after)]
    return then != null && now != null && !isSame(then, now)
  }
  const same = <T>(a: T, b: T) => a === b
  const within = (most: number) => (a: number, b: number) => Math.abs(a - b) <= most
  const changed: Record<Change, boolean> = {
    grind: differ(({ facts }) => facts.grindSetting, same),
    dose: differ(({ facts }) => weighedDoseG(facts), within(SAME_DOSE_G)) || isSeenApart(before, after),
    yield: differ(({ facts }) => facts.wanted?.yieldG, same),
    basket: differ(({ stood }) => stood.machine?.basketId, same),
    coffee: differ(({ stood }) => stood.coffee?.roastedOn, same),
    temperature:
      differ(({ facts }) => facts.noted?.waterC, within(SAME_WATER_C)) ||
      differ(({ facts }) => facts.noted?.cycle, same),
    tamp: differ(({ facts }) => facts.tamp.tilt, same),
  }
  return CHANGES.filter((change) => changed[change])
}

/** Doses that were seen in one way, and otherwise. */
function isSeenApart(
  { facts: { dose: then } }: RecordedShot,
  { facts: { dose: now } }: RecordedShot,
): boolean {
  if (!isDoseSeen(then) || !isDoseSeen(now)) return false
  if (then.by === 'mark') return now.by === 'mark' && then.mark === now.mark && then.at !== now.at
  return now.by === 'count' && then.of === now.of && then.count !== now.count
}

/** What tells when a shot was pulled, and where the grinder stood. */
type AtSetting = Pick<RecordedShot, 'pulledAt'> & { facts: Pick<ShotFacts, 'grindSetting'> }

/** Whether a shot came before another in one session, at the same setting. */
export function isRunBefore(one: AtSetting, other: AtSetting): boolean {
  const apartMs = Date.parse(other.pulledAt) - Date.parse(one.pulledAt)
  return apartMs > 0 && apartMs < SESSION_MS && one.facts.grindSetting === other.facts.grindSetting
}

/**
 * Reads a recorded shot against the revision of the recipe it was pulled by: the one way to do so. What is known of its
 * coffee, machine and tongues is what was so when it was pulled.
 * @param grindMoved the grinder's last move before it, where that is known (`grindBefore`)
 * @param changedSinceLast what differs from the shot before it, where that is known
 */
export function readRecorded(
  shot: RecordedShot,
  recipe: Recipe,
  grindMoved: GrindMoved | null = null,
  changedSinceLast: readonly Change[] | null = null,
): Readings {
  return readShot(shot.facts, recipe, { ...contextOf(shot), grindMoved, changedSinceLast })
}

/**
 * Reads a shot beside what its grinder did before it, as its page and any search by what is said of it do.
 * @param onGrinder shots on that grinder, newest first
 * @returns its readings, and at which settings the grinder ran in the same session
 */
export function readOnGrinder(
  shot: RecordedShot,
  recipe: Recipe,
  onGrinder: readonly RecordedShot[],
): { readings: Readings; ranAt: number[] } {
  const { grindMoved, changed, ranAt } = grindBefore(shot, onGrinder)
  return { readings: readRecorded(shot, recipe, grindMoved, changed), ranAt }
}

function contextOf({
  facts,
  stood,
  pulledAt,
  purpose,
  isSimulated,
  grindOwner,
  ...shot
}: RecordedShot): ShotContext {
  const { noted } = facts
  return {
    ...NO_CONTEXT,
    ...coffeeKnown(stood),
    ...groupKnown(stood, pulledAt),
    purpose,
    isSimulated,
    grindOwner,
    // A set looks at all.
    focus: purpose === 'assessment' ? null : (stood.focus ?? null),
    doseMethod: doseMethodOf(facts) ?? NO_CONTEXT.doseMethod,
    signs: { ...noted?.signs, ...signsOfMarks(noted?.marks ?? [], facts.clock) },
    tongue: tongueOf(shot, stood),
  }
}

function coffeeKnown({ coffee, pulledOn }: AsItStood): Partial<ShotContext> {
  if (coffee === null) return {}
  const { roastedOn, freshness, isRoastDark, frozen } = coffee
  if (roastedOn === null) return { freshness, isRoastDark }
  const { days } = coffeeAge(roastedOn, pulledOn, freshness, frozen)
  // A bag roasted after the shot was mixed up with another: its age says nothing.
  return { freshness, isRoastDark, coffeeAgeDays: days < 0 ? null : days }
}

function groupKnown({ machine }: AsItStood, pulledAt: string): Partial<ShotContext> {
  if (machine === null) return {}
  const { switchedOnAt, warmUpMinutes, basketNominalG, isLever, hasReleaseValve } = machine
  const { isRecipesBasket = null, setC = null, stopsItself = false } = machine
  const minutesOn = switchedOnAt === null ? -1 : (Date.parse(pulledAt) - Date.parse(switchedOnAt)) / 60_000
  return {
    machine: { isLever, hasReleaseValve, stopsItself },
    basketNominalG,
    isRecipesBasket,
    setC,
    // Switched on after the shot it says nothing of it.
    warmUp: minutesOn < 0 ? null : { minutesOn, minutesNeeded: warmUpMinutes },
  }
}

/** A trainer's slip, or a taste that somebody who taught noted. */
function tongueOf(
  { tasted, isJudgeTeaching }: Pick<RecordedShot, 'tasted' | 'isJudgeTeaching'>,
  { isPullerTeaching }: AsItStood,
): Tongue {
  const isTrusted = { trainer: true, trainee: isPullerTeaching, noted: isJudgeTeaching }[tastedBy(tasted)]
  return isTrusted ? 'trusted' : 'learning'
}
