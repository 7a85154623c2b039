import { Column, SQL, Table, getTableColumns, is } from 'drizzle-orm'

/** What is selected: columns and expressions, also by the groups they come back in. */
export interface Selected {
  [name: string]: unknown
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

/** Makes what is told of a row out of what the driver read, in the order in which the statement selects it. */
export function rowMaker(selected: Selected): (row: readonly unknown[]) => object {
  const groups = groupsOf(fieldsOf(selected))
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
