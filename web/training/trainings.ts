import { ENDPOINTS, type Training } from '@calm-apron/contract'
import {
  type TrainingEvent,
  type TrainingHappening,
  type TrainingState,
  isTrainingOver,
  trainingOrder,
  trainingState,
} from '@calm-apron/core'
import { defineStore } from 'pinia'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, watch } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import { asPlain, deviceDatabase } from '../store/deviceDatabase.ts'
import { useDoor } from '../store/door.ts'
import { useLiveLine } from '../store/liveLine.ts'
import { useOutbox } from '../store/outbox.ts'

/** A training as it stands, with what this tablet has not sent yet. */
export interface OpenTraining {
  trainingId: string
  state: TrainingState
}

/** The trainings that are on: as the server told them, or as this device last saw them, and what happened here since. */
export const useTrainings = defineStore('trainings', () => {
  const door = useDoor()
  const outbox = useOutbox()
  const told = ref<Training[]>([])
  /** Those that are over, as they were looked at. */
  const past = ref<Training[]>([])
  /** What happened on this page: an answer that was asked for before it must not make it unhappen. */
  const happenedHere = ref<Record<string, TrainingEvent[]>>({})

  async function load(): Promise<void> {
    const { personId } = door
    if (personId === '' || !door.may('see-trainings', true)) return
    try {
      const { trainings } = await call(ENDPOINTS.listTrainings)
      told.value = trainings
      await keep()
    } catch (error) {
      if (error instanceof ServerUnreachable)
        told.value = (await (await deviceDatabase()).get('trainings', personId)) ?? told.value
      else if (!(error instanceof RefusedByServer)) throw error
    }
  }

  /** One training anew, because something happened in it. */
  async function refresh(trainingId: string): Promise<void> {
    try {
      const training = await call(ENDPOINTS.getTraining, { params: { trainingId } })
      const isListed = told.value.some((each) => each.trainingId === trainingId)
      if (!isListed && isPast(training)) see(training)
      else {
        put(training)
        await keep()
      }
    } catch (error) {
      if (!(error instanceof ServerUnreachable) && !(error instanceof RefusedByServer)) throw error
    }
  }

  function put(training: Training): void {
    told.value = first(training, told.value)
  }

  function see(training: Training): void {
    past.value = first(training, past.value)
  }

  /** What was told, with all that happened here since. */
  function kept(): Training[] {
    const ids = new Set([
      ...told.value.map(({ trainingId }) => trainingId),
      ...Object.keys(happenedHere.value),
    ])
    return [...ids].map((trainingId) => ({ trainingId, events: eventsOf(trainingId) }))
  }

  async function keep(): Promise<void> {
    await outbox.keeping(async () =>
      (await deviceDatabase()).put('trainings', asPlain(kept()), door.personId),
    )
  }

  /** What happened in a training, with what waits here to be sent. */
  function eventsOf(trainingId: string): TrainingEvent[] {
    const known = [...told.value, ...past.value].find((each) => each.trainingId === trainingId)?.events ?? []
    const isKnown = new Set(known.map(({ eventId }) => eventId))
    const unsent = outbox.writes.flatMap((write) =>
      write.kind === 'training-event' && write.trainingId === trainingId && !isKnown.has(write.eventId)
        ? [{ eventId: write.eventId, ...write.body }]
        : [],
    )
    for (const { eventId } of unsent) isKnown.add(eventId)
    const here = (happenedHere.value[trainingId] ?? []).filter(({ eventId }) => !isKnown.has(eventId))
    return [...known, ...unsent, ...here]
  }

  function stateOf(trainingId: string): TrainingState | null {
    return trainingState(eventsOf(trainingId))
  }

  /** Those that are not over, newest first. */
  const open = computed<OpenTraining[]>(() => {
    const ids = new Set([
      ...told.value.map(({ trainingId }) => trainingId),
      ...Object.keys(happenedHere.value),
      ...outbox.writes.flatMap((write) => (write.kind === 'training-event' ? [write.trainingId] : [])),
    ])
    return [...ids]
      .flatMap((trainingId) => {
        const state = stateOf(trainingId)
        return state === null || state.ended !== null ? [] : [{ trainingId, state }]
      })
      .sort((a, b) => b.state.startedAt.localeCompare(a.state.startedAt))
  })

  /** Notes what happened; it is seen here at once, and by the others once it was sent. */
  async function note(trainingId: string, happening: TrainingHappening): Promise<void> {
    const eventId = uuidv7()
    const after = trainingOrder(eventsOf(trainingId)).at(-1)?.eventId ?? null
    const body = { by: door.personId, at: new Date().toISOString(), happening: asPlain(happening), after }
    const here = [...(happenedHere.value[trainingId] ?? []), { eventId, ...body }]
    happenedHere.value = { ...happenedHere.value, [trainingId]: here }
    await keep()
    await outbox.add({ kind: 'training-event', trainingId, eventId, body })
  }

  useLiveLine().onNews((news) => {
    if (news.kind === 'training') void refresh(news.trainingId)
    // Whatever happened before the line stood is asked for now.
    if (news.kind === 'here') void load()
  })

  // What was told to one person is not shown to the next.
  watch(
    () => door.session?.person.personId,
    (personId, before) => {
      if (personId !== before) {
        told.value = []
        past.value = []
        happenedHere.value = {}
      }
      if (personId !== undefined) void load()
    },
    { immediate: true },
  )

  return { told, open, load, refresh, see, stateOf, note }
})

function isPast({ events }: Training): boolean {
  const state = trainingState(events)
  return state !== null && isTrainingOver(state, new Date())
}

/** A list with this training first, and no older word of it. */
function first(training: Training, list: readonly Training[]): Training[] {
  return [training, ...list.filter((each) => each.trainingId !== training.trainingId)]
}
