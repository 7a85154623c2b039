import { ENDPOINTS, problem } from '@calm-apron/contract'
import { openApiDocument } from '@calm-apron/contract/openapi'
import type { Shape } from '@calm-apron/contract'
import { z } from 'zod'

interface JsonSchema {
  type?: string | string[]
  properties?: Record<string, JsonSchema>
  additionalProperties?: boolean | JsonSchema
  items?: JsonSchema
  enum?: unknown[]
  const?: unknown
  oneOf?: JsonSchema[]
  anyOf?: JsonSchema[]
}

interface Document {
  paths: Record<string, Record<string, { operationId: string; responses: Record<string, Response> }>>
}
interface Response {
  content: Record<string, { schema: JsonSchema }>
}

/** What each endpoint answers today, and how it refuses, as far as a strict page looks: keys, words, and which of several shapes. */
export function answerShapes(): Record<string, Shape> {
  const document = openApiDocument('0') as Document
  const operations = Object.values(document.paths).flatMap((methods) => Object.values(methods))
  const shapes = operations.map(({ operationId, responses }): [string, Shape] => {
    const schema = responses['200']?.content['application/json']?.schema
    if (schema === undefined || !(operationId in ENDPOINTS))
      throw new Error(`${operationId} answers nothing.`)
    return [operationId, shapeOf(schema)]
  })
  return { ...Object.fromEntries(shapes), problem: shapeOf(z.toJSONSchema(problem) as JsonSchema) }
}

function shapeOf(schema: JsonSchema): Shape {
  const ways = (schema.oneOf ?? schema.anyOf)?.filter(({ type }) => type !== 'null')
  if (ways !== undefined) return ways.length === 1 && ways[0] ? shapeOf(ways[0]) : choiceOf(ways)
  if (schema.items !== undefined) return [shapeOf(schema.items)]
  if (schema.properties !== undefined)
    return Object.fromEntries(Object.entries(schema.properties).map(([key, each]) => [key, shapeOf(each)]))
  if (typeof schema.additionalProperties === 'object') return { '*': shapeOf(schema.additionalProperties) }
  const words = wordsOf(schema)
  return words.length > 0 ? words.join('|') : 1
}

function wordsOf(schema: JsonSchema): string[] {
  return [...(schema.enum ?? []), schema.const].filter((word) => typeof word === 'string')
}

/** Objects of which one word tells which it is. */
function choiceOf(ways: readonly JsonSchema[]): Shape {
  const by = Object.keys(ways[0]?.properties ?? {}).find((key) =>
    ways.every(({ properties }) => wordsOf(properties?.[key] ?? {}).length === 1),
  )
  // Numbers or words, as in a list of what may stand there: nothing to look at.
  if (by === undefined) return 1
  const each = ways.map((way): [string, Shape] => [wordsOf(way.properties?.[by] ?? {}).join(), shapeOf(way)])
  return { '?': by, ...Object.fromEntries(each) }
}
