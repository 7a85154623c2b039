import type { Response } from 'express'

/** Proxies close a line on which nothing was said for long. */
const STILL_HERE_MS = 15_000
/** Under a name of its own: those who listen for it know that a line on which nothing is said still stands. */
const STILL_HERE = 'event: still\ndata: 1\n\n'
/** So much may wait for a reader; one that falls further behind is let go, and comes back for all of it. */
const MOST_UNREAD_BYTES = 256 * 1024

/** Of what sixty tablets tell twice a second each of sixty hears all: beyond so many words a second they are gathered for so long. */
const GATHERED_BEYOND = 20
const GATHER_MS = 200
/** Each reader's by a little less of its own: sixty that are written to in the same moment would keep everybody else waiting. */
const gatherMs = () => GATHER_MS * (1 - Math.random() / 4)

/** A stream of events that is written to until its reader goes, or falls too far behind. */
export interface EventStream {
  isGone: () => boolean
  /** Runs when the reader goes; at once where they have gone already. */
  onGone: (act: () => void) => void
  open: () => void
  /** @param instead what it takes the place of, where that was not sent yet */
  say: (message: object, instead?: string) => void
  end: () => void
}

/**
 * Made before anything is awaited: a reader who goes while it is still looked up who they are leaves nothing behind.
 * @param stillMay asked now and then, so that nobody listens on whose session is over
 */
export function eventStream(res: Response, stillMay: () => Promise<boolean>): EventStream {
  const leaving: (() => void)[] = []
  const gathered = gathering(write)
  let isGone = false
  res.on('close', () => {
    isGone = true
    for (const act of leaving.splice(0)) act()
  })

  function write(text: string): void {
    if (isGone || res.writableEnded) return
    res.write(text)
    letGoIfBehind()
  }

  function letGoIfBehind(): void {
    if (gathered.length() + res.writableLength > MOST_UNREAD_BYTES) res.destroy()
  }

  function onGone(act: () => void): void {
    if (isGone) act()
    else leaving.push(act)
  }

  function open(): void {
    res.writeHead(200, { 'Content-Type': 'text/event-stream', 'X-Accel-Buffering': 'no' })
    res.flushHeaders()
    const stillHere = setInterval(
      () => void stillMay().then((may) => may && write(STILL_HERE)),
      STILL_HERE_MS,
    )
    stillHere.unref()
    onGone(() => clearInterval(stillHere))
    onGone(gathered.drop)
  }

  return {
    isGone: () => isGone,
    onGone,
    open,
    say: (message, instead) => {
      if (isGone) return
      gathered.add(textOf(message), instead)
      letGoIfBehind()
    },
    end: () => {
      gathered.send()
      res.end()
    },
  }
}

/** Whether it is more than so many a second, this second or the one before. */
function muchOf(many: number): (nowMs: number) => boolean {
  let [second, now, before] = [0, 0, 0]
  return (nowMs) => {
    const current = Math.floor(nowMs / 1000)
    if (current !== second) [second, before, now] = [current, current === second + 1 ? now : 0, 0]
    now += 1
    return Math.max(now, before) > many
  }
}

/** Sends at once, or where that would be very often, together what was said since. */
function gathering(write: (text: string) => void) {
  const texts = new Map<string | number, string>()
  const isMuch = muchOf(GATHERED_BEYOND)
  const everyMs = gatherMs()
  let [length, count, sentAtMs] = [0, 0, -Infinity]
  let later: ReturnType<typeof setTimeout> | undefined

  function drop(): void {
    clearTimeout(later)
    later = undefined
    texts.clear()
    length = 0
  }

  function send(): void {
    const all = [...texts.values()].join('')
    drop()
    if (all === '') return
    sentAtMs = performance.now()
    write(all)
  }

  function add(text: string, instead: string | number = count++): void {
    length += text.length - (texts.get(instead)?.length ?? 0)
    // It stands where it was said last, behind what was said before it.
    texts.delete(instead)
    texts.set(instead, text)
    const nowMs = performance.now()
    const dueMs = isMuch(nowMs) ? sentAtMs + everyMs - nowMs : 0
    if (later !== undefined) return
    if (dueMs <= 0) send()
    else later = setTimeout(send, dueMs).unref()
  }

  return { add, send, drop, length: () => length }
}

const texts = new WeakMap<object, string>()

/** Written once for all to whom the very same is said. */
function textOf(message: object): string {
  const known = texts.get(message)
  if (known !== undefined) return known
  const text = `data: ${JSON.stringify(message)}\n\n`
  texts.set(message, text)
  return text
}
