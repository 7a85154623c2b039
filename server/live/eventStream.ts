import type { Response } from 'express'

/** Proxies close a line on which nothing was said for long. */
const STILL_HERE_MS = 15_000
/** Under a name of its own: those who listen for it know that a line on which nothing is said still stands. */
const STILL_HERE = 'event: still\ndata: 1\n\n'
/** So much may wait for a reader; one that falls further behind is let go, and comes back for all of it. */
const MOST_UNREAD_BYTES = 256 * 1024

/** A stream of events that is written to until its reader goes, or falls too far behind. */
export interface EventStream {
  isGone: () => boolean
  /** Runs when the reader goes; at once where they have gone already. */
  onGone: (act: () => void) => void
  open: () => void
  say: (message: object) => void
  end: () => void
}

/**
 * Made before anything is awaited: a reader who goes while it is still looked up who they are leaves nothing behind.
 * @param stillMay asked now and then, so that nobody listens on whose session is over
 */
export function eventStream(res: Response, stillMay: () => Promise<boolean>): EventStream {
  const leaving: (() => void)[] = []
  let isGone = false
  res.on('close', () => {
    isGone = true
    for (const act of leaving.splice(0)) act()
  })

  function write(text: string): void {
    if (isGone || res.writableEnded) return
    res.write(text)
    if (res.writableLength > MOST_UNREAD_BYTES) res.destroy()
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
  }

  return {
    isGone: () => isGone,
    onGone,
    open,
    say: (message) => write(textOf(message)),
    end: () => res.end(),
  }
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
