import type { Training } from '@calm-apron/contract'
import {
  type TrainingEvent,
  type TrainingHappening,
  type TrainingState,
  trainingOrder,
  trainingState,
} from '@calm-apron/core'
import { useQueryCache } from '@pinia/colada'
import { defineStore } from 'pinia'
import { v7 as uuidv7 } from 'uuid'
import { computed } from 'vue'
import { eventsOver, trainingsHere } from '../../data/queries/laidOver.ts'
import type { Told } from '../../data/queries/question.ts'
import { trainingsAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { asPlain } from '../../data/device/deviceDatabase.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'

/** A training as it stands, with what this tablet has not sent yet. */
export interface OpenTraining {
  trainingId: string
  state: TrainingState
}

/** The trainings that are on: as the server told them, or as this device last saw them, and what happened here since. */
export const useTrainings = defineStore('trainings', () => {
  const door = useDoor()
  const outbox = useOutbox()
  const cache = useQueryCache()
  const answer = useAnswer(() => (door.may('see-trainings', true) ? trainingsAsked() : null))
  const told = computed(() => answer.value.value?.trainings ?? [])

  /** What happened in a training, with what happened here; one that is over is known where its page is looked at. */
  function eventsOf(trainingId: string): TrainingEvent[] {
    const listed = told.value.find((each) => each.trainingId === trainingId)
    const looked = cache.getQueryData<Told<Training>>([door.personId, 'training', trainingId])
    const isListNewer = listed !== undefined && answer.askedAtMs.value >= (looked?.askedAtMs ?? 0)
    const [events, askedAtMs] = isListNewer
      ? [listed.events, answer.askedAtMs.value]
      : [looked?.value.events ?? [], looked?.askedAtMs ?? 0]
    return eventsOver(events, trainingId, outbox.since(askedAtMs))
  }

  function stateOf(trainingId: string): TrainingState | null {
    return trainingState(eventsOf(trainingId))
  }

  /** Of what others began on this device a trainee sees where they have a seat. */
  const isSeen = ({ setup }: TrainingState) =>
    door.may(
      'see-trainings',
      setup.seats.some(({ personId }) => personId === door.personId),
    )

  /** Those that are not over, newest first. */
  const open = computed<OpenTraining[]>(() => {
    const ids = new Set([
      ...told.value.map(({ trainingId }) => trainingId),
      ...trainingsHere(outbox.since(answer.askedAtMs.value)),
    ])
    return [...ids]
      .flatMap((trainingId) => {
        const state = stateOf(trainingId)
        if (state === null || state.ended !== null || !isSeen(state)) return []
        return [{ trainingId, state }]
      })
      .sort((a, b) => b.state.startedAt.localeCompare(a.state.startedAt))
  })

  let noting: Promise<unknown> = Promise.resolve()

  /** Notes what happened; it is seen here at once, and by the others once it was sent. */
  async function note(trainingId: string, happening: TrainingHappening): Promise<void> {
    const eventId = uuidv7()
    const after = trainingOrder(eventsOf(trainingId)).at(-1)?.eventId ?? null
    const body = { by: door.personId, at: new Date().toISOString(), happening: asPlain(happening), after }
    const adding = outbox.add({ kind: 'training-event', trainingId, eventId, body })
    // Whoever noted it hears of its failure.
    noting = Promise.allSettled([noting, adding])
    await adding
  }

  /** Resolves once all that was tapped so far lies on the device, so that what is asked then goes by it. */
  const noted = async () => noting

  return { open, isAwaited: answer.isAwaited, load: answer.load, eventsOf, stateOf, note, noted }
})
