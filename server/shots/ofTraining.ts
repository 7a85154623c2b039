import { type ShotInput, teaches } from '@calm-apron/contract'
import { hasSeat, isOfDialIn, isOfTeachers } from '@calm-apron/core'
import type { Errand } from '../http/serve.ts'
import { refuseField } from '../refusal.ts'
import { eventsOf } from '../training/queries.ts'

function notTheirs() {
  return refuseField('purpose', 'not-theirs', 'What this shot is for is said by those who teach.')
}

/**
 * Sees to it that what a trainee says of a shot's training and purpose is so. One whose training is not here yet is
 * taken: what was pulled is never lost for what arrives later.
 * @throws {Refusal} `invalid-input`
 */
export async function refuseWrongTraining(
  { actor, transaction }: Errand,
  {
    trainingId,
    purpose,
    personId,
    assessmentId,
  }: Pick<ShotInput, 'trainingId' | 'purpose' | 'personId' | 'assessmentId'>,
): Promise<void> {
  if (teaches(actor.part)) return
  if (assessmentId !== undefined)
    throw refuseField('assessmentId', 'not-theirs', 'What is pulled in a set is recorded by those who teach.')
  const events = trainingId === null ? [] : await eventsOf(transaction, trainingId)
  if (events.length > 0 && !hasSeat(events, personId))
    throw refuseField('trainingId', 'no-seat', 'They have no seat in this training.')
  if (isOfTeachers(purpose)) throw notTheirs()
  const isSet = events.some(
    ({ happening }) => 'setup' in happening && happening.setup.purpose === 'assessment',
  )
  // Beside a set a trainee dials in; nothing in it is called otherwise so that it would not count, nor one of no set one.
  const isWrong =
    purpose === 'assessment'
      ? trainingId === null || (events.length > 0 && !isSet)
      : isSet && !isOfDialIn(purpose)
  if (isWrong) throw notTheirs()
}
