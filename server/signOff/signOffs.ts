import { type SkillFamily, familyOf, signedOff } from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { readerOf } from '../skill/readings.ts'
import { assessmentsOf, shotsOfSets } from './queries.ts'
import { stoodAt } from './stood.ts'

/** A sign-off that stands: in which family of shots its set was pulled, and since when. */
export interface StandingSignOff {
  family: SkillFamily
  at: Date
}

/** However long ago: how old it may grow is the ladder's to say. */
const HOLDS = { holds: { months: Infinity, awayWeeks: Infinity } }
const NOTHING_SINCE = { lastShotAt: null, isEquipmentNew: false, hasShifted: false }

/** The sign-offs of somebody that stand, by the sets that they were shown in. */
export async function standingSignOffs(
  transaction: AcademyTransaction,
  academyId: string,
  personId: string,
  now: Date,
): Promise<StandingSignOff[]> {
  const sets = stoodAt(await assessmentsOf(transaction, personId), now).filter(
    ({ state }) => state.setup.trainingId !== null,
  )
  const signed = [...new Set(sets.map(({ programmeId }) => programmeId))].flatMap((programmeId) => {
    const of = sets.filter((each) => each.programmeId === programmeId)
    // The day of a zone says when parts are repeated, which matters to nobody here.
    const standing = signedOff(of, HOLDS, NOTHING_SINCE, { now, timeZone: 'UTC' })
    return standing.is === 'signed'
      ? [{ assessmentId: standing.assessmentId, at: new Date(standing.lookedAt ?? standing.at) }]
      : []
  })
  const shots = await shotsOfSets(
    transaction,
    academyId,
    signed.map(({ assessmentId }) => assessmentId),
  )
  const read = await readerOf(transaction, shots)
  return signed.flatMap(({ assessmentId, at }) => {
    const shot = shots.find((each) => each.assessmentId === assessmentId && each.purpose === 'assessment')
    const readings = shot === undefined ? null : read(shot)
    return shot === undefined || readings === null ? [] : [{ family: familyOf(readings, shot.stood), at }]
  })
}
