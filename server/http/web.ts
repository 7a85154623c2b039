import { join } from 'node:path'
import { Router } from 'express'
import sirv from 'sirv'
import { refuseUnknownPath } from './problems.ts'

/** The build lays each file down packed as well, so that nothing is packed anew for every visitor. */
const PACKED = { brotli: true, gzip: true, extensions: [] }

/** The built web app: hashed assets for good, and its one page for every place in it. */
export function webRoutes(webFolder: string): Router {
  const router = Router()
  router.use(
    '/assets',
    sirv(join(webFolder, 'assets'), { ...PACKED, immutable: true, maxAge: 31_536_000 }),
    refuseUnknownPath,
  )
  router.use(sirv(webFolder, { ...PACKED, etag: true, maxAge: 0 }))
  router.get('/{*place}', (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile(join(webFolder, 'index.html'))
  })
  return router
}
