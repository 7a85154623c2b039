import { z } from 'zod'
import { id } from '../primitives.ts'
import { correctionInput, shotDetail, shotInput, shotList, shotListQuery, shotSummary } from '../shot.ts'
import { call, callInput, slip, slipInput, tasting } from '../tasting.ts'
import { type Endpoint, none } from './endpoint.ts'

const shotPath = z.strictObject({ shotId: id })

export const SHOT_ENDPOINTS = {
  listShots: {
    method: 'get',
    path: '/shots',
    summary: 'Shots in their newest revision, newest first.',
    action: 'see-shots',
    params: none,
    query: shotListQuery,
    body: null,
    answer: shotList,
    problems: ['not-found'],
  },
  getShot: {
    method: 'get',
    path: '/shots/{shotId}',
    summary: 'One shot with all its revisions.',
    action: 'see-shots',
    params: shotPath,
    query: none,
    body: null,
    answer: shotDetail,
    problems: [],
  },
  putShot: {
    method: 'put',
    path: '/shots/{shotId}',
    summary: 'Records a shot under an id made by the caller. The same body again is the same shot.',
    action: 'record-shot',
    params: shotPath,
    query: none,
    body: shotInput,
    answer: shotSummary,
    problems: ['id-taken', 'set-aside'],
  },
  putCorrection: {
    method: 'put',
    path: '/shots/{shotId}/revisions/{revisionId}',
    summary: 'Corrects a shot by adding a revision; earlier ones stay.',
    action: 'correct-shot',
    params: z.strictObject({ shotId: id, revisionId: id }),
    query: none,
    body: correctionInput,
    answer: shotDetail,
    problems: ['id-taken', 'changed-meanwhile', 'set-aside'],
  },
  getTasting: {
    method: 'get',
    path: '/shots/{shotId}/tasting',
    summary: 'Calls and slips of a shot; another person’s only once both sides are in or skipped.',
    action: 'see-tasting',
    params: shotPath,
    query: none,
    body: null,
    answer: tasting,
    problems: [],
  },
  putCall: {
    method: 'put',
    path: '/shots/{shotId}/calls/{callId}',
    summary: 'Keeps what someone says of a shot before its reading opens. A call is not changed afterwards.',
    action: 'make-call',
    params: z.strictObject({ shotId: id, callId: id }),
    query: none,
    body: callInput,
    answer: call,
    problems: ['id-taken'],
  },
  putSlip: {
    method: 'put',
    path: '/shots/{shotId}/slips/{slipId}',
    summary: 'Fills, corrects or skips one side’s tasting slip.',
    action: 'fill-slip',
    params: z.strictObject({ shotId: id, slipId: id }),
    query: none,
    body: slipInput,
    answer: slip,
    problems: ['id-taken', 'changed-meanwhile'],
  },
} as const satisfies Record<string, Endpoint>
