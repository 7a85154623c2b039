import { ENDPOINTS } from './endpoints/index.ts'
import { openApiDocument } from './openapi.ts'

test('every endpoint stands in the document with its body and its problems', () => {
  const document = JSON.parse(JSON.stringify(openApiDocument('1.2.3'))) as {
    openapi: string
    paths: Record<string, Record<string, { operationId: string; responses: object; requestBody?: object }>>
  }
  expect(document.openapi).toBe('3.1.0')
  for (const [operationId, endpoint] of Object.entries(ENDPOINTS)) {
    const operation = document.paths[endpoint.path]?.[endpoint.method]
    expect(operation).toMatchObject({
      operationId,
      responses: { 200: expect.anything(), 503: expect.anything() },
    })
    expect(operation?.requestBody !== undefined).toBe(endpoint.body !== null)
  }
})
