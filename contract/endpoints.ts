import { z } from 'zod'
import type { ProblemCode } from './problem.ts'
import { id } from './primitives.ts'
import { correctionInput, shotDetail, shotInput, shotList, shotListQuery, shotSummary } from './shot.ts'
import { today } from './today.ts'

export const API_BASE = '/api/v1'

/** One thing the API does; server routes, client calls and the OpenAPI document are all made from it. */
export interface Endpoint {
  method: 'get' | 'put'
  /** Below `API_BASE`, with `{name}` for each of `params`. */
  path: string
  summary: string
  params: z.ZodObject
  query: z.ZodObject
  /** null where nothing is sent. */
  body: z.ZodType | null
  answer: z.ZodType
  /** 201 is added for what a `put` makes. */
  problems: readonly ProblemCode[]
}

const none = z.strictObject({})
const shotPath = z.strictObject({ shotId: id })

export const ENDPOINTS = {
  today: {
    method: 'get',
    path: '/today',
    summary: 'The academy, its people, newest recipes, coffees and bars.',
    params: none,
    query: none,
    body: null,
    answer: today,
    problems: ['not-found', 'database-down'],
  },
  listShots: {
    method: 'get',
    path: '/shots',
    summary: 'Shots in their newest revision, newest first.',
    params: none,
    query: shotListQuery,
    body: null,
    answer: shotList,
    problems: ['invalid-input', 'database-down'],
  },
  getShot: {
    method: 'get',
    path: '/shots/{shotId}',
    summary: 'One shot with all its revisions.',
    params: shotPath,
    query: none,
    body: null,
    answer: shotDetail,
    problems: ['not-found', 'database-down'],
  },
  putShot: {
    method: 'put',
    path: '/shots/{shotId}',
    summary: 'Records a shot under an id made by the caller. The same body again is the same shot.',
    params: shotPath,
    query: none,
    body: shotInput,
    answer: shotSummary,
    problems: [
      'broken-json',
      'not-found',
      'id-taken',
      'too-large',
      'not-json',
      'invalid-input',
      'database-down',
    ],
  },
  putCorrection: {
    method: 'put',
    path: '/shots/{shotId}/revisions/{revisionId}',
    summary: 'Corrects a shot by adding a revision; earlier ones stay.',
    params: z.strictObject({ shotId: id, revisionId: id }),
    query: none,
    body: correctionInput,
    answer: shotDetail,
    problems: [
      'broken-json',
      'not-found',
      'id-taken',
      'changed-meanwhile',
      'too-large',
      'not-json',
      'invalid-input',
      'database-down',
    ],
  },
} as const satisfies Record<string, Endpoint>

export type Endpoints = typeof ENDPOINTS
