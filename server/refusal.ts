import type { FieldError, ProblemCode } from '@calm-apron/contract'

/** What a refusal may tell beyond its code. */
export interface RefusalExtras {
  /** Of a change that lost a race: what stands now, and what was sent. */
  versions?: { current: object | null; yours: object }
  retryAfterS?: number
}

/** A request that is refused for a reason the caller can act on. */
export class Refusal extends Error {
  override readonly name = 'Refusal'

  constructor(
    readonly code: ProblemCode,
    readonly detail: string,
    readonly errors: readonly FieldError[] = [],
    readonly extras: RefusalExtras = {},
  ) {
    super(`${code}: ${detail}`)
  }
}

/** One refused field. */
export function refuseField(path: string, reason: string, message: string): Refusal {
  return new Refusal('invalid-input', 'One field needs mending.', [{ path, reason, message }])
}
