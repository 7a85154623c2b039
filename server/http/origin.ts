import type { Request } from 'express'
import type { DoorSettings } from '../house.ts'
import { Refusal } from '../refusal.ts'

const LOOPBACK = /^(localhost|127(\.\d+){3}|\[::1\])(:\d+)?$/

/**
 * Refuses a write that does not come from our own pages. Browsers put `Origin` on every write; without it there is no
 * telling, so it is refused too.
 * @throws {Refusal} `wrong-origin`
 */
export function refuseForeignOrigin(req: Request, { publicOrigin }: DoorSettings): void {
  const origin = req.headers.origin
  if (origin !== undefined && (origin === publicOrigin || isSameHost(origin, req.headers.host, publicOrigin)))
    return
  throw new Refusal('wrong-origin', 'This may only be asked from Calm Apron’s own pages.')
}

/** A named public origin holds for everyone but those at the machine itself. */
function isSameHost(origin: string, host: string | undefined, publicOrigin: string | null): boolean {
  if (host === undefined || (publicOrigin !== null && !LOOPBACK.test(host))) return false
  return origin === `http://${host}` || origin === `https://${host}`
}
