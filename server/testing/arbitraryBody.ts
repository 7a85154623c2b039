import fc from 'fast-check'
import { z } from 'zod'

/** What a JSON schema may say, as far as ours do. */
interface Shape {
  type?: string | string[]
  properties?: Record<string, Shape>
  items?: Shape
  anyOf?: Shape[]
  oneOf?: Shape[]
  allOf?: Shape[]
  enum?: unknown[]
  const?: unknown
  format?: string
  pattern?: string
  minLength?: number
  maxLength?: number
  minimum?: number
  maximum?: number
}

/** Ids that are there, by the field that would name them; `any` for all other fields, and for slips. */
export type Ids = Readonly<Record<string, readonly string[]>> & { any: readonly string[] }

/** Values that have broken programs before. */
const HOSTILE: readonly unknown[] = [
  null,
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\u202e\u200b',
  '𝒳'.repeat(300),
  'x'.repeat(20_000),
  "'; drop table shot; --",
  '" or 1=1 --',
  '$(reboot)',
  '{{constructor.constructor("return process")()}}',
  '<script>alert(1)</script>',
  '../../etc/passwd',
  '%00',
  '0000-01-01T00:00:00Z',
  '9999-12-31T23:59:59+23:59',
  '2026-02-30',
  'NaN',
  -1,
  0,
  1e308,
  -1e308,
  5e-324,
  Number.MAX_SAFE_INTEGER,
  2_147_483_648,
  0.1 + 0.2,
  true,
  [],
  {},
  [[[[[[[[]]]]]]]],
  { length: -1 },
  { toString: 1 },
  { then: 'x' },
]
const hostile = fc.constantFrom(...HOSTILE)
const trickyKey = fc.constantFrom(
  '__proto__',
  'constructor',
  'prototype',
  'toString',
  'then',
  '',
  '$where',
  'a.b',
)

/** Bodies that mostly fit a schema: each leaf sometimes hostile, objects sometimes short or with a key too many. */
export function arbitraryOf(schema: z.core.$ZodType, ids: Ids): fc.Arbitrary<unknown> {
  const shape = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Shape
  return fc.oneof(
    // As it should be, but for which ids it names.
    { weight: 5, arbitrary: fitting(shape, ids, 0) },
    { weight: 4, arbitrary: fitting(shape, ids, 1) },
    { weight: 1, arbitrary: hostile },
    { weight: 1, arbitrary: fc.jsonValue({ maxDepth: 3 }) },
  )
}

/** `spite`: how often, in forty, a place holds something that breaks programs. */
function fitting(shape: Shape, ids: Ids, spite: number): fc.Arbitrary<unknown> {
  const asItShould = plain(shape, ids, spite)
  if (spite === 0) return asItShould
  return fc.oneof({ weight: 40, arbitrary: asItShould }, { weight: spite, arbitrary: hostile })
}

function plain(shape: Shape, ids: Ids, spite: number): fc.Arbitrary<unknown> {
  const choices = shape.anyOf ?? shape.oneOf
  if (choices) return fc.oneof(...choices.map((each) => fitting(each, ids, spite)))
  if (shape.allOf) return plain(Object.assign({}, ...shape.allOf) as Shape, ids, spite)
  if (shape.const !== undefined) return fc.constant(shape.const)
  const { type } = shape
  if (Array.isArray(type)) return fc.oneof(...type.map((each) => plain({ ...shape, type: each }, ids, spite)))
  if (shape.enum) return fc.constantFrom(...shape.enum)
  switch (shape.type) {
    case 'object':
      return object(shape, ids, spite)
    case 'array':
      return fc.array(fitting(shape.items ?? {}, ids, spite), { maxLength: 3 })
    case 'integer':
      // The first of its kind and the one after are what most numbers are.
      return fc.oneof(
        fc.constantFrom(shape.minimum ?? 0, (shape.minimum ?? 0) + 1),
        fc.integer({ min: shape.minimum ?? 0, max: Math.min(shape.maximum ?? 20, 1000) }),
      )
    case 'number':
      return fc.double({ min: shape.minimum ?? 0, max: shape.maximum ?? 100, noNaN: true })
    case 'boolean':
      return fc.boolean()
    case 'null':
      return fc.constant(null)
    case 'string':
      return text(shape, ids)
    default:
      return hostile
  }
}

function object({ properties = {} }: Shape, ids: Ids, spite: number): fc.Arbitrary<unknown> {
  const whole = fc.record(
    Object.fromEntries(
      Object.entries(properties).map(([key, each]) => [
        key,
        fitting(each, { ...ids, any: ids[key] ?? ids.any }, spite),
      ]),
    ),
  )
  if (spite === 0) return whole
  const keys = Object.keys(properties)
  return fc.oneof(
    { weight: 30, arbitrary: whole },
    {
      weight: 1,
      arbitrary: fc.tuple(whole, fc.constantFrom(...keys, 'none')).map(([value, without]) => {
        const { [without]: _gone, ...rest } = value
        return rest
      }),
    },
    {
      weight: 1,
      arbitrary: fc
        .tuple(whole, trickyKey, hostile)
        .map(([value, key, extra]) => Object.defineProperty(value, key, { value: extra, enumerable: true })),
    },
  )
}

function text({ format, pattern, minLength = 1, maxLength = 40 }: Shape, ids: Ids): fc.Arbitrary<string> {
  if (format === 'uuid') return fc.constantFrom(...ids.any)
  if (format === 'date-time')
    return fc
      .date({ min: new Date('2020-01-01'), max: new Date('2030-01-01'), noInvalidDate: true })
      .map((date) => date.toISOString())
  if (format === 'date') return fc.constantFrom('2026-11-23', '2024-02-29', '2026-02-30')
  if (pattern?.includes('{43}')) return fc.stringMatching(/^[\w-]{43}$/)
  if (pattern === '^\\d*$') return fc.stringMatching(/^\d{4,6}$/)
  return fc.oneof(
    fc.string({ unit: 'grapheme', minLength, maxLength: Math.min(maxLength, 200) }),
    fc.constantFrom('Ida Marsh', 'Atlantic/Azores', 'read the wrong line', 'tern-and-thimble-quay'),
  )
}
