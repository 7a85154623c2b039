import { API_BASE, LIVE_LINE_PATH } from '@calm-apron/contract'

/** A line that the browser gave up is opened again after this. */
const AGAIN_MS = 3000
/** The server says every fifteen seconds that it is still there; two of them missed, and nobody is. */
const SILENT_AFTER_MS = 40_000
/** Of an event source that the browser gave up. */
const CLOSED = 2

/** Who hears of a line that is held. */
export interface LineHearer {
  /** It is begun, or can't be: what was asked for after it was begun misses nothing. */
  begun: (atMs: number) => void
  stands: (stands: boolean) => void
  news: (text: string) => void
}

/** Holds the server's line until it is let go: opened again whenever it was lost, whatever the server said. */
export function holdLine({ begun, stands, news }: LineHearer): () => void {
  let line: EventSource | null = null
  let again: ReturnType<typeof setTimeout> | undefined
  let silence: ReturnType<typeof setTimeout> | undefined

  /** On Wi-Fi that hangs, or after a sleep, a line breaks without a word. */
  function hearsIt(): void {
    clearTimeout(silence)
    silence = setTimeout(open, SILENT_AFTER_MS)
  }

  function open(): void {
    if (line !== null) stands(false)
    line?.close()
    clearTimeout(again)
    line = new EventSource(`${API_BASE}${LIVE_LINE_PATH}`)
    begun(Date.now())
    hearsIt()
    listen(line)
  }

  function listen(opened: EventSource): void {
    opened.onopen = () => {
      hearsIt()
      stands(true)
    }
    opened.addEventListener('still', hearsIt)
    opened.onmessage = ({ data }: MessageEvent<string>) => {
      hearsIt()
      news(data)
    }
    opened.onerror = () => {
      stands(false)
      begun(Infinity)
      // By itself it comes back only from a line that broke, and never from a refusal.
      if (opened.readyState !== CLOSED) return
      clearTimeout(again)
      again = setTimeout(open, AGAIN_MS)
    }
  }

  open()
  return () => {
    clearTimeout(again)
    clearTimeout(silence)
    line?.close()
  }
}
