import { z } from 'zod'

/** One field of a schema, as a form or a list of facts shows it. */
export type FieldSpec = { name: string; isNullable: boolean } & (
  | { type: 'text' | 'date' | 'instant' | 'id' | 'boolean' }
  | { type: 'number'; isWhole: boolean; min: number | null; max: number | null }
  | { type: 'choice'; options: readonly string[] }
  | { type: 'choices'; options: readonly string[] }
  | { type: 'object'; fields: readonly FieldSpec[] }
  | { type: 'list'; fields: readonly FieldSpec[] }
)

/**
 * The fields of an object schema, in its order; forms are made from these, so that they can't differ from what is sent.
 * @throws {TypeError} for a schema that no form of ours can show
 */
export function fieldsOf(schema: z.ZodObject): FieldSpec[] {
  // Zod types the parts of a shape as its core's; those of ours are all made by z.
  return Object.entries(schema.shape).map(([name, field]) => specOf(name, field as z.ZodType))
}

function specOf(name: string, schema: z.ZodType, isNullable = false): FieldSpec {
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodExactOptional)
    return specOf(name, schema.unwrap() as z.ZodType, true)
  // What a former page leaves out is asked for here like everything else.
  if (schema instanceof z.ZodDefault) return specOf(name, schema.unwrap() as z.ZodType, isNullable)
  const named = { name, isNullable }
  if (schema instanceof z.ZodObject) return { ...named, type: 'object', fields: fieldsOf(schema) }
  if (schema instanceof z.ZodArray) return listSpec(named, schema.element as z.ZodType)
  if (schema instanceof z.ZodEnum) return { ...named, type: 'choice', options: schema.options.map(String) }
  if (schema instanceof z.ZodBoolean) return { ...named, type: 'boolean' }
  if (schema instanceof z.ZodNumber)
    return { ...named, type: 'number', isWhole: schema.format !== null, ...boundsOf(schema) }
  if (schema instanceof z.ZodISODate) return { ...named, type: 'date' }
  if (schema instanceof z.ZodISODateTime) return { ...named, type: 'instant' }
  if (schema instanceof z.ZodUUID) return { ...named, type: 'id' }
  if (schema instanceof z.ZodString) return { ...named, type: 'text' }
  throw new TypeError(`No form knows how to show ${name}.`)
}

function listSpec(named: { name: string; isNullable: boolean }, element: z.ZodType): FieldSpec {
  if (element instanceof z.ZodEnum) return { ...named, type: 'choices', options: element.options.map(String) }
  if (element instanceof z.ZodObject) return { ...named, type: 'list', fields: fieldsOf(element) }
  throw new TypeError(`No form knows how to show a list of ${named.name}.`)
}

function boundsOf({ minValue, maxValue }: z.ZodNumber): { min: number | null; max: number | null } {
  return { min: minValue, max: maxValue }
}
