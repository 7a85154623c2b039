import { createHash } from 'node:crypto'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import { type RequestHandler, Router } from 'express'

/**
 * What the API says of itself: `/openapi.json`, and the schema of the files it takes in. Made when first asked for:
 * few ask, and making it would take up half the time of every start.
 */
export function descriptionRoutes(version: string): Router {
  const routes = Router()
  const contract = () => import('@calm-apron/contract/openapi')
  routes.get(
    '/openapi.json',
    answerOnceMade(async () => (await contract()).openApiDocument(version)),
  )
  routes.get(
    '/schemas/prepared.json',
    answerOnceMade(async () => (await contract()).preparedFileSchema()),
  )
  return routes
}

/** A document as it goes out, packed and not. */
interface Made {
  plain: Buffer
  packed: Buffer
  etag: string
}

const pack = promisify(gzip)

async function madeOf(document: object): Promise<Made> {
  const plain = Buffer.from(JSON.stringify(document))
  const etag = `"${createHash('sha256').update(plain).digest('base64url')}"`
  return { plain, etag, packed: await pack(plain) }
}

/** Made and packed once: packed anew for everyone who asks it would take the server's time from those at the bar. */
function answerOnceMade(make: () => Promise<object>): RequestHandler {
  let made: Promise<Made> | null = null
  return async (req, res) => {
    const { plain, packed, etag } = await (made ??= make().then(madeOf))
    res.set({ ETag: etag, 'Cache-Control': 'no-cache', Vary: 'Accept-Encoding' }).type('json')
    if (req.fresh) {
      res.status(304).end()
      return
    }
    const isPacked = req.acceptsEncodings('gzip') === 'gzip'
    if (isPacked) res.set('Content-Encoding', 'gzip')
    res.send(isPacked ? packed : plain)
  }
}
