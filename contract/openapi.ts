import { OpenAPIRegistry, OpenApiGeneratorV31, extendZodWithOpenApi } from '@asteasolutions/zod-to-openapi'
import { z } from 'zod'
import { API_BASE, type Endpoint, problemsOf } from './endpoints/endpoint.ts'
import { ENDPOINTS } from './endpoints/index.ts'
import { preparedFile } from './prepared/file.ts'
import { PROBLEM_MEDIA_TYPE, PROBLEM_STATUS, problem } from './problem.ts'

extendZodWithOpenApi(z)

/** The OpenAPI 3.1 document of the whole API, made from the endpoint table. */
export function openApiDocument(version: string): object {
  const registry = new OpenAPIRegistry()
  for (const [operationId, endpoint] of Object.entries<Endpoint>(ENDPOINTS)) {
    registry.registerPath({
      method: endpoint.method,
      path: endpoint.path,
      operationId,
      summary: endpoint.summary,
      security: endpoint.action === null ? [] : [{ session: [] }],
      request: {
        // Every schema of ours is made by z; the table knows them by their core only.
        params: endpoint.params as z.ZodObject,
        query: endpoint.query as z.ZodObject,
        ...(endpoint.body && {
          body: { required: true, content: { 'application/json': { schema: endpoint.body } } },
        }),
      },
      responses: { ...answers(endpoint), ...problems(endpoint) },
    })
  }
  registry.registerComponent('securitySchemes', 'session', {
    type: 'apiKey',
    in: 'cookie',
    name: 'calm_apron_session',
  })
  return new OpenApiGeneratorV31(registry.definitions).generateDocument({
    openapi: '3.1.0',
    info: { title: 'Calm Apron', version, license: { name: 'MIT' } },
    servers: [{ url: API_BASE }],
  })
}

function answers(endpoint: Endpoint) {
  const content = { 'application/json': { schema: endpoint.answer } }
  const ok = { 200: { description: endpoint.summary, content } }
  return endpoint.method === 'put' ? { ...ok, 201: { description: 'Made just now.', content } } : ok
}

function problems(endpoint: Endpoint) {
  const statuses = new Map<number, string[]>()
  for (const code of problemsOf(endpoint)) {
    const status = PROBLEM_STATUS[code]
    statuses.set(status, [...(statuses.get(status) ?? []), code])
  }
  const content = { [PROBLEM_MEDIA_TYPE]: { schema: problem } }
  return Object.fromEntries(
    [...statuses].map(([status, codes]) => [status, { description: codes.join(', '), content }]),
  )
}

/** The JSON schema of the files in which recipes, coffees and equipment travel. */
export function preparedFileSchema(): object {
  return z.toJSONSchema(preparedFile, { io: 'input' })
}
