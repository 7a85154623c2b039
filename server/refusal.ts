import type { FieldError, ProblemCode } from '@calm-apron/contract'

/** A request that is refused for a reason the caller can act on. */
export class Refusal extends Error {
  override readonly name = 'Refusal'

  constructor(
    readonly code: ProblemCode,
    readonly detail: string,
    readonly errors: readonly FieldError[] = [],
  ) {
    super(`${code}: ${detail}`)
  }
}
