import { z } from 'zod'
import { id, line } from '../primitives.ts'
import {
  groupStage,
  pastTrainings,
  pastTrainingsQuery,
  training,
  trainingEventInput,
  trainingList,
} from '../training.ts'
import { watch, watchInput } from '../watching.ts'
import { type Endpoint, done, none } from './endpoint.ts'

const trainingPath = z.strictObject({ trainingId: id })

/** Trainings, what happens in them, and who watches. */
export const TRAINING_ENDPOINTS = {
  listTrainings: {
    method: 'get',
    path: '/trainings',
    summary: 'Trainings of the last day that are not over, newest first.',
    action: 'see-trainings',
    params: none,
    query: none,
    body: null,
    answer: trainingList,
    problems: [],
  },
  listPastTrainings: {
    method: 'get',
    path: '/past-trainings',
    summary: 'Trainings that are over, newest first.',
    action: 'see-trainings',
    params: none,
    query: pastTrainingsQuery,
    body: null,
    answer: pastTrainings,
    problems: [],
  },
  getTraining: {
    method: 'get',
    path: '/trainings/{trainingId}',
    summary: 'One training, with all that happened in it.',
    action: 'see-trainings',
    params: trainingPath,
    query: none,
    body: null,
    answer: training,
    problems: [],
  },
  putTrainingEvent: {
    method: 'put',
    path: '/trainings/{trainingId}/events/{eventId}',
    summary: 'Notes one thing that happened in a training; the first is that it was started.',
    // To lock a setting or lift it; all else is for those who lead.
    action: 'dial-in',
    params: z.strictObject({ trainingId: id, eventId: id }),
    query: none,
    body: trainingEventInput,
    answer: training,
    problems: ['id-taken', 'not-allowed'],
  },
  putWatch: {
    method: 'put',
    path: '/trainings/{trainingId}/watches/{watchId}',
    summary: 'Keeps what somebody saw who watched a shot: steps, marks, and a call of their own.',
    action: 'watch',
    params: z.strictObject({ trainingId: id, watchId: id }),
    query: none,
    body: watchInput,
    answer: watch,
    problems: ['id-taken'],
  },
  putStage: {
    method: 'put',
    path: '/trainings/{trainingId}/stages/{group}',
    summary: 'Tells the other tablets of a training what one group is doing now.',
    action: 'tell-stage',
    params: z.strictObject({ trainingId: id, group: line({ min: 1, max: 60 }) }),
    query: none,
    body: groupStage,
    answer: done,
    problems: [],
  },
} as const satisfies Record<string, Endpoint>

/** The live line of a training: `text/event-stream` of messages, beside the endpoints because it never ends. */
export const LIVE_PATH = '/trainings/{trainingId}/live'
