import { type Column, getTableColumns, getTableName } from 'drizzle-orm'
import type { PgTable } from 'drizzle-orm/pg-core'
import { keptName } from './keptStatements.ts'
import type { AcademyTransaction } from './pool.ts'
import { rowMaker } from './rowMaker.ts'
import { rowsAsTheyCome } from './rowsAsTheyCome.ts'

type Insert<T extends PgTable, Told> = (
  transaction: AcademyTransaction,
  row: T['$inferInsert'],
) => Promise<Told>

/**
 * Inserts a row. The statement is built once for each set of fields that is given: of a wide table that takes longer than to
 * insert. Fields that are not given have their defaults.
 */
export function keptInsert<T extends PgTable>(table: T): Insert<T, void> {
  const insert = inserting(table, '')
  return async (transaction, row) => void (await insert(transaction, row))
}

/** The same, and tells the row as it was stored. */
export function keptInsertTold<T extends PgTable>(table: T): Insert<T, T['$inferSelect']> {
  const insert = inserting(table, returning(table))
  return async (transaction, row) => {
    const [stored] = await insert(transaction, row)
    if (stored === undefined) throw new Error(`A row of ${getTableName(table)} was stored and not told.`)
    return stored
  }
}

/** The same; nothing (null) is told where its key is taken: what is there stays. */
export function keptInsertUnlessTaken<T extends PgTable>(table: T): Insert<T, T['$inferSelect'] | null> {
  const insert = inserting(table, ` on conflict do nothing${returning(table)}`)
  return async (transaction, row) => (await insert(transaction, row))[0] ?? null
}

function returning(table: PgTable): string {
  return ` returning ${Object.values(getTableColumns(table)).map(quoted).join(', ')}`
}

function inserting<T extends PgTable>(table: T, ending: string): Insert<T, T['$inferSelect'][]> {
  const columns = getTableColumns(table)
  const toRow = rowMaker(columns)
  const kept = new Map<string, string>()

  function textOf(fields: readonly string[]): string {
    const shape = fields.join(' ')
    const text =
      kept.get(shape) ??
      statement(
        table,
        fields.map((field) => columnOf(columns, field)),
      ) + ending
    kept.set(shape, text)
    return text
  }

  return async (transaction, row) => {
    const given = Object.entries(row).filter(([, value]) => value !== undefined)
    const text = textOf(given.map(([field]) => field))
    const values = given.map(([field, value]): unknown =>
      value === null ? null : columnOf(columns, field).mapToDriverValue(value),
    )
    const stored = await rowsAsTheyCome(transaction.$client, { text, name: keptName(text), values }, toRow)
    // They are made of the very columns that the table's type is made of.
    return stored as T['$inferSelect'][]
  }
}

function columnOf(columns: Readonly<Record<string, Column>>, field: string): Column {
  const column = columns[field]
  if (column === undefined) throw new Error(`There is no column for ${field}.`)
  return column
}

const quoted = ({ name }: Column) => `"${name}"`

function statement(table: PgTable, given: readonly Column[]): string {
  const values = given.map((_, index) => `$${index + 1}`)
  return `insert into "${getTableName(table)}" (${given.map(quoted).join(', ')}) values (${values.join(', ')})`
}
