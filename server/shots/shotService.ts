import {
  type CorrectionInput,
  type ShotDetail,
  type ShotInput,
  type ShotList,
  type ShotListQuery,
  type ShotSummary,
  reachOf,
  teaches,
} from '@calm-apron/contract'
import { RULES_VERSION } from '@calm-apron/core'
import { keepText, leaveTrace } from '../audit/trace.ts'
import { brokenForeignKey } from '../database/errors.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { notThere, ownsShot, refuseUnlessOwn } from '../doors/actor.ts'
import { deviceInstant } from '../http/clock.ts'
import { readCursor, writeCursor } from '../http/cursor.ts'
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
import {
  findRecipeRevisions,
  findRevision,
  findShot,
  findShotOwner,
  insertRevision,
  insertShot,
  listShots,
} from './queries.ts'
import { toSummary } from './shotRow.ts'
import { isSomethingBehind } from './said/queries.ts'
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
        if (stored === null) throw idTaken()
        const { judgedBy } = input
        await noteClaim(errand, said, { kind: 'shot', recordId: shotId, subjectId: shotId, judgedBy })
        const { isClaimed } = said
        return { ...stored, current: { ...stored.current, isClaimed } }
      },
    }),
  )
}

/**
 * Stores a new shot with its trace; tells it as it was stored, or (null) that its id is taken.
 * @throws {Refusal} `invalid-input` naming an id that is not there
 */
export async function storeShot(
  { actor, transaction, now }: Errand,
  shotId: string,
  input: ShotInput,
  digest = bodyDigest(input),
): Promise<ShotSummary | null> {
  await refuseWrongThings(transaction, input, input.facts)
  const teachers = await teachingAmong(transaction, [input.personId, input.judgedBy])
  const stored = await namingUnknownPerson(async () => {
    const pulled = deviceInstant(input.pulledAt, now)
    const stood = await stoodThen(transaction, input, pulled.at, teachers.has(input.personId))
    const shot = await insertShot(transaction, actor.academyId, shotId, input, pulled, stood)
    if (shot === null) return null
    const revision = await insertRevision(transaction, actor.academyId, {
      // The first revision goes by the shot's own id, so that repeating the request finds it.
      revisionId: shotId,
      shotId,
      revisionNo: 1,
      bodyDigest: digest,
      judgedBy: input.judgedBy,
      isJudgeTeaching: teachers.has(input.judgedBy),
      reasonTextId: null,
      noteTextId: await keepNote(transaction, actor.academyId, input.personId, input.judgedBy, input.note),
      recordedAt: pulled.at,
      receivedAt: now,
      facts: input.facts,
    })
    const beside = { reason: null, note: input.note, claimedAt: null, confirmedAt: null, isDenied: null }
    return toSummary({ shot, revision, series: input.series, beside }, new Map())
  })
  if (stored === null) return null
  const { personId, judgedBy: actorId, trainingId } = input
  const { academyId } = actor
  await tellLive(transaction, academyId, { kind: 'shot', shotId, trainingId }, personId)
  // Its facts are not told again: they stand in a revision that nothing can change.
  await leaveTrace(
    transaction,
    { academyId, kind: 'shot-recorded', actorId, personId, subjectId: shotId },
    now,
  )
  return stored
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

/** @throws {Refusal} `not-found`; `call-first` to a trainee whose own call is still asked for */
export async function readShotDetail(errand: Errand, shotId: string): Promise<ShotDetail> {
  const { actor, transaction } = errand
  const found = await shotOrRefuse(transaction, shotId)
  refuseUnlessOwn(actor, 'see-shots', ownsShot(actor, found))
  if (await isWithheld(errand, shotId))
    throw new Refusal('call-first', 'The reading opens once the call is made.')
  return found
}

/** One page. A trainee's shots whose call is still asked for are not in it. Who may see only their own shots gets only those, and asking for another's finds nothing there. */
export async function listShotPage({ actor, transaction }: Errand, asked: ShotListQuery): Promise<ShotList> {
  if (asked.personId !== undefined) refuseUnlessOwn(actor, 'see-shots', asked.personId === actor.personId)
  const isForAll = reachOf(actor.part, 'see-shots') === 'all'
  const query = isForAll ? asked : { ...asked, personId: actor.personId }
  const after = query.cursor === undefined ? null : readCursor(query.cursor)
  const isBySaid = query.reading !== undefined || query.cause !== undefined
  const rows = await listShots(transaction, actor.academyId, query, after, !teaches(actor.part))
  const shots = rows.slice(0, query.limit)
  const last = shots.at(-1)
  return {
    shots,
    recipes: await findRecipeRevisions(
      transaction,
      shots.map((shot) => shot.recipeRevisionId),
    ),
    isBehind: isBySaid && (await isSomethingBehind(transaction, RULES_VERSION)),
    nextCursor:
      rows.length > query.limit && last !== undefined
        ? writeCursor({ at: last.pulledAt, id: last.shotId })
        : null,
  }
}

async function shotOrRefuse(transaction: AcademyTransaction, shotId: string): Promise<ShotDetail> {
  const found = await findShot(transaction, shotId)
  if (found === null) throw notThere()
  return found
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

function idTaken(): Refusal {
  return new Refusal('id-taken', TAKEN)
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
