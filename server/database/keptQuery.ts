import { Column, SQL, Table, and, getTableColumns, is } from 'drizzle-orm'
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

/** Runs a query with the values that its placeholders name. */
type Run<Q extends Built> = (
  transaction: AcademyTransaction,
  values: Readonly<Record<string, unknown>>,
) => Promise<RowsOf<Q>>

/**
 * A query that is built once, and run with the values its placeholders name: to build it anew for every request would cost
 * more than to run it. Expressions come back as the driver reads them; what needs more is built as usual.
 */
export function keptQuery<Q extends Built>(build: (builder: QueryBuilder) => Q): Run<Q> {
  let kept: { query: { sql: string; params: unknown[] }; toRow: (row: unknown[]) => object } | null = null
  return async (transaction, values) => {
    if (kept === null) {
      const built = build(new QueryBuilder())
      kept = { query: built.toSQL(), toRow: rowMaker(fieldsOf(built._.selectedFields)) }
    }
    const { query, toRow } = kept
    // The rows are made of the very fields that the query's type is made of.
    const rowsOf = (rows: unknown[][]) => rows.map(toRow) as RowsOf<Q>
    return transaction._.session
      .prepareQuery<PreparedQueryConfig & { execute: RowsOf<Q> }>(query, undefined, undefined, true, rowsOf)
      .execute(values)
  }
}

/**
 * A kept query for each set of filters that is asked for together.
 * @param filters each by its name, with a placeholder for the value it goes by
 * @returns runs the one of those filters whose values are given; false and undefined ask for none
 */
export function filteredQuery<F extends string, Q extends Built>(
  filters: Readonly<Record<F, SQL>>,
  build: (builder: QueryBuilder, where: SQL | undefined) => Q,
): (
  transaction: AcademyTransaction,
  asked: Readonly<Partial<Record<F, unknown>>>,
  values?: Readonly<Record<string, unknown>>,
) => Promise<RowsOf<Q>> {
  const kept = new Map<string, Run<Q>>()
  const isFilter = (name: string): name is F => name in filters
  return (transaction, asked, values = {}) => {
    const names = Object.entries(asked).flatMap(([name, value]) =>
      value === undefined || value === false || !isFilter(name) ? [] : [name],
    )
    const shape = names.join(' ')
    const query =
      kept.get(shape) ?? keptQuery((builder) => build(builder, and(...names.map((name) => filters[name]))))
    kept.set(shape, query)
    return query(transaction, { ...asked, ...values })
  }
}

interface Field {
  path: readonly string[]
  /** Of which table it is a column; null for an expression. */
  table: Table | null
  /** Makes of what the driver read what the column's type is; null where it is that already, as most are. */
  read: ((value: unknown) => unknown) | null
}

/** In the order in which the statement selects them. */
function fieldsOf(selected: Selected, above: readonly string[] = []): Field[] {
  return Object.entries(selected).flatMap(([name, field]): Field[] => {
    const path = [...above, name]
    if (is(field, Column)) return [{ path, table: field.table, read: readerOf(field) }]
    if (is(field, SQL) || is(field, SQL.Aliased)) return [{ path, table: null, read: null }]
    if (is(field, Table)) return fieldsOf(getTableColumns(field), path)
    // What is neither is a group of them: so says the builder's own type.
    return fieldsOf(field as Selected, path)
  })
}

function readerOf(column: Column): Field['read'] {
  return column.mapFromDriverValue === Column.prototype.mapFromDriverValue
    ? null
    : (value) => column.mapFromDriverValue(value)
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
        target[member.name] = value === null || member.read === null ? value : member.read(value)
      }
    }
    return made
  }
}
