import { once } from 'node:events'
import { Worker } from 'node:worker_threads'

/** One that ended by itself is started again after this. */
const AGAIN_MS = 5000

/**
 * Runs a program in a thread of its own, again and again should it end by itself. It is told to stop by the one message it is
 * sent; `stop` resolves once it has.
 * @param onTrouble hears why it ended
 */
export function inThread(
  program: URL,
  onTrouble: (error: unknown) => void,
  againMs = AGAIN_MS,
): { stop: () => Promise<void> } {
  let thread: Worker | null = null
  let again: ReturnType<typeof setTimeout> | undefined
  let isStopping = false

  function start(): void {
    thread = new Worker(program)
    thread.unref()
    thread.on('error', onTrouble)
    thread.once('exit', () => {
      thread = null
      if (isStopping) return
      again = setTimeout(start, againMs)
      again.unref()
    })
  }

  start()
  return {
    stop: async () => {
      isStopping = true
      clearTimeout(again)
      if (thread === null) return
      const gone = once(thread, 'exit')
      thread.ref()
      thread.postMessage('stop')
      await gone
    },
  }
}
