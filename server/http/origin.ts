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

const OUR_NETWORK =
  /^(\d{1,3}(\.\d{1,3}){3}|\[[0-9a-f:.]+\]|[a-z0-9-]+|[a-z0-9.-]+\.(local|lan|internal|home\.arpa))(:\d+)?$/i

/**
 * Refuses what is asked under a name that is not ours: a page elsewhere could have its own name lead here. The name is
 * the public origin's, where one was said; else the machine's own, an address, or one that only a network of one's own
 * knows.
 * @throws {Refusal} `wrong-origin`
 */
export function refuseForeignHost(req: Pick<Request, 'headers'>, { publicOrigin }: DoorSettings): void {
  const { host } = req.headers
  if (host !== undefined && (LOOPBACK.test(host) || isOurs(host, publicOrigin))) return
  throw new Refusal(
    'wrong-origin',
    'Calm Apron is not known by this name. Start it with PUBLIC_ORIGIN to say its name.',
  )
}

function isOurs(host: string, publicOrigin: string | null): boolean {
  return OUR_NETWORK.test(host) || (publicOrigin !== null && host === new URL(publicOrigin).host)
}

/** A named public origin holds for everyone but those at the machine itself. */
function isSameHost(origin: string, host: string | undefined, publicOrigin: string | null): boolean {
  if (host === undefined || (publicOrigin !== null && !LOOPBACK.test(host))) return false
  return origin === `http://${host}` || origin === `https://${host}`
}
