import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Endpoint } from '@calm-apron/contract'
import type { Router } from 'express'
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
    const tell = isFormerPage(req) ? (told: object) => formerDocument(endpoint, told) : (told: object) => told
    res.status(200).type('json')
    res.setTimeout(TAKEN_WITHIN_MS, () => res.destroy())
    try {
      await pipeline(Readable.from(documentOf(first, coming, tell)), res)
    } catch (error) {
      req.log.warn({ err: error }, 'a document broke off')
      res.destroy()
    } finally {
      await coming.return?.()
    }
  })
}

function formerDocument(endpoint: Endpoint, told: object): object {
  const former = formerAnswer(endpoint, told)
  return typeof former === 'object' && former !== null ? former : {}
}

/** The text of one JSON object, field by field; lists may come in several pieces. */
async function* documentOf<D>(
  first: IteratorResult<DocumentPart<D>>,
  coming: AsyncIterator<DocumentPart<D>>,
  tell: (told: object) => object,
): AsyncGenerator<string> {
  let before = '{'
  let openList: string | null = null
  let gapAfter = ''
  for (let next = first; next.done !== true; next = await coming.next()) {
    const part: { field: string; value: unknown } | { list: string; items: readonly unknown[] } = next.value
    const name = 'list' in part ? part.list : part.field
    const value: unknown = Reflect.get(tell({ [name]: 'list' in part ? part.items : part.value }), name)
    // Earlier pages are not told what they did not know of.
    if (value === undefined) continue
    const isMore = openList === name
    if (!isMore) {
      yield `${openList === null ? '' : ']'}${before}\n${JSON.stringify(name)}: `
      before = ','
      openList = null
    }
    if (!('list' in part) || !Array.isArray(value)) {
      yield JSON.stringify(value)
      continue
    }
    if (!isMore) yield '['
    let gap: string = isMore ? gapAfter : ''
    openList = name
    for (const item of value) {
      yield `${gap}\n${JSON.stringify(item)}`
      gap = ','
    }
    gapAfter = gap
  }
  yield `${openList === null ? '' : ']'}\n}\n`
}
