import { type CorrectionInput, type ShotDetail, type ShotInput, type ShotSummary } from '@calm-apron/contract'
import { keepText, leaveTrace } from '../audit/trace.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { outcomeOf, together } from '../database/together.ts'
import { notThere, ownsShot, refuseUnlessOwn } from '../doors/actor.ts'
import { deviceInstant } from '../http/clock.ts'
import { once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { Refusal } from '../refusal.ts'
import { type Recorded, orSetAside } from '../setAside/setAside.ts'
import { setRecordAside } from '../setAside/setRecordAside.ts'
import { isClosedTo } from '../tasting/opening.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import { noteClaim } from '../claims/noteClaim.ts'
import { whoSays } from '../claims/whoSays.ts'
import { isTeaching } from '../people/queries.ts'
import { tellLive } from '../live/hub.ts'
import { refuseWrongTraining } from './ofTraining.ts'
import { refuseWrongVessels } from './namedThings.ts'
import { findRevision, findShotOwner, insertRevision } from './queries.ts'
import { TAKEN, keepFirst, lookUpBehind } from './storeShot.ts'
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
  // It is wanted nearly always: it is asked for while it is still looked whether this was recorded before.
  const lookingUp = outcomeOf(lookUp(errand, input))
  const [kept] = await together([
    once<Revision, ShotSummary | 'set-aside'>(errand, {
      ...underId(transaction, shotId, shotId),
      body: input,
      tell: () => summaryOf(transaction, shotId),
      make: async (digest) => record(errand, shotId, input, digest, (await lookingUp)()),
    }),
    lookingUp,
  ])
  return orSetAside(kept)
}

/** Who says it, and what it leans on: told, or refused, where whoever says it is still here. */
async function lookUp(errand: Errand, input: ShotInput) {
  const [said, leansOn] = await together([
    whoSays(errand, 'judgedBy', input.judgedBy),
    outcomeOf(together([refuseWrongTraining(errand, input), lookUpBehind(errand, input)])),
  ])
  return { said, leansOn }
}

async function record(
  errand: Errand,
  shotId: string,
  input: ShotInput,
  digest: string,
  { said, leansOn }: Awaited<ReturnType<typeof lookUp>>,
): Promise<ShotSummary | 'set-aside'> {
  const { judgedBy } = input
  if (said === 'ended') {
    await setRecordAside(errand, shotId, { kind: 'shot', shotId, body: input }, judgedBy)
    return 'set-aside'
  }
  const [, behind] = leansOn()
  const stored = await keepFirst(errand, shotId, input, digest, behind)
  await noteClaim(errand, said, { kind: 'shot', recordId: shotId, subjectId: shotId, judgedBy })
  const { isClaimed } = said
  return { ...stored, current: { ...stored.current, isClaimed } }
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
