import { type FactRow, type FactRows, type LaterIn, type ValueOf, nothingOf } from '@calm-apron/core'
import { z } from 'zod'
import { within } from './primitives.ts'

function schemaOf(row: FactRow): z.ZodType {
  switch (row.kind) {
    case 'answer':
      return z.boolean().nullable()
    case 'choice':
      return z.enum(row.of).nullable()
    case 'several':
      return z.array(z.enum(row.of)).max(row.of.length)
    case 'amount':
      return within(row.bounds).nullable()
    case 'rating':
      return (row.isWhole ? z.int() : z.number()).min(row.bounds.min).max(row.bounds.max).nullable()
  }
}

type Schemas<T> = { [N in Exclude<keyof T, LaterIn<T>>]: z.ZodType<ValueOf<T[N]>> } & {
  [N in LaterIn<T>]: z.ZodExactOptional<z.ZodType<ValueOf<T[N]>>>
}
type LenientSchemas<T> = { [N in keyof T]: z.ZodType<ValueOf<T[N]>> }

/** Schemas for rows of the table of facts, name by name. */
export function factSchemas<T extends FactRows>(rows: T): Schemas<T> {
  const schemas = Object.entries(rows).map(([name, row]) => {
    const schema = schemaOf(row)
    return [name, row.isLater === true ? schema.exactOptional() : schema]
  })
  // Object.fromEntries forgets which name has which schema; `schemaOf` and `ValueOf` say the same, kind by kind.
  return Object.fromEntries(schemas) as Schemas<T>
}

/**
 * Schemas for rows that may be left out, as pages of former releases and records of former years leave out what was not
 * asked yet: then nothing is known of them.
 */
export function lenientFactSchemas<T extends FactRows>(rows: T): LenientSchemas<T> {
  const nothing: Readonly<Record<string, unknown>> = nothingOf(rows)
  const lenient = Object.entries(rows).map(([name, row]) => [name, schemaOf(row).default(nothing[name])])
  return Object.fromEntries(lenient) as LenientSchemas<T>
}
