import type { Endpoints } from '@calm-apron/contract'
import type { Found, Probe } from './probes.ts'
import { newId } from './serve.ts'

export const THERE = { own: 200, 'other’s': 200, 'other academy’s': 404, missing: 404 } as const
export const MADE_ON = { own: 201, 'other’s': 201, 'other academy’s': 404, missing: 404 } as const

const onTraining = ({ trainingId }: Found) => ({ params: { trainingId } })
export const always = () => ({})
export const at = '2026-11-23T10:40:00.000Z'

type OfTrainings =
  | 'listTrainings'
  | 'listPastTrainings'
  | 'getTraining'
  | 'putTrainingEvent'
  | 'putWatch'
  | 'putStage'

/** A row for every route of trainings. */
export const TRAINING_PROBES = {
  listTrainings: [{ ask: always, answers: 200 }],
  listPastTrainings: [{ ask: always, answers: 200 }],
  getTraining: [{ ask: onTraining, answers: THERE }],
  putTrainingEvent: [
    {
      ask: (found) => ({
        params: { trainingId: found.trainingId, eventId: newId() },
        body: { by: found.asker.personId, at, happening: { kind: 'unlocked', why: 'other' } },
      }),
      answers: MADE_ON,
    },
    {
      ask: (found) => ({
        params: { trainingId: found.trainingId, eventId: newId() },
        body: { by: found.asker.personId, at, happening: { kind: 'break-began' } },
      }),
      answers: MADE_ON,
      action: 'lead-training',
    },
  ],
  putWatch: [
    {
      ask: (found) => ({
        params: { trainingId: found.trainingId, watchId: newId() },
        body: {
          watchedBy: found.asker.personId,
          shotId: newId(),
          ...{ stepsDone: ['tamp'], stepsPrompted: [], stepsMissed: [], marks: [], call: null },
          watchedAt: at,
        },
      }),
      answers: MADE_ON,
    },
  ],
  putStage: [
    {
      ask: (found) => ({
        params: { trainingId: found.trainingId, group: 'a:0' },
        body: {
          personId: found.asker.personId,
          shotId: newId(),
          step: 'dose',
          phase: 'before',
          pumpS: 0,
          weightG: null,
          at,
        },
      }),
      answers: THERE,
    },
  ],
} satisfies Pick<Record<keyof Endpoints, Probe[]>, OfTrainings>
