import type { ShotInput } from '@calm-apron/contract'
import { hasSeat } from '@calm-apron/core'
import type { Errand } from '../http/serve.ts'
import { refuseField } from '../refusal.ts'
import { eventsOf } from '../training/queries.ts'

/**
 * Sees to it that what a trainee says of a shot's training and purpose is so. One whose training is not here yet is
 * taken: what was pulled is never lost for what arrives later.
 * @throws {Refusal} `invalid-input`
 */
export async function refuseWrongTraining(
  { actor, transaction }: Errand,
  { trainingId, purpose, personId }: Pick<ShotInput, 'trainingId' | 'purpose' | 'personId'>,
): Promise<void> {
  if (actor.part !== 'trainee') return
  const events = trainingId === null ? [] : await eventsOf(transaction, trainingId)
  if (events.length > 0 && !hasSeat(events, personId))
    throw refuseField('trainingId', 'no-seat', 'They have no seat in this training.')
  if (purpose !== 'assessment') return
  const isOne = events.some(({ happening }) => 'setup' in happening && happening.setup.purpose === purpose)
  if (trainingId === null || (events.length > 0 && !isOne))
    throw refuseField('purpose', 'not-theirs', 'An assessment is set by those who teach.')
}
