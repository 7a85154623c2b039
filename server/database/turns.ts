import { Refusal } from '../refusal.ts'

/** Who waits, and since when. */
interface Waiting {
  go: () => void
  giveUp: (why: Refusal) => void
}

interface Line {
  running: number
  waiting: Waiting[]
}

export interface TurnLimits {
  /** So many pieces of work at once, of all together. */
  atOnce: number
  /** So many at once of one. */
  each: number
  /** So many of one may wait for their turn. */
  mostWaiting: number
  /** So long anything waits, in ms. */
  within: number
}

/** Turns at something that serves only so many at once. */
export interface Turns {
  /**
   * Runs `work` when its turn has come. Those who want something take turns, however much any of them asks at once.
   * @throws {Refusal} `overloaded` to one of whom too much waits already, and when no turn came in time
   */
  take: <T>(who: string, work: () => Promise<T>) => Promise<T>
}

/** Serves as many at once as the limits say, whoever is next in turn first. */
export function fairTurns({ atOnce, each, mostWaiting, within }: TurnLimits): Turns {
  // In the order of their turns: whoever was served goes to the end.
  const lines = new Map<string, Line>()
  let running = 0

  async function take<T>(who: string, work: () => Promise<T>): Promise<T> {
    await turnOf(who)
    try {
      return await work()
    } finally {
      leave(who)
    }
  }

  function turnOf(who: string): Promise<void> {
    const line = lines.get(who) ?? { running: 0, waiting: [] }
    lines.set(who, line)
    if (line.waiting.length >= mostWaiting) throw overloaded()
    return new Promise((resolve, reject) => {
      const overdue = setTimeout(() => waiting.giveUp(overloaded()), within)
      const waiting: Waiting = {
        go: () => {
          clearTimeout(overdue)
          resolve()
        },
        giveUp: (why) => {
          line.waiting.splice(line.waiting.indexOf(waiting), 1)
          forgetIfIdle(who, line)
          reject(why)
        },
      }
      line.waiting.push(waiting)
      callNext()
    })
  }

  function leave(who: string): void {
    running -= 1
    const line = lines.get(who)
    if (line !== undefined) {
      line.running -= 1
      forgetIfIdle(who, line)
    }
    callNext()
  }

  function forgetIfIdle(who: string, line: Line): void {
    if (line.running === 0 && line.waiting.length === 0) lines.delete(who)
  }

  function callNext(): void {
    while (running < atOnce) {
      const next = [...lines].find(([, line]) => line.waiting.length > 0 && line.running < each)
      if (next === undefined) return
      const [who, line] = next
      lines.delete(who)
      lines.set(who, line)
      line.running += 1
      running += 1
      line.waiting.shift()?.go()
    }
  }

  return { take }
}

function overloaded(): Refusal {
  return new Refusal(
    'overloaded',
    'There is too much to do at once. Nothing was stored; try again in a moment.',
  )
}
