import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Express } from 'express'
import type { Somebody } from './world.ts'

/** The app at a port of its own, for what is read as it comes. */
export async function listening(
  app: Express,
): Promise<{ at: (path: string) => string; close: () => Promise<unknown> }> {
  const http = createServer(app)
  await new Promise<void>((resolve) => http.listen(0, '127.0.0.1', resolve))
  const { port } = http.address() as AddressInfo
  const close = () => {
    http.closeAllConnections()
    return new Promise((resolve) => http.close(resolve))
  }
  return { at: (path) => `http://127.0.0.1:${port}/api/v1${path}`, close }
}

/** Follows a line until enough was heard; `first` resolves with the first word, which says that it stands. */
export async function hear<M>(
  url: string,
  who: Somebody,
  schema: { parse: (message: unknown) => M },
  enough: (all: M[]) => boolean,
): Promise<{ status: number; first: Promise<void>; all: Promise<M[]>; leave: () => void }> {
  const stop = new AbortController()
  const answer = await fetch(url, { headers: { Cookie: who.cookie }, signal: stop.signal })
  const heard: M[] = []
  let say: () => void = () => undefined
  const first = new Promise<void>((resolve) => (say = resolve))
  const all = (async () => {
    const words = new TextDecoder()
    try {
      for await (const chunk of answer.body ?? []) {
        for (const line of words.decode(chunk).split('\n'))
          if (line.startsWith('data: ')) heard.push(schema.parse(JSON.parse(line.slice(6))))
        if (heard.length > 0) say()
        if (enough(heard)) break
      }
    } catch (error) {
      // Whoever left hears no more.
      if (!stop.signal.aborted) throw error
    }
    stop.abort()
    return heard
  })()
  return { status: answer.status, first, all, leave: () => stop.abort() }
}
