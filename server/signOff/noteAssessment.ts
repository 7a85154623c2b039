import { type Assessment, type AuditKind, teaches } from '@calm-apron/contract'
import {
  type AssessmentHappening,
  type AssessmentRefusal,
  type AssessmentState,
  type Outcomes,
  RULES_VERSION,
  assessmentRefusal,
  assessmentState,
} from '@calm-apron/core'
import { whoSaysNow } from '../claims/whoSays.ts'
import { keepText, leaveTrace } from '../audit/trace.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import { deviceInstant } from '../http/clock.ts'
import { type Kept, once, waitForOthersUnder } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { tellLive } from '../live/hub.ts'
import { countTeaching } from '../people/queries.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { type Sent, beginAssessment, partOf } from './beginAssessment.ts'
import { type FactsNow, factsNow } from './judged.ts'
import {
  type StoredAssessment,
  closeAssessment,
  findAssessment,
  findAssessmentEvent,
  insertAssessmentEvent,
} from './queries.ts'
import { readAssessment, whoTrained } from './readSignOffs.ts'

/**
 * Notes what happened in an assessment. Repeated, it is what was noted before.
 * @throws {Refusal} `id-taken`; `not-found`; `not-allowed`; `invalid-input`; `changed-meanwhile`
 */
export async function noteAssessment(
  errand: Errand,
  { assessmentId, eventId }: { assessmentId: string; eventId: string },
  body: Sent,
): Promise<Kept<Assessment>> {
  const { transaction } = errand
  return once(errand, {
    id: eventId,
    find: () => findAssessmentEvent(transaction, eventId),
    digestOf: (first) => first.bodyDigest,
    isOfSame: (first) => first.assessmentId === assessmentId && first.by === body.by,
    body,
    tell: () => readAssessment(errand, assessmentId),
    make: async (digest) => {
      // Of two who decide at once the second is told of the first.
      await waitForOthersUnder(transaction, assessmentId)
      await refuseForOthers(errand, body)
      if (body.happening.kind === 'begun') await beginAssessment(errand, assessmentId, body)
      else await refuseUnlessMay(errand, assessmentId, body)
      await keep(errand, { assessmentId, eventId, digest }, body)
      return readAssessment(errand, assessmentId)
    },
    taken: 'Something else was noted under this id before; it stays as it is.',
  })
}

/** What happens at the bar may be sent by whoever is signed in there later; what one says or signs, by oneself alone. */
const AT_THE_BAR: ReadonlySet<AssessmentHappening['kind']> = new Set(['begun', 'ticked', 'closed'])

async function refuseForOthers(errand: Errand, { by, happening }: Sent): Promise<void> {
  if (by === errand.actor.personId) return
  if (!AT_THE_BAR.has(happening.kind))
    throw refuseField('by', 'own-only', 'Whoever says this signs in to do so.')
  // A tablet may remember whoever teaches; whoever learns at it does not speak for them.
  if (!teaches(errand.actor.part)) throw new Refusal('not-allowed', WHY['not-theirs'])
  await whoSaysNow(errand, 'by', by)
}

/** @throws {Refusal} `not-found`, `not-allowed`, `invalid-input`, `changed-meanwhile` */
async function refuseUnlessMay(
  errand: Errand,
  assessmentId: string,
  { by, happening, text, at }: Sent,
): Promise<void> {
  const { actor, transaction, now } = errand
  const stored = await findAssessment(transaction, assessmentId)
  // A set that was ended without network in its time was, however late that is heard.
  const when = happening.kind === 'closed' ? deviceInstant(at, now).at : now
  const state = stored === null ? null : assessmentState(stored.events, when)
  if (stored === null || state === null || happening.kind === 'begun') throw notThere()
  refuseUnlessOwn(actor, 'assess', stored.personId === actor.personId)
  const teaching = await countTeaching(transaction)
  const part = await partOf(errand, by)
  const refusal = assessmentRefusal(
    state,
    happening.kind,
    {
      personId: by,
      isTeaching: teaches(part),
      isHead: part === 'head',
      isOnlyTeacher: teaching <= 1,
    },
    now,
  )
  if (refusal !== null) throw refused(refusal)
  if (needsText(happening) && text.length < 3)
    throw refuseField('text', 'missing', 'Say why, in a few words.')
  if (happening.kind === 'closed' && happening.why === 'complete')
    await refuseUnlessWhole(errand, stored, state)
  if (happening.kind === 'decided') await refuseUnlessAsNow(errand, stored, state, happening, teaching)
  if ('outcomes' in happening) refuseOtherParts(state, happening.outcomes)
}

const WHY: Record<AssessmentRefusal, string> = {
  'not-theirs': 'This is not theirs to do.',
  'not-now': 'This can’t be done as the assessment stands.',
  'too-late': 'Another look can be asked for within fourteen days.',
  'somebody-else': 'Somebody else looks at it again than whoever decided.',
}

