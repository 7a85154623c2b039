import { Column, SQL, Table, getTableColumns, is } from 'drizzle-orm'
import { type PreparedQueryConfig, QueryBuilder } from 'drizzle-orm/pg-core'
import type { AcademyTransaction } from './pool.ts'

/** What is selected: columns and expressions, also by the groups they come back in. */
interface Selected {
  [name: string]: unknown
}
interface Built {
  readonly _: { readonly selectedFields: Selected; readonly result: object[] }
  toSQL: () => { sql: string; params: unknown[] }
}
type RowsOf<Q extends Built> = Q['_']['result']

/**
 * A query that is built once for each of its shapes, and run with the values its placeholders name: to build it anew for
 * every request would cost more than to run it. A shape is whatever in it is not a value, such as which conditions it has.
 * Expressions come back as the driver reads them; what needs more is built as usual.
 */
export function keptQuery<Q extends Built, Shape extends string>(
  build: (builder: QueryBuilder, shape: Shape) => Q,
): (transaction: AcademyTransaction, shape: Shape, values: Record<string, unknown>) => Promise<RowsOf<Q>> {
  const kept = new Map<
    Shape,
    { query: { sql: string; params: unknown[] }; toRow: (row: unknown[]) => object }
  >()
  return async (transaction, shape, values) => {
    let known = kept.get(shape)
    if (known === undefined) {
      const built = build(new QueryBuilder(), shape)
      known = { query: built.toSQL(), toRow: rowMaker(fieldsOf(built._.selectedFields)) }
      kept.set(shape, known)
    }
    const { query, toRow } = known
    // The rows are made of the very fields that the query's type is made of.
    const rowsOf = (rows: unknown[][]) => rows.map(toRow) as RowsOf<Q>
    return transaction._.session
      .prepareQuery<PreparedQueryConfig & { execute: RowsOf<Q> }>(query, undefined, undefined, true, rowsOf)
      .execute(values)
  }
}

interface Field {
  path: readonly string[]
  /** Of which table it is a column; null for an expression. */
  table: Table | null
  read: (value: unknown) => unknown
}

/** In the order in which the statement selects them. */
function fieldsOf(selected: Selected, above: readonly string[] = []): Field[] {
  return Object.entries(selected).flatMap(([name, field]): Field[] => {
    const path = [...above, name]
    if (is(field, Column))
      return [{ path, table: field.table, read: (value) => field.mapFromDriverValue(value) }]
    if (is(field, SQL) || is(field, SQL.Aliased)) return [{ path, table: null, read: (value) => value }]
    if (is(field, Table)) return fieldsOf(getTableColumns(field), path)
    // What is neither is a group of them: so says the builder's own type.
    return fieldsOf(field as Selected, path)
  })
}

/** The fields of one group, or (null) those that stand in none. */
interface Group {
  name: string | null
  /** Of columns of one table, and therefore nothing where a join found no row of it. */
  isOfOneTable: boolean
  fields: { name: string; index: number; read: Field['read'] }[]
}

function groupsOf(fields: readonly Field[]): Group[] {
  const groups = new Map<string | null, Group & { table: Table | null }>()
  for (const [index, { path, table, read }] of fields.entries()) {
    const name = path.length > 1 ? (path[0] ?? null) : null
    const group = groups.get(name) ?? { name, table, isOfOneTable: true, fields: [] }
    group.isOfOneTable &&= table !== null && table === group.table
    group.fields.push({ name: path.at(-1) ?? '', index, read })
    groups.set(name, group)
  }
  return [...groups.values()]
}

function rowMaker(fields: readonly Field[]): (row: readonly unknown[]) => object {
  const groups = groupsOf(fields)
  return (row) => {
    const made: Record<string, unknown> = {}
    for (const { name, isOfOneTable, fields: members } of groups) {
      if (name !== null && isOfOneTable && members.every(({ index }) => row[index] === null)) {
        made[name] = null
        continue
      }
      const target: Record<string, unknown> = name === null ? made : (made[name] = {})
      for (const member of members) {
        const value = row[member.index]
        target[member.name] = value === null ? null : member.read(value)
      }
    }
    return made
  }
}
