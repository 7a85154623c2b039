import { z } from 'zod'
import type { Action } from '../access.ts'
import { PROBLEM_CODES, type ProblemCode } from '../problem.ts'

/** Before every path of the API. */
export const API_BASE = '/api/v1'

/**
 * Whatever z makes, by its core: comparing with the whole of `z.ZodType` takes the type checker a second each time.
 */
export type Schema = z.core.$ZodType

/** One thing the API does; server routes, client calls and the OpenAPI document are all made from it. */
export interface Endpoint {
  method: 'get' | 'put' | 'post' | 'patch' | 'delete'
  /** Below `API_BASE`, with `{name}` for each of `params`. */
  path: string
  summary: string
  /** The row of `ACCESS` that decides who may; null where no session is needed. */
  action: Action | null
  params: z.core.$ZodObject
  query: z.core.$ZodObject
  /** null where nothing is sent. */
  body: Schema | null
  answer: Schema
  /** Beyond those that every endpoint of its shape has. 201 is added for what a `put` makes. */
  problems: readonly ProblemCode[]
}

/** Nothing is asked for here. */
export const none = z.strictObject({})
/** The answer where there is nothing to tell. */
export const done = z.strictObject({})

const OF_A_BODY: readonly ProblemCode[] = ['broken-json', 'too-large', 'not-json', 'invalid-input']

/** Every way an endpoint can refuse, in the order of the one list. */
export function problemsOf(endpoint: Endpoint): ProblemCode[] {
  const { params, query, body, action, problems } = endpoint
  const all = new Set<ProblemCode>(['database-down', 'wrong-origin', ...problems])
  if (Object.keys(params._zod.def.shape).length > 0) all.add('not-found')
  if (Object.keys(query._zod.def.shape).length > 0) all.add('invalid-input')
  if (body !== null) for (const code of OF_A_BODY) all.add(code)
  if (action !== null) all.add('not-signed-in').add('not-allowed')
  return PROBLEM_CODES.filter((code) => all.has(code))
}
