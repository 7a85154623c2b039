import { type CorrectionInput, type ShotDetail, type ShotInput, type ShotSummary } from '@calm-apron/contract'
import type { AsItStood } from '@calm-apron/core'
import { keepText, leaveTrace, newTextId } from '../audit/trace.ts'
import { brokenForeignKey } from '../database/errors.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { together } from '../database/together.ts'
import { notThere, ownsShot, refuseUnlessOwn } from '../doors/actor.ts'
import { type DeviceInstant, deviceInstant } from '../http/clock.ts'
import { once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { type Recorded, orSetAside } from '../setAside/setAside.ts'
import { setRecordAside } from '../setAside/setRecordAside.ts'
import { isClosedTo } from '../tasting/opening.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import { noteClaim } from '../claims/noteClaim.ts'
import { whoSays } from '../claims/whoSays.ts'
import { isTeaching, teachingAmong } from '../people/queries.ts'
import { tellLive } from '../live/hub.ts'
import { stoodThen } from './stood.ts'
import { refuseWrongTraining } from './ofTraining.ts'
import { refuseWrongThings, refuseWrongVessels } from './namedThings.ts'
import { type NewRevision, findRevision, findShotOwner, insertRevision, insertShot } from './queries.ts'
import { toSummary } from './shotRow.ts'
import { shotOrRefuse } from './readShots.ts'
import { isWithheld } from './withheld.ts'

/**
 * Records a shot. Repeated, it is the one recorded before.
 * @throws {Refusal} `id-taken` for another body under a used id; `invalid-input`; `not-found` for another's shot
 */
export async function recordShot(
  errand: Errand,
  shotId: string,
  input: ShotInput,
): Promise<Recorded<ShotSummary>> {
  const { actor, transaction } = errand
  refuseUnlessOwn(actor, 'record-shot', input.personId === actor.personId)
  return orSetAside(
    await once<Revision, ShotSummary | 'set-aside'>(errand, {
      ...underId(transaction, shotId, shotId),
      body: input,
      tell: () => summaryOf(transaction, shotId),
      make: async (digest) => {
        const said = await whoSays(errand, 'judgedBy', input.judgedBy)
        if (said === 'ended') {
          await setRecordAside(errand, shotId, { kind: 'shot', shotId, body: input }, input.judgedBy)
          return 'set-aside'
        }
        await refuseWrongTraining(errand, input)
        const stored = await storeShot(errand, shotId, input, digest)
        const { judgedBy } = input
        await noteClaim(errand, said, { kind: 'shot', recordId: shotId, subjectId: shotId, judgedBy })
        const { isClaimed } = said
        return { ...stored, current: { ...stored.current, isClaimed } }
      },
    }),
  )
}

/**
 * Stores a new shot with its trace; tells it as it was stored.
 * @throws {Refusal} `invalid-input` naming an id that is not there; `id-taken`
 */
export async function storeShot(
  errand: Errand,
  shotId: string,
  input: ShotInput,
  digest = bodyDigest(input),
): Promise<ShotSummary> {
  const { transaction, now } = errand
  const { personId, judgedBy } = input
  const pulled = deviceInstant(input.pulledAt, now)
  const asked = teachingAmong(transaction, [personId, judgedBy])
  const [, teachers, stood] = await together([
    refuseWrongThings(transaction, input, input.facts),
    asked,
    stoodThen(transaction, input, pulled.at, asked),
  ])
  return keepFirst(errand, input, pulled, stood, {
    // The first revision goes by the shot's own id, so that repeating the request finds it.
    revisionId: shotId,
    shotId,
    revisionNo: 1,
    bodyDigest: digest,
    judgedBy,
    isJudgeTeaching: teachers.has(judgedBy),
    reasonTextId: null,
    noteTextId: input.note === '' ? null : newTextId(),
    recordedAt: pulled.at,
    receivedAt: now,
    facts: input.facts,
  })
}

/** All of a new shot is on its way at once, each part behind those it leans on. */
async function keepFirst(
  { actor: { academyId }, transaction, now }: Errand,
  input: ShotInput,
  pulled: DeviceInstant,
  stood: AsItStood,
  first: NewRevision,
): Promise<ShotSummary> {
  const { personId, judgedBy, note, trainingId } = input
  const { shotId, noteTextId } = first
  const text = { academyId, aboutId: personId, writtenBy: judgedBy, content: note }
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

/**
 * Corrects a shot. Earlier facts stay.
 * @throws {Refusal} `changed-meanwhile` with both versions when it was based on an older revision; `id-taken`; `not-found`
 */
export async function correctShot(
  errand: Errand,
  shotId: string,
  revisionId: string,
  input: CorrectionInput,
): Promise<Recorded<ShotDetail>> {
  const { actor, transaction } = errand
  const owner = await findShotOwner(transaction, shotId)
  if (owner === null) throw notThere()
  refuseUnlessOwn(actor, 'correct-shot', ownsShot(actor, owner) && owner.recordedBy === actor.personId)
  return orSetAside(
    await once<Revision, ShotDetail | 'set-aside'>(errand, {
      ...underId(transaction, revisionId, shotId),
      body: input,
      tell: () => shotOrRefuse(transaction, shotId),
      make: async (digest) => {
        const said = await whoSays(errand, 'judgedBy', input.judgedBy)
        if (said === 'ended' || (await isClosedTo(errand, owner))) {
          const write = { kind: 'correction', shotId, revisionId, body: input } as const
          await setRecordAside(errand, revisionId, write, input.judgedBy)
          return 'set-aside'
        }
        await storeCorrection(errand, shotId, revisionId, input, digest)
        const { judgedBy } = input
        const record = { kind: 'correction', recordId: revisionId, subjectId: shotId, judgedBy } as const
        await noteClaim(errand, said, record)
        return shotOrRefuse(transaction, shotId)
      },
    }),
  )
}

/**
 * Stores a correction that is known to be new, with its trace.
 * @throws {Refusal} `changed-meanwhile`, `invalid-input`, `not-found`
 */
export async function storeCorrection(
  errand: Errand,
  shotId: string,
  revisionId: string,
  input: CorrectionInput,
  digest = bodyDigest(input),
): Promise<void> {
  const { actor, transaction, now } = errand
  const { academyId } = actor
  const { personId, trainingId, current } = await shotOrRefuse(transaction, shotId)
  if (current.revisionNo !== input.basedOnNo) throw await overtaken(errand, shotId, current, input)
  const reasonTextId = await keepText(transaction, {
    academyId,
    aboutId: personId,
    writtenBy: input.judgedBy,
    content: input.reason,
  })
  await refuseWrongVessels(transaction, input.facts)
  const noteTextId =
    input.note === null
      ? ((await findRevision(transaction, current.revisionId))?.noteTextId ?? null)
      : await keepNote(transaction, academyId, personId, input.judgedBy, input.note)
  await insertRevision(transaction, academyId, {
    revisionId,
    shotId,
    revisionNo: input.basedOnNo + 1,
    bodyDigest: digest,
    judgedBy: input.judgedBy,
    isJudgeTeaching: await isTeaching(transaction, input.judgedBy),
    reasonTextId,
    noteTextId,
    recordedAt: deviceInstant(input.correctedAt, now).at,
    receivedAt: now,
    facts: input.facts,
  })
  await tellLive(transaction, academyId, { kind: 'shot', shotId, trainingId }, personId)
  await leaveTrace(
    transaction,
    {
      academyId,
      kind: 'shot-corrected',
      actorId: input.judgedBy,
      personId,
      subjectId: shotId,
      before: current.facts,
      after: input.facts,
      whyTextId: reasonTextId,
    },
    now,
  )
}

async function overtaken(
  errand: Errand,
  shotId: string,
  current: ShotDetail['current'],
  yours: CorrectionInput,
): Promise<Refusal> {
  // Who is still asked for a call is not shown by a lost race either what they can't look at.
  const isShown = !(await isWithheld(errand, shotId))
  return new Refusal(
    'changed-meanwhile',
    'This shot was corrected meanwhile. Look at the newest numbers and correct those.',
    [],
    { versions: { current: isShown ? current : null, yours } },
  )
}

async function keepNote(
  transaction: AcademyTransaction,
  academyId: string,
  aboutId: string,
  writtenBy: string,
  content: string,
): Promise<string | null> {
  return content === '' ? null : keepText(transaction, { academyId, aboutId, writtenBy, content })
}

async function summaryOf(transaction: AcademyTransaction, shotId: string): Promise<ShotSummary> {
  const { recipe: _recipe, revisions: _revisions, ...summary } = await shotOrRefuse(transaction, shotId)
  return summary
}

type Revision = NonNullable<Awaited<ReturnType<typeof findRevision>>>

/** A revision is looked for by its id, and must be of the shot that is named. */
function underId(transaction: AcademyTransaction, revisionId: string, shotId: string) {
  return {
    id: revisionId,
    find: () => findRevision(transaction, revisionId),
    digestOf: (first: Revision) => first.bodyDigest,
    isOfSame: (first: Revision) => first.shotId === shotId,
    taken: TAKEN,
  }
}

const TAKEN = 'Something else was recorded under this id before; it stays as it is.'

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
