import type { Problem } from '@calm-apron/contract'

/** The server's own word that it won't. */
export class RefusedByServer extends Error {
  override readonly name = 'RefusedByServer'

  constructor(readonly problem: Problem) {
    super(`${problem.code}: ${problem.detail}`)
  }
}

/** No answer, or none that makes sense: worth trying again later. */
export class ServerUnreachable extends Error {
  override readonly name = 'ServerUnreachable'
}

/** Refusals that pass: whoever was signed out comes in again, and who asked too much asks later. */
const PASSES: ReadonlySet<string> = new Set(['not-signed-in', 'slow-down'])

/** Why the server won't say something, if that is its last word; null for all else that went wrong. */
export function wordOf(error: unknown): Problem | null {
  return error instanceof RefusedByServer && !PASSES.has(error.problem.code) ? error.problem : null
}
