import { once } from 'node:events'
import type { Endpoint } from '@calm-apron/contract'
import type { Request, Response, Router } from 'express'
import type { z } from 'zod'
import type { House } from '../house.ts'
import { formerAnswer, isFormerPage } from './former/formerAnswer.ts'
import { type Asked, type Errand, type SignedInEndpoint, asActor, ask, routeOf } from './serve.ts'

/** A part of a document: one of its fields, or some more of one of its lists. Parts of one list follow each other. */
export type DocumentPart<D> = {
  [K in keyof D & string]: D[K] extends readonly (infer Item)[]
    ? { list: K; items: readonly Item[] }
    : { field: K; value: D[K] }
}[keyof D & string]

/** Runs a piece of the work in a transaction of its own, as whoever asked; once they may no longer, it fails. */
export type Within = <T>(work: (errand: Errand) => Promise<T>) => Promise<T>

/** Whoever takes nothing for so long is let go. */
const TAKEN_WITHIN_MS = 30_000

/**
 * Mounts an endpoint whose answer may be too large to be held: its parts are asked for and sent one after the other, no
 * faster than they are taken. What goes wrong before the first part is answered like anywhere; after it the line breaks,
 * so that half a document is never taken for a whole one.
 */
export function serveStreamed<E extends SignedInEndpoint>(
  house: House,
  router: Router,
  endpoint: E,
  parts: (asked: Asked<E>, within: Within) => AsyncIterable<DocumentPart<z.infer<E['answer']>>>,
): void {
  router[endpoint.method](routeOf(endpoint), async (req, res) => {
    const asked = ask(house, endpoint, req)
    const within: Within = (work) => asActor(house, endpoint.action, asked, work)
    const coming = parts(asked, within)[Symbol.asyncIterator]()
    const first = await coming.next()
    res.status(200).type('json')
    try {
      await send(req, res, endpoint, first, coming)
      res.end()
    } catch (error) {
      req.log.warn({ err: error }, 'a document broke off')
      res.destroy()
    } finally {
      await coming.return?.()
    }
  })
}

async function send<E extends SignedInEndpoint>(
  req: Request,
  res: Response,
  endpoint: E,
  first: IteratorResult<DocumentPart<z.infer<E['answer']>>>,
  coming: AsyncIterator<DocumentPart<z.infer<E['answer']>>>,
): Promise<void> {
  const document = documentWriter((text) => take(res, text))
  const isFormer = isFormerPage(req)
  for (let next = first; next.done !== true; next = await coming.next()) {
    const part: { field: string; value: unknown } | { list: string; items: readonly unknown[] } = next.value
    const name = 'list' in part ? part.list : part.field
    const told = { [name]: 'list' in part ? part.items : part.value }
    const value: unknown = Reflect.get(isFormer ? formerDocument(endpoint, told) : told, name)
    // Earlier pages are not told what they did not know of.
    if (value === undefined) continue
    if ('list' in part && Array.isArray(value)) await document.add(name, value)
    else await document.set(name, value)
  }
  await document.end()
}

function formerDocument(endpoint: Endpoint, told: object): object {
  const former = formerAnswer(endpoint, told)
  return typeof former === 'object' && former !== null ? former : {}
}

/** @throws {Error} when the reader has gone, or takes nothing */
async function take(res: Response, text: string): Promise<void> {
  if (res.destroyed || res.closed) throw new Error('The reader went away.')
  if (res.write(text)) return
  const gone = new AbortController()
  const leave = () => gone.abort()
  res.once('close', leave)
  try {
    await once(res, 'drain', { signal: AbortSignal.any([gone.signal, AbortSignal.timeout(TAKEN_WITHIN_MS)]) })
  } finally {
    res.off('close', leave)
  }
}

/** Writes one JSON object, field by field; lists may come in several pieces. */
function documentWriter(write: (text: string) => Promise<void>) {
  let isEmpty = true
  let openList: { name: string; isEmpty: boolean } | null = null

  const begin = (name: string) => {
    const before = `${openList === null ? '' : ']'}${isEmpty ? '{' : ','}\n`
    isEmpty = false
    openList = null
    return `${before}${JSON.stringify(name)}: `
  }
  return {
    set: (name: string, value: unknown) => write(begin(name) + JSON.stringify(value)),
    add: async (name: string, items: readonly unknown[]) => {
      if (openList?.name !== name) {
        await write(`${begin(name)}[`)
        openList = { name, isEmpty: true }
      }
      for (const item of items) {
        await write(`${openList.isEmpty ? '\n' : ',\n'}${JSON.stringify(item)}`)
        openList.isEmpty = false
      }
    },
    end: () => write(`${openList === null ? '' : ']'}\n}\n`),
  }
}
