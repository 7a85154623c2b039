import { PREPARED_KINDS, kindOf } from '@calm-apron/contract'
import { z } from 'zod'
import { emptyPart } from './emptyParts.ts'
import { type FieldSpec, fieldsOf } from './fieldSpec.ts'
import { unitOf } from './fieldUnit.ts'

const specOf = (schema: z.ZodType) => fieldsOf(z.strictObject({ field: schema }))[0]

test.each<[string, z.ZodType, Partial<FieldSpec>]>([
  ['a number with its bounds', z.number().min(2).max(5), { type: 'number', isWhole: false, min: 2, max: 5 }],
  ['a whole number', z.int().min(1), { type: 'number', isWhole: true }],
  ['one of a few', z.enum(['a', 'b']), { type: 'choice', options: ['a', 'b'] }],
  ['any of a few', z.array(z.enum(['a', 'b'])), { type: 'choices', options: ['a', 'b'] }],
  ['yes or no', z.boolean(), { type: 'boolean' }],
  ['a date', z.iso.date(), { type: 'date' }],
  ['an instant', z.iso.datetime({ offset: true }), { type: 'instant' }],
  ['an id', z.uuidv7(), { type: 'id' }],
  ['a text', z.string().trim(), { type: 'text' }],
  ['a text that may be left out', z.string().nullable(), { type: 'text', isNullable: true }],
])('%s is told from its schema', (_, schema, expected) => {
  expect(specOf(schema)).toMatchObject({ name: 'field', ...expected })
})

test('parts and lists of parts hold fields of their own, refined or not', () => {
  const part = z.strictObject({ seconds: z.number() }).superRefine(() => undefined)
  expect(specOf(part.nullable())).toMatchObject({
    type: 'object',
    isNullable: true,
    fields: [{ name: 'seconds' }],
  })
  expect(specOf(z.array(part))).toMatchObject({ type: 'list', fields: [{ type: 'number' }] })
})

test('what no form can show is refused by name', () => {
  expect(() => specOf(z.map(z.string(), z.string()))).toThrow(/field/)
  expect(() => specOf(z.array(z.string()))).toThrow(/list of field/)
})

/** Every part that is asked for first, and every list, of a schema. */
function addable(fields: readonly FieldSpec[]): FieldSpec[] {
  return fields.flatMap((spec) => {
    const inner = 'fields' in spec ? addable(spec.fields) : []
    return spec.type === 'list' || (spec.type === 'object' && spec.isNullable) ? [spec, ...inner] : inner
  })
}

test.each(PREPARED_KINDS)(
  'all that can be added to a %s begins with just the fields its schema has',
  (kind) => {
    // The steps of a routine are added in a way of their own.
    const parts = addable(fieldsOf(kindOf(kind).content)).filter(({ name }) => name !== 'steps')
    for (const spec of parts) {
      const wanted = 'fields' in spec ? spec.fields.map(({ name }) => name) : []
      expect([spec.name, Object.keys(emptyPart(kind, spec.name)).sort()]).toEqual([
        spec.name,
        wanted.toSorted(),
      ])
    }
  },
)

test.each([
  ['doseG', { quantity: 'mass' }],
  ['grams', { quantity: 'mass' }],
  ['targetMl', { quantity: 'volume' }],
  ['temperatureC', { quantity: 'temperature' }],
  ['targetN', { quantity: 'force' }],
  ['gPerMl', { word: 'gPerMl' }],
  ['gPerMlSd', { word: 'gPerMl' }],
  ['timeMaxS', { word: 's' }],
  ['restDays', { word: 'days' }],
  ['hardnessDh', { word: 'dh' }],
  ['settingStep', null],
  ['sweetMin', null],
])('%s is told in its unit', (name, unit) => {
  expect(unitOf(name)).toEqual(unit)
})
