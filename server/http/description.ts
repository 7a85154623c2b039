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

function answerOnceMade(make: () => Promise<object>): RequestHandler {
  let made: Promise<object> | null = null
  return async (_req, res) => {
    res.json(await (made ??= make()))
  }
}
