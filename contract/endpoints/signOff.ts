import { z } from 'zod'
import { id } from '../primitives.ts'
import {
  assessment,
  assessmentEventInput,
  assessmentList,
  personSignOffs,
  signatureInput,
} from '../signOff.ts'
import { type Endpoint, none } from './endpoint.ts'

/** Assessments, and what they come to. */
export const SIGN_OFF_ENDPOINTS = {
  getSignOffs: {
    method: 'get',
    path: '/people/{personId}/sign-offs',
    summary: 'How somebody stands in each programme, what is lacking, and their assessments.',
    action: 'see-sign-offs',
    params: z.strictObject({ personId: id }),
    query: none,
    body: null,
    answer: personSignOffs,
    problems: ['not-found'],
  },
  listAssessments: {
    method: 'get',
    path: '/assessments',
    summary:
      'Assessments that are on, wait to be decided, or to be looked at again; to whoever learns, their own.',
    action: 'see-sign-offs',
    params: none,
    query: none,
    body: null,
    answer: assessmentList,
    problems: [],
  },
  getAssessment: {
    method: 'get',
    path: '/assessments/{assessmentId}',
    summary: 'One assessment: what happened in it, how far it is, what the rules propose.',
    action: 'see-sign-offs',
    params: z.strictObject({ assessmentId: id }),
    query: none,
    body: null,
    answer: assessment,
    problems: ['not-found'],
  },
  putAssessmentEvent: {
    method: 'put',
    path: '/assessments/{assessmentId}/events/{eventId}',
    summary: 'Notes one thing that happened in an assessment; the first is that it was begun.',
    action: 'assess',
    params: z.strictObject({ assessmentId: id, eventId: id }),
    query: none,
    body: assessmentEventInput,
    answer: assessment,
    problems: ['id-taken', 'not-allowed', 'changed-meanwhile'],
  },
  signAssessment: {
    method: 'put',
    path: '/assessments/{assessmentId}/signatures/{eventId}',
    summary: 'Decides, settles or withdraws, signed with the PIN or password of whoever does it.',
    action: 'sign',
    params: z.strictObject({ assessmentId: id, eventId: id }),
    query: none,
    body: signatureInput,
    answer: assessment,
    problems: ['id-taken', 'not-allowed', 'changed-meanwhile', 'wrong-sign-in', 'slow-down'],
  },
} as const satisfies Record<string, Endpoint>
