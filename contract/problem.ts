import { z } from 'zod'
import { readAnswer } from './readAnswer.ts'

/** Every way a request can be refused. */
export const PROBLEM_CODES = [
  'broken-json',
  'not-signed-in',
  'wrong-sign-in',
  'not-allowed',
  'wrong-origin',
  'not-found',
  'id-taken',
  'call-first',
  'changed-meanwhile',
  'last-head',
  'pin-needed',
  'already-set-up',
  'set-aside',
  'locked',
  'link-over',
  'too-large',
  'not-json',
  'invalid-input',
  'slow-down',
  'database-down',
  'overloaded',
  'not-ready',
  'took-too-long',
  'internal',
] as const
export type ProblemCode = (typeof PROBLEM_CODES)[number]

/** The one table from code to HTTP status. */
export const PROBLEM_STATUS = {
  'broken-json': 400,
  'not-signed-in': 401,
  'wrong-sign-in': 401,
  'not-allowed': 403,
  'wrong-origin': 403,
  'not-found': 404,
  'id-taken': 409,
  'call-first': 409,
  'last-head': 409,
  'pin-needed': 409,
  'already-set-up': 409,
  'set-aside': 409,
  locked: 409,
  'link-over': 410,
  'changed-meanwhile': 412,
  'too-large': 413,
  'not-json': 415,
  'invalid-input': 422,
  'slow-down': 429,
  'database-down': 503,
  overloaded: 503,
  'not-ready': 503,
  'took-too-long': 504,
  internal: 500,
} as const satisfies Record<ProblemCode, number>

/** One refused field: where, a stable reason, and a sentence. `limit` is the bound that was passed. */
export const fieldError = z.strictObject({
  path: z.string(),
  reason: z.string(),
  message: z.string(),
  limit: z.number().optional(),
})
export type FieldError = z.infer<typeof fieldError>

/** `application/problem+json`; `type` is `urn:calm-apron:problem:` and the code. */
export const problem = z.strictObject({
  type: z.string(),
  code: z.enum(PROBLEM_CODES),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  requestId: z.string().optional(),
  errors: z.array(fieldError).optional(),
  /** Of a change that lost a race: what stands now, and what was sent. */
  versions: z.strictObject({ current: z.unknown(), yours: z.unknown() }).optional(),
  /** Of `slow-down`: when trying again makes sense. */
  retryAfterS: z.int().optional(),
})
export type Problem = z.infer<typeof problem>

/** Of every answer that refuses something (RFC 9457). */
export const PROBLEM_MEDIA_TYPE = 'application/problem+json'

/** Reads a refusal; one whose code this reader does not know yet by its status. Null where it is none of ours. */
export function readProblem(status: number, body: unknown): Problem | null {
  const parsed = readAnswer(problem, body)
  if (parsed.success) return parsed.data
  const code = PROBLEM_CODES.find((each) => PROBLEM_STATUS[each] === status)
  if (code === undefined || typeof body !== 'object' || body === null) return null
  return readAnswer(problem, { ...body, code }).data ?? null
}

const REASON_OF_ISSUE: Record<string, string> = {
  invalid_type: 'wrong-type',
  invalid_value: 'not-one-of',
  invalid_union: 'wrong-type',
  invalid_format: 'wrong-format',
  unrecognized_keys: 'unknown-field',
  too_small: 'too-small',
  too_big: 'too-big',
}

const NUMBERS = new Set<string>(['number', 'int'])

/** The refused fields of a failed parse, one for each issue, with dotted paths. */
export function fieldErrors(error: z.ZodError): FieldError[] {
  return error.issues.flatMap((issue): FieldError[] => {
    const path = issue.path.map(String).join('.')
    if (issue.code === 'unrecognized_keys') {
      return issue.keys.map((key) => ({
        path: [path, key].filter((part) => part !== '').join('.'),
        reason: 'unknown-field',
        message: 'There is no such field.',
      }))
    }
    return [{ path, reason: reasonOf(issue), message: issue.message, ...limitOf(issue) }]
  })
}

function reasonOf(issue: z.core.$ZodIssue): string {
  if (issue.code === 'custom')
    return typeof issue.params?.['reason'] === 'string' ? issue.params['reason'] : 'refused'
  // A number out of its bounds wants other words than a text that is too long.
  if ((issue.code === 'too_small' || issue.code === 'too_big') && NUMBERS.has(issue.origin))
    return `number-${REASON_OF_ISSUE[issue.code]}`
  return REASON_OF_ISSUE[issue.code] ?? 'refused'
}

function limitOf(issue: z.core.$ZodIssue): { limit?: number } {
  if (issue.code === 'too_small') return { limit: Number(issue.minimum) }
  return issue.code === 'too_big' ? { limit: Number(issue.maximum) } : {}
}
