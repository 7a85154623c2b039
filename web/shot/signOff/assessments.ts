import type { Assessment, AssessmentEventInput } from '@calm-apron/contract'
import {
  type AssessmentSetup,
  type AssessmentState,
  type ShotPurpose,
  assessmentState,
} from '@calm-apron/core'
import { defineStore } from 'pinia'
import { v7 as uuidv7 } from 'uuid'
import { computed } from 'vue'
import { asPlain } from '../../data/device/deviceDatabase.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { assessmentEventsOver } from '../../data/queries/laidOver.ts'
import { assessmentsAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

/** An assessment that is on, or waits for somebody, with what this tablet has not sent yet. */
export interface OpenAssessment {
  assessmentId: string
  state: AssessmentState
  /** As the server told it; null where it has not heard of it yet. */
  told: Assessment | null
}

/** Assessments that are on: a set begun without network goes on, and seals what this tablet holds of it. */
export const useAssessments = defineStore('assessments', () => {
  const door = useDoor()
  const outbox = useOutbox()
  const now = useTimeOfDay(60_000)
  const answer = useAnswer(() => (door.may('see-sign-offs', true) ? assessmentsAsked() : null))
  const told = computed(() => answer.value.value?.assessments ?? [])

  const open = computed<OpenAssessment[]>(() => {
    const writes = outbox.since(answer.askedAtMs.value)
    const ids = new Set([
      ...told.value.map(({ assessmentId }) => assessmentId),
      ...writes.flatMap((write) => (write.kind === 'assessment-event' ? write.assessmentId : [])),
    ])
    return [...ids].flatMap((assessmentId): OpenAssessment[] => {
      const known = told.value.find((each) => each.assessmentId === assessmentId) ?? null
      const state = assessmentState(
        assessmentEventsOver(known?.events ?? [], assessmentId, writes),
        now.value,
      )
      return state === null ? [] : [{ assessmentId, state, told: known }]
    })
  })
  const running = computed(() => open.value.filter(({ state }) => state.stage === 'running'))

  /** The sets that are pulled in a training now. */
  const runningIn = (trainingId: string) =>
    running.value.filter(({ state }) => state.setup.trainingId === trainingId)

  /** Whether a set is on at a grinder: nobody is advised on that then, for whoever is assessed finds the setting by themselves. */
  const isOnAt = (trainingId: string, grinderId: string | null) =>
    runningIn(trainingId).some(
      ({ state: { setup } }) => setup.grinderId === null || setup.grinderId === grinderId,
    )

  /**
   * Whether a shot belongs to a set that is on: nothing of its reading is shown here before the end. A trainer's reference is
   * theirs, by which they tell whether the bar is right.
   */
  const isSealed = ({ assessmentId, purpose }: { assessmentId?: string; purpose: ShotPurpose }) =>
    assessmentId !== undefined &&
    purpose !== 'reference' &&
    running.value.some((each) => each.assessmentId === assessmentId)

  /** Notes what happened; it is seen here at once, and by the others once it was sent. */
  async function note(
    assessmentId: string,
    happening: AssessmentEventInput['happening'],
    text = '',
  ): Promise<void> {
    const body = { by: door.personId, at: new Date().toISOString(), happening: asPlain(happening), text }
    await outbox.add({ kind: 'assessment-event', assessmentId, eventId: uuidv7(), body })
  }

  async function begin(setup: AssessmentSetup, text: string): Promise<string> {
    const assessmentId = uuidv7()
    await note(assessmentId, { kind: 'begun', setup }, text)
    return assessmentId
  }

  return { open, isAwaited: answer.isAwaited, running, runningIn, isOnAt, isSealed, note, begin }
})
