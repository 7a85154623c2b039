import { parseCookie, stringifySetCookie } from 'cookie'
import type { Request } from 'express'
import { DOOR_LIMITS, S_PER_DAY } from './limits.ts'
import { tokenHash } from './secrets.ts'

const MAX_LABEL = 120

/** Who knocks, as far as the request itself tells. */
export interface Visitor {
  address: string
  /** Hash of the session cookie, or null. */
  sessionHash: string | null
  /** Hash of the device cookie, or null. */
  deviceHash: string | null
  /** What the browser calls itself, for the list of sessions. */
  deviceLabel: string
}

/** New secrets for the browser's cookies; null takes the cookie away. */
export interface DoorChange {
  sessionToken?: string | null
  deviceToken?: string
}

const nameOf = (cookie: 'session' | 'device', isSecure: boolean) =>
  `${isSecure ? '__Host-' : ''}calm_apron_${cookie}`

export function visitorOf(req: Request, isSecure: boolean): Visitor {
  const cookies = parseCookie(req.headers.cookie ?? '')
  const hashOf = (cookie: 'session' | 'device') => {
    const value = cookies[nameOf(cookie, isSecure)]
    return value === undefined || value === '' ? null : tokenHash(value)
  }
  return {
    address: req.ip ?? 'unknown',
    sessionHash: hashOf('session'),
    deviceHash: hashOf('device'),
    deviceLabel: (req.headers['user-agent'] ?? '').slice(0, MAX_LABEL),
  }
}

/** The `Set-Cookie` lines of a change. */
export function cookieLines(change: DoorChange, isSecure: boolean): string[] {
  const line = (cookie: 'session' | 'device', value: string, maxAge: number) =>
    stringifySetCookie({
      name: nameOf(cookie, isSecure),
      value,
      maxAge,
      path: '/',
      httpOnly: true,
      sameSite: 'lax',
      secure: isSecure,
    })
  const lines: string[] = []
  if (change.sessionToken !== undefined) {
    const days = change.sessionToken === null ? 0 : DOOR_LIMITS.absoluteDays
    lines.push(line('session', change.sessionToken ?? '', days * S_PER_DAY))
  }
  if (change.deviceToken !== undefined)
    lines.push(line('device', change.deviceToken, DOOR_LIMITS.deviceCookieDays * S_PER_DAY))
  return lines
}
