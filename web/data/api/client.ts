import {
  API_BASE,
  CONTRACT_HEADER,
  CONTRACT_VERSION,
  type Endpoint,
  type Schema,
  readAnswer,
  readProblem,
} from '@calm-apron/contract'
import type { z } from 'zod'
import { RefusedByServer, ServerUnreachable } from '../../kit/failures.ts'
import { compareClocks } from './deviceClock.ts'
import { noteReach } from './reach.ts'

interface Sent<E extends Endpoint> {
  params?: z.infer<E['params']>
  query?: z.input<E['query']>
  body?: E['body'] extends Schema ? z.input<E['body']> : never
}

const ANSWER_WITHIN_MS = 12_000
/** After so long nobody is told any more that all is in step. */
const LATE_MS = 4000
const TRY_LATER = new Set([500, 502, 503, 504])

/** Tells, by an event `signed-out`, that the server no longer knows who is here. */
export const doorBell = new EventTarget()

/**
 * Calls one endpoint, typed by its own schemas.
 * @param asked where it was asked for before, as this would have
 * @throws {RefusedByServer} for a problem that trying again won't mend
 * @throws {ServerUnreachable} when there is no answer, or the server says "not now"
 */
export async function call<E extends Endpoint>(
  endpoint: E,
  sent: Sent<E> = {},
  asked?: Promise<Response>,
): Promise<z.infer<E['answer']>> {
  const answer = await reached(asked ?? ask(endpoint, sent))
  if (!answer.ok) throw await failureOf(answer)
  const parsed = readAnswer(endpoint.answer, await answer.json().catch(() => null))
  if (!parsed.success) throw new ServerUnreachable(`An answer that is not ${endpoint.path}'s.`)
  // Parsed by the very schema the type is inferred from; the generic can't carry that.
  return parsed.data as z.infer<E['answer']>
}

/**
 * Calls an endpoint whose answer is a document to be kept, however long it takes to come.
 * @throws like `call`; also when the line breaks before all of it is there
 */
export async function download<E extends Endpoint>(
  endpoint: E,
  sent: Pick<Sent<E>, 'params'>,
): Promise<Blob> {
  const answer = await reached(ask(endpoint, sent, null))
  if (!answer.ok) throw await failureOf(answer)
  return answer.blob().catch((error: unknown) => {
    throw new ServerUnreachable('The line broke.', { cause: error })
  })
}

async function ask(
  endpoint: Endpoint,
  { params = {}, query = {}, body }: { params?: object; query?: object; body?: unknown },
  withinMs: number | null = ANSWER_WITHIN_MS,
): Promise<Response> {
  return fetch(addressOf(endpoint.path, params, query), {
    method: endpoint.method.toUpperCase(),
    signal: withinMs === null ? null : AbortSignal.timeout(withinMs),
    headers: {
      [CONTRACT_HEADER]: String(CONTRACT_VERSION),
      ...(body !== undefined && { 'Content-Type': 'application/json' }),
    },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  })
}

async function reached(asked: Promise<Response>): Promise<Response> {
  const late = setTimeout(() => noteReach(false), LATE_MS)
  try {
    const answer = await asked
    compareClocks(answer, new Date())
    noteReach(!TRY_LATER.has(answer.status))
    return answer
  } catch (error) {
    noteReach(false)
    throw new ServerUnreachable('No answer.', { cause: error })
  } finally {
    clearTimeout(late)
  }
}

function addressOf(path: string, params: object, query: object): string {
  const values = new Map(Object.entries(params))
  const filled = path.replaceAll(/\{(\w+)\}/g, (_, name: string) =>
    encodeURIComponent(String(values.get(name))),
  )
  const asked = Object.entries(query).filter(([, value]) => value !== undefined)
  const search = new URLSearchParams(asked.map(([name, value]) => [name, String(value)]))
  return `${API_BASE}${filled}${asked.length > 0 ? `?${search}` : ''}`
}

async function failureOf(answer: Response): Promise<RefusedByServer | ServerUnreachable> {
  const told = readProblem(answer.status, await answer.json().catch(() => null))
  if (TRY_LATER.has(answer.status) || told === null) return new ServerUnreachable(`Status ${answer.status}.`)
  if (told.code === 'not-signed-in') doorBell.dispatchEvent(new Event('signed-out'))
  return new RefusedByServer(told)
}
