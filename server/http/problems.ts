import {
  MAX_BODY_BYTES,
  PROBLEM_MEDIA_TYPE,
  PROBLEM_STATUS,
  type Problem,
  type ProblemCode,
  problem,
} from '@calm-apron/contract'
import type { ErrorRequestHandler, Request, RequestHandler, Response } from 'express'
import { isDatabaseDown, tookTooLong } from '../database/errors.ts'
import { Refusal } from '../refusal.ts'
import { formerProblem, isFormerPage } from './former/formerAnswer.ts'

const TITLES: Record<ProblemCode, string> = {
  'broken-json': 'The body is not JSON',
  'not-signed-in': 'Not signed in',
  'wrong-sign-in': 'That does not fit',
  'not-allowed': 'Not yours to do',
  'wrong-origin': 'Asked from elsewhere',
  'not-found': 'Not found',
  'id-taken': 'That id is taken',
  'call-first': 'The call comes first',
  'changed-meanwhile': 'Changed meanwhile',
  'last-head': 'The only head',
  'pin-needed': 'A PIN is needed',
  'already-set-up': 'Set up already',
  'set-aside': 'Set aside',
  locked: 'Locked',
  'link-over': 'This link is over',
  'too-large': 'Too large',
  'not-json': 'JSON expected',
  'invalid-input': 'Some fields need mending',
  'slow-down': 'Too many tries',
  'database-down': 'The database is not answering',
  overloaded: 'Too much to do just now',
  'took-too-long': 'It took too long',
  'not-ready': 'Not set up to serve',
  internal: 'Something went wrong on our side',
}

const RETRY_AFTER_S = 2
const TRY_AGAIN_SOON: ReadonlySet<ProblemCode> = new Set(['database-down', 'overloaded'])

/** Whoever asked went away before all was said: nobody is there to be answered, and nothing of ours is wrong. */
function isGone(error: unknown): boolean {
  return error instanceof Error && 'type' in error && error.type === 'request.aborted'
}

/** A body that is not packed as its head says. */
function isWronglyPacked(error: unknown): boolean {
  return error instanceof Error && 'code' in error && /^Z_|^ERR_.*BROTLI|^ERR__ERROR/.test(String(error.code))
}

/** What body parsing throws carries a `type`; the rest is ours or unforeseen. */
function toRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error
  if (isWronglyPacked(error))
    return new Refusal('broken-json', 'The body is not packed as its Content-Encoding says.')
  if (isDatabaseDown(error)) {
    return new Refusal(
      'database-down',
      'The database is not answering just now. Nothing was stored; try again in a moment.',
    )
  }
  if (tookTooLong(error))
    return new Refusal(
      'took-too-long',
      'It took too long and was given up; nothing was stored. It has been logged.',
    )
  // A path whose escapes are no text names nothing.
  if (error instanceof Error && error.name === 'URIError') return nothingHere()
  const type = error instanceof Error && 'type' in error ? error.type : null
  switch (type) {
    case 'entity.parse.failed':
      return new Refusal('broken-json', 'The body could not be read as JSON.')
    case 'entity.too.large':
      return new Refusal('too-large', `The body is over ${MAX_BODY_BYTES} bytes; no record is that large.`)
    case 'charset.unsupported':
    case 'encoding.unsupported':
      return new Refusal('not-json', 'Send plain UTF-8 JSON.')
    default:
      return new Refusal('internal', 'Nothing you can mend; it has been logged.')
  }
}

function toProblem(refusal: Refusal, requestId: string | undefined): Problem {
  const { code, detail, errors, extras } = refusal
  return {
    type: `urn:calm-apron:problem:${code}`,
    code,
    title: TITLES[code],
    status: PROBLEM_STATUS[code],
    detail,
    ...(requestId !== undefined && { requestId }),
    ...(errors.length > 0 && { errors: [...errors] }),
    ...(extras.retryAfterS !== undefined && { retryAfterS: extras.retryAfterS }),
    ...(extras.versions && { versions: versionsOf(extras.versions) }),
  }
}

/** As JSON carries them. */
function versionsOf(versions: object): Problem['versions'] {
  return problem.shape.versions.parse(JSON.parse(JSON.stringify(versions)))
}

function requestIdOf(req: Request): string | undefined {
  return typeof req.id === 'string' ? req.id : undefined
}

/** Turns whatever was thrown into one problem; what nobody foresaw is logged whole and answered blankly. */
export const answerProblem: ErrorRequestHandler = (error: unknown, req, res: Response, next) => {
  if (isGone(error)) {
    req.log.debug('the caller went away')
    res.destroy()
    return
  }
  const refusal = toRefusal(error)
  if (refusal.code === 'internal') req.log.error({ err: error }, 'unforeseen')
  if (refusal.code === 'took-too-long') req.log.error({ err: error }, 'took too long')
  if (TRY_AGAIN_SOON.has(refusal.code)) {
    req.log.warn({ err: error }, refusal.code)
    res.set('Retry-After', String(RETRY_AFTER_S))
  }
  if (refusal.extras.retryAfterS !== undefined) res.set('Retry-After', String(refusal.extras.retryAfterS))
  if (res.headersSent) {
    next(error)
    return
  }
  const told = toProblem(refusal, requestIdOf(req))
  res
    .status(PROBLEM_STATUS[refusal.code])
    .type(PROBLEM_MEDIA_TYPE)
    .send(JSON.stringify(isFormerPage(req) ? formerProblem(told) : told))
}

/** The end of the API's road. */
export const refuseUnknownPath: RequestHandler = () => {
  throw nothingHere()
}

function nothingHere(): Refusal {
  return new Refusal('not-found', 'There is nothing at this address.')
}
