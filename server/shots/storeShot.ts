import type { ShotInput, ShotSummary } from '@calm-apron/contract'
import type { AsItStood } from '@calm-apron/core'
import { keepText, leaveTrace, newTextId } from '../audit/trace.ts'
import { brokenForeignKey } from '../database/errors.ts'
import { together } from '../database/together.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import { type DeviceInstant, deviceInstant } from '../http/clock.ts'
import type { Errand } from '../http/serve.ts'
import { tellLive } from '../live/hub.ts'
import { teachingAmong } from '../people/queries.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { refuseWrongThings } from './namedThings.ts'
import { insertRevision, insertShot } from './queries.ts'
import { toSummary } from './shotRow.ts'
import { stoodThen } from './stood.ts'

export const TAKEN = 'Something else was recorded under this id before; it stays as it is.'

/** What a new shot leans on, as it is and as it stood when the shot was pulled. */
export interface Behind {
  pulled: DeviceInstant
  isJudgeTeaching: boolean
  stood: AsItStood
}

/**
 * Looks up what a new shot leans on.
 * @throws {Refusal} `invalid-input` naming an id that is not there
 */
export async function lookUpBehind({ transaction, now }: Errand, input: ShotInput): Promise<Behind> {
  const { personId, judgedBy } = input
  const pulled = deviceInstant(input.pulledAt, now)
  const asked = teachingAmong(transaction, [personId, judgedBy])
  const [, teachers, stood] = await together([
    refuseWrongThings(transaction, input, input.facts),
    asked,
    stoodThen(transaction, input, pulled.at, asked),
  ])
  return { pulled, isJudgeTeaching: teachers.has(judgedBy), stood }
}

/**
 * Stores a new shot with its trace; tells it as it was stored.
 * @throws {Refusal} `invalid-input` naming an id that is not there; `id-taken`
 */
export async function storeShot(errand: Errand, shotId: string, input: ShotInput): Promise<ShotSummary> {
  return keepFirst(errand, shotId, input, bodyDigest(input), await lookUpBehind(errand, input))
}

/**
 * The same once it is known what it leans on. All of it is on its way at once, each part behind those it leans on.
 * @param digest of the body that it came in
 */
export async function keepFirst(
  { actor: { academyId }, transaction, now }: Errand,
  shotId: string,
  input: ShotInput,
  digest: string,
  { pulled, isJudgeTeaching, stood }: Behind,
): Promise<ShotSummary> {
  const { personId, judgedBy, note, trainingId } = input
  const noteTextId = note === '' ? null : newTextId()
  const text = { academyId, aboutId: personId, writtenBy: judgedBy, content: note }
  // The first revision goes by the shot's own id, so that repeating the request finds it.
  const ids = { revisionId: shotId, shotId, revisionNo: 1, reasonTextId: null, noteTextId }
  const when = { recordedAt: pulled.at, receivedAt: now }
  const first = { ...ids, ...when, bodyDigest: digest, judgedBy, isJudgeTeaching, facts: input.facts }
  // Its facts are not told again: they stand in a revision that nothing can change.
  const trace = { academyId, kind: 'shot-recorded', actorId: judgedBy, personId, subjectId: shotId } as const
  const [shot, , revision] = await namingUnknownPerson(() =>
    together([
      orTaken(insertShot(transaction, academyId, shotId, input, pulled, stood)),
      noteTextId === null ? Promise.resolve(null) : keepText(transaction, text, noteTextId),
      insertRevision(transaction, academyId, first),
      tellLive(transaction, academyId, { kind: 'shot', shotId, trainingId }, personId),
      leaveTrace(transaction, trace, now),
    ]),
  )
  const beside = { reason: null, note, claimedAt: null, confirmedAt: null, isDenied: null }
  return toSummary({ shot, revision, series: input.series, beside }, new Map())
}

/** @throws {Refusal} `id-taken` where nothing was stored */
async function orTaken<T>(storing: Promise<T | null>): Promise<T> {
  const stored = await storing
  if (stored === null) throw new Refusal('id-taken', TAKEN)
  return stored
}

/** A shot of someone who is not there is told so. */
async function namingUnknownPerson<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write()
  } catch (error) {
    if (brokenForeignKey(error) !== 'shot_person') throw error
    throw refuseField('personId', 'unknown-id', 'There is nobody by this id.')
  }
}
