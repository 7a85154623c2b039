import { once } from 'node:events'
import { Worker } from 'node:worker_threads'

/** One that ended by itself is started again after this. */
const AGAIN_MS = 5000
/** Told to stop it gets so long to finish what is in hand. */
const FINISH_WITHIN_MS = 1000

/**
 * Runs a program in a thread of its own, again and again should it end by itself. It is told to stop by the one message it is
 * sent; `stop` resolves once it has. One that takes too long over it is broken off: what it does must bear that, as a
 * transaction does.
 * @param onTrouble hears why it ended
 */
export function inThread(
  program: URL,
  onTrouble: (error: unknown) => void,
  { againMs = AGAIN_MS, finishWithinMs = FINISH_WITHIN_MS } = {},
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
      const running = thread
      if (running === null) return
      const gone = once(running, 'exit')
      running.ref()
      running.postMessage('stop')
      const overdue = setTimeout(() => void running.terminate(), finishWithinMs)
      await gone
      clearTimeout(overdue)
    },
  }
}
