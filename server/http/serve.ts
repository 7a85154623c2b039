import { type Action, type Endpoint, type Schema, fieldErrors, reachOf } from '@calm-apron/contract'
import type { Request, Response, Router } from 'express'
import { z } from 'zod'
import { brokenUniqueKey } from '../database/errors.ts'
import { type FoundSession, asSession } from '../database/inAcademy.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { type Actor, findActor } from '../doors/actor.ts'
import { type DoorChange, type Visitor, cookieLines, visitorOf } from '../doors/visitor.ts'
import type { House } from '../house.ts'
import { Refusal } from '../refusal.ts'
import { formerAnswer, isFormerPage } from './former/formerAnswer.ts'
import { refuseForeignHost, refuseForeignOrigin } from './origin.ts'
import { answerJson } from './packed.ts'

type BodyOf<E extends Endpoint> = E['body'] extends Schema ? z.infer<E['body']> : null

/** What was asked: parsed and trusted. */
export interface Asked<E extends Endpoint> {
  params: z.infer<E['params']>
  query: z.infer<E['query']>
  body: BodyOf<E>
  /** The body as it came. */
  sent: unknown
  visitor: Visitor
}

/** Who asks, when, and the one transaction in which it is done: what use cases pass on. */
export interface Errand {
  actor: Actor
  transaction: AcademyTransaction
  now: Date
  /** The body as it came; null where none was. */
  sent: unknown
}

/** What was asked by someone who is signed in. */
export interface Work<E extends Endpoint> extends Asked<E>, Errand {}

export type Answer<E extends Endpoint> =
  | { created?: boolean; answer: z.infer<E['answer']>; door?: DoorChange }
  /** Refused, but only once what was stored has been committed. */
  | { afterwards: Refusal }

export type SignedInEndpoint = Endpoint & { action: NonNullable<Endpoint['action']> }
export type OpenEndpoint = Endpoint & { action: null }

/** Mounts an endpoint that anyone may knock at. */
export function serveOpen<E extends OpenEndpoint>(
  house: House,
  router: Router,
  endpoint: E,
  handle: (asked: Asked<E>) => Promise<Answer<E>>,
): void {
  mount(house, router, endpoint, handle)
}

/**
 * Mounts an endpoint for those who are signed in: who it is, whether their part may do this at all, and the work
 * itself happen in one transaction that sees their academy only.
 */
export function serve<E extends SignedInEndpoint>(
  house: House,
  router: Router,
  endpoint: E,
  handle: (work: Work<E>) => Promise<Answer<E>>,
): void {
  mount(house, router, endpoint, (asked) =>
    againAfterRace(() =>
      asActor(house, endpoint.action, asked, (errand) => handle({ ...asked, ...errand }), {
        isRead: endpoint.method === 'get',
      }),
    ),
  )
}

/**
 * Runs `work` in one transaction for whoever is signed in.
 * @throws {Refusal} `not-signed-in`; `not-allowed` where the action is not for their part at all
 */
export async function asActor<T>(
  house: House,
  action: Action,
  { visitor: { sessionHash }, sent }: Pick<Asked<Endpoint>, 'visitor' | 'sent'>,
  work: (errand: Errand) => Promise<T>,
  ending: { isRead?: boolean } = {},
): Promise<T> {
  if (sessionHash === null) throw notSignedIn()
  const asWhom = async (transaction: AcademyTransaction, found: FoundSession | null) => {
    const now = house.now()
    const actor = await findActor(transaction, found, now)
    if (actor === null) throw notSignedIn()
    if (reachOf(actor.part, action) === 'none')
      throw new Refusal('not-allowed', 'Your role does not include this.')
    return work({ actor, transaction, now, sent })
  }
  return asSession(house.database, sessionHash, asWhom, ending)
}

/** Parse, call, answer. A rejected promise reaches the error handler by itself. */
export function mount<E extends Endpoint>(
  house: House,
  router: Router,
  endpoint: E,
  handle: (asked: Asked<E>) => Promise<Answer<E>>,
): void {
  router[endpoint.method](routeOf(endpoint), async (req, res) => {
    respond(house, req, res, endpoint, await handle(ask(house, endpoint, req)))
  })
}

/** Where an endpoint is mounted. */
export function routeOf({ path }: Endpoint): string {
  return path.replaceAll(/\{(\w+)\}/g, ':$1')
}

/**
 * What was asked, parsed.
 * @throws {Refusal} for all that can be said of it before anybody looks behind the door
 */
export function ask<E extends Endpoint>(house: House, endpoint: E, req: Request): Asked<E> {
  refuseForeignHost(req, house.doors)
  if (endpoint.method !== 'get') refuseForeignOrigin(req, house.doors)
  const visitor = visitorOf(req, house.doors.isSecure)
  if (endpoint.action !== null && visitor.sessionHash === null) throw notSignedIn()
  const params = z.safeParse(endpoint.params, req.params)
  if (!params.success) throw new Refusal('not-found', 'There is nothing at this address.')
  const body = endpoint.body === null ? null : readBody(endpoint.body, req)
  const sent: unknown = endpoint.body === null ? null : req.body
  const asked = { params: params.data, query: read(endpoint.query, req.query), body, sent, visitor }
  // Each part was just parsed by the very schema its type is inferred from; the generic can't carry that.
  return asked as unknown as Asked<E>
}

function respond(
  house: House,
  req: Request,
  res: Response,
  endpoint: Endpoint,
  answer: Answer<Endpoint>,
): void {
  if ('afterwards' in answer) throw answer.afterwards
  if (answer.door) res.append('Set-Cookie', cookieLines(answer.door, house.doors.isSecure))
  const told = isFormerPage(req) ? formerAnswer(endpoint, answer.answer) : answer.answer
  answerJson(req, res, answer.created ? 201 : 200, told)
}

/** Of two writes racing for one key the loser looks again: it then finds itself repeated, or overtaken. */
export async function againAfterRace<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (brokenUniqueKey(error) === null) throw error
    return work()
  }
}

function notSignedIn(): Refusal {
  return new Refusal('not-signed-in', 'Sign in first.')
}

function readBody(schema: Schema, req: Pick<Request, 'is' | 'body'>): unknown {
  if (!req.is('application/json')) throw new Refusal('not-json', 'Send the body as application/json.')
  return read(schema, req.body)
}

function read(schema: Schema, value: unknown): unknown {
  const parsed = z.safeParse(schema, value)
  if (parsed.success) return parsed.data
  const errors = fieldErrors(parsed.error)
  throw new Refusal(
    'invalid-input',
    `${errors.length === 1 ? 'One field needs' : `${errors.length} fields need`} mending.`,
    errors,
  )
}
