import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import type { Request, Response } from 'express'

/** Answers are made anew for everyone: a few bytes less are not worth the processor's time of all others. */
export const LIGHTLY = { level: 1, brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 1 } } }

/** Shorter ones fit into a packet or two as they are. */
const WORTH_PACKING = 1024
/** What is longer is packed piece by piece beside everything else. */
const AT_ONCE = 262_144

/**
 * Answers with JSON, packed as whoever asked can take it. In one piece: to hand each short answer to another thread and
 * back, and to send it in three pieces, takes longer than to pack it.
 */
export function answerJson(req: Request, res: Response, status: number, answer: unknown): void {
  const body = Buffer.from(JSON.stringify(answer))
  res.status(status).type('json').vary('Accept-Encoding')
  const encoding = body.length < WORTH_PACKING || body.length > AT_ONCE ? false : taken(req)
  if (encoding !== false) res.set('Content-Encoding', encoding)
  if (encoding === 'br') res.send(brotliCompressSync(body, LIGHTLY.brotli))
  else res.send(encoding === 'gzip' ? gzipSync(body, LIGHTLY) : body)
}

/** Of both the one that packs more in less time. */
function taken(req: Request): 'br' | 'gzip' | false {
  if (req.acceptsEncodings('br') === 'br') return 'br'
  return req.acceptsEncodings('gzip') === 'gzip' ? 'gzip' : false
}
