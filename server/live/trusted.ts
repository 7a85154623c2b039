import { MAY_CLOSE } from './heard.ts'
import type { LiveHub, PassedOn } from './hub.ts'

/** So long at the most somebody may go on doing what they were just allowed to do. */
export const TRUSTED_MS = 5000

/** After any of these somebody may no longer be allowed what they were: who sits in a training may be another, too. */
const MAY_END: ReadonlySet<PassedOn['news']['kind']> = new Set([...MAY_CLOSE, 'training'])

interface Allowed {
  academyId: string
  untilMs: number
}

/** What was allowed a moment ago, and in which academy. */
export interface Trusted {
  /** The academy; null where it must be asked whether it is allowed. */
  academyOf: (what: string) => string | null
  add: (academyId: string, what: string) => void
}

/**
 * Remembers for some seconds what was allowed, for what is told many times a second and kept nowhere. It is forgotten at
 * once when anything is told by which it may have changed, just as whoever follows the live line is looked at anew.
 */
export function trusted(live: Pick<LiveHub, 'follow'>, clockMs = () => performance.now()): Trusted {
  const allowed = new Map<string, Allowed>()
  const leaving = new Map<string, () => void>()

  function forget(isOver: (each: Allowed) => boolean): void {
    for (const [what, each] of allowed) if (isOver(each)) allowed.delete(what)
  }

  function follow(academyId: string): void {
    if (leaving.has(academyId)) return
    const forgetAll = () => forget((each) => each.academyId === academyId)
    const leave = live.follow(academyId, {
      hear: ({ news }) => {
        if (MAY_END.has(news.kind)) forgetAll()
      },
      end: forgetAll,
    })
    leaving.set(academyId, leave)
  }

  function leaveWhereNothingIs(): void {
    const here = new Set([...allowed.values()].map(({ academyId }) => academyId))
    for (const [academyId, leave] of leaving) {
      if (here.has(academyId)) continue
      leave()
      leaving.delete(academyId)
    }
  }

  return {
    academyOf: (what) => {
      const known = allowed.get(what)
      return known === undefined || known.untilMs <= clockMs() ? null : known.academyId
    },
    add: (academyId, what) => {
      const nowMs = clockMs()
      forget(({ untilMs }) => untilMs <= nowMs)
      allowed.set(what, { academyId, untilMs: nowMs + TRUSTED_MS })
      follow(academyId)
      leaveWhereNothingIs()
    },
  }
}