function refused(refusal: AssessmentRefusal): Refusal {
  return refusal === 'not-theirs'
    ? new Refusal('not-allowed', WHY[refusal])
    : refuseField('happening.kind', refusal, WHY[refusal])
}

/** What goes otherwise than the rules, or against somebody, is said why. */
function needsText(happening: AssessmentHappening): boolean {
  switch (happening.kind) {
    case 'appealed':
    case 'answered':
    case 'reviewed':
    case 'settled':
    case 'withdrawn':
      return true
    case 'closed':
      return happening.why !== 'complete'
    case 'decided':
      return !isSame(happening.outcomes, happening.proposed)
    case 'ticked':
    case 'tasted':
    case 'begun':
      return false
  }
}

function isSame(one: Outcomes, other: Outcomes): boolean {
  const said = new Map(other.map(({ part, result }) => [part, result]))
  return one.length === other.length && one.every(({ part, result }) => said.get(part) === result)
}

async function refuseUnlessWhole(
  errand: Errand,
  stored: StoredAssessment,
  state: AssessmentState,
): Promise<void> {
  const facts = await factsOf(errand, stored, state)
  if (facts.progress.next !== 'close')
    throw refuseField(
      'happening.why',
      'not-whole',
      'The set is not whole yet: end it with what broke it off.',
    )
}

/** Nobody signs what they have not seen. */
async function refuseUnlessAsNow(
  errand: Errand,
  stored: StoredAssessment,
  state: AssessmentState,
  { digest, proposed, rulesVersion }: Extract<AssessmentHappening, { kind: 'decided' }>,
  teaching: number,
): Promise<void> {
  const now = await factsOf(errand, stored, state)
  const current = now.judged.map(({ part, result }) => ({ part, result }))
  if (digest !== now.digest || rulesVersion !== RULES_VERSION || !isSame(proposed, current))
    throw new Refusal(
      'changed-meanwhile',
      'The record has changed since you looked. Look again, then sign.',
      [],
      {
        versions: { current, yours: proposed },
      },
    )
  const isTheirTrainer =
    now.assessors === 'not-their-trainer' &&
    teaching > 1 &&
    (await whoTrained(errand, stored.personId)) === errand.actor.personId
  if (isTheirTrainer)
    throw refuseField('by', 'their-trainer', 'Whoever trained them does not sign, where there is another.')
}

function refuseOtherParts({ setup }: AssessmentState, outcomes: Outcomes): void {
  const parts = outcomes.map(({ part }) => part)
  const isWhole = parts.length === setup.parts.length && setup.parts.every((part) => parts.includes(part))
  if (!isWhole)
    throw refuseField(
      'happening.outcomes',
      'other-parts',
      'Say of each part that was judged what it came to.',
    )
}

async function factsOf(
  { actor, transaction }: Errand,
  { assessmentId }: StoredAssessment,
  state: AssessmentState,
): Promise<FactsNow> {
  const facts = (await factsNow(transaction, actor.academyId, [{ assessmentId, state }])).get(assessmentId)
  if (facts === undefined) throw notThere()
  return facts
}

const TRACES: Partial<Record<AssessmentHappening['kind'], AuditKind>> = {
  begun: 'assessment-begun',
  closed: 'assessment-ended',
  decided: 'assessment-decided',
  appealed: 'assessment-appealed',
  reviewed: 'assessment-reviewed',
  answered: 'assessment-answered',
  settled: 'assessment-settled',
  withdrawn: 'sign-off-withdrawn',
}

async function keep(
  { actor, transaction, now }: Errand,
  { assessmentId, eventId, digest }: { assessmentId: string; eventId: string; digest: string },
  { by, happening, at, text }: Sent,
): Promise<void> {
  const { academyId, personId: sentBy } = actor
  const stored = await findAssessment(transaction, assessmentId)
  if (stored === null) throw notThere()
  const { personId } = stored
  const textId =
    text === ''
      ? null
      : await keepText(transaction, { academyId, aboutId: personId, writtenBy: by, content: text })
  await insertAssessmentEvent(transaction, {
    academyId,
    eventId,
    assessmentId,
    by,
    sentBy,
    at: deviceInstant(at, now).at,
    receivedAt: now,
    happening,
    textId,
    bodyDigest: digest,
  })
  if (happening.kind === 'closed') await closeAssessment(transaction, assessmentId, now)
  const kind = TRACES[happening.kind]
  if (kind !== undefined)
    await leaveTrace(
      transaction,
      {
        academyId,
        kind,
        actorId: by,
        personId,
        subjectId: assessmentId,
        after: happening,
        whyTextId: textId,
      },
      now,
    )
  await tellLive(transaction, academyId, { kind: 'skill', personId }, personId)
}
