import { join } from 'node:path'
import express, { Router } from 'express'
import { refuseUnknownPath } from './problems.ts'

/** The built web app: hashed assets for good, and its one page for every place in it. */
export function webRoutes(webFolder: string): Router {
  const router = Router()
  router.use(
    '/assets',
    express.static(join(webFolder, 'assets'), { immutable: true, maxAge: '1y', index: false }),
    refuseUnknownPath,
  )
  router.use(express.static(webFolder, { index: false }))
  router.get('/{*place}', (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile(join(webFolder, 'index.html'))
  })
  return router
}
