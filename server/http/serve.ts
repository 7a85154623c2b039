import { type Endpoint, fieldErrors } from '@calm-apron/contract'
import type { Router } from 'express'
import type { z } from 'zod'
import { Refusal } from '../refusal.ts'

type BodyOf<E extends Endpoint> = E['body'] extends z.ZodType ? z.infer<E['body']> : null

/** What an endpoint's handler gets: parsed and trusted. */
export interface Call<E extends Endpoint> {
  params: z.infer<E['params']>
  query: z.infer<E['query']>
  body: BodyOf<E>
}

export interface Answer<E extends Endpoint> {
  created?: boolean
  answer: z.infer<E['answer']>
}

/** Mounts one endpoint: parse, call, answer. A rejected promise reaches the error handler by itself. */
export function serve<E extends Endpoint>(
  router: Router,
  endpoint: E,
  handle: (call: Call<E>) => Promise<Answer<E>>,
): void {
  const path = endpoint.path.replaceAll(/\{(\w+)\}/g, ':$1')
  router[endpoint.method](path, async (req, res) => {
    const params = endpoint.params.safeParse(req.params)
    if (!params.success) throw new Refusal('not-found', 'There is nothing at this address.')
    const body = endpoint.body === null ? null : readBody(endpoint.body, req)
    const call = { params: params.data, query: read(endpoint.query, req.query), body }
    // Each part was just parsed by the very schema its type is inferred from; the generic can't carry that.
    const { created, answer } = await handle(call as Call<E>)
    res.status(created ? 201 : 200).json(answer)
  })
}

function readBody(
  schema: z.ZodType,
  req: { is: (type: string) => string | false | null; body: unknown },
): unknown {
  if (!req.is('application/json')) throw new Refusal('not-json', 'Send the body as application/json.')
  return read(schema, req.body)
}

function read(schema: z.ZodType, value: unknown): unknown {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  const errors = fieldErrors(parsed.error)
  throw new Refusal(
    'invalid-input',
    `${errors.length === 1 ? 'One field needs' : `${errors.length} fields need`} mending.`,
    errors,
  )
}
