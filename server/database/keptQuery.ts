import { type SQL, and, fillPlaceholders } from 'drizzle-orm'
import { QueryBuilder } from 'drizzle-orm/pg-core'
import { keptName } from './keptStatements.ts'
import type { AcademyTransaction } from './pool.ts'
import { type Selected, rowMaker } from './rowMaker.ts'
import { rowsAsTheyCome } from './rowsAsTheyCome.ts'

interface Built {
  readonly _: { readonly selectedFields: Selected; readonly result: object[] }
  toSQL: () => { sql: string; params: unknown[] }
}
type RowsOf<Q extends Built> = Q['_']['result']

/** Runs a query with the values that its placeholders name; of its rows the first so many. */
type Run<Q extends Built> = (
  transaction: AcademyTransaction,
  values: Readonly<Record<string, unknown>>,
  most?: number | null,
) => Promise<RowsOf<Q>>

/**
 * How many rows are asked for stands in a statement that is planned once as a number, and is one of few. Given as a value it is
 * not known when the database plans a statement to keep: it thinks of a tenth of all, and goes on planning it for every request.
 */
const PORTIONS = [2, 21, 51, 101, 201, 301, 401, 501]

/**
 * A query that is built once, and run with the values its placeholders name: to build it anew for every request would cost
 * more than to run it. Its rows are made while the database still sends the rest of them. Expressions come back as the driver
 * reads them; what needs more is built as usual.
 * @param isPlannedOnce false where how its rows are found best depends on the values
 */
export function keptQuery<Q extends Built>(
  build: (builder: QueryBuilder) => Q,
  isPlannedOnce = true,
): Run<Q> {
  let kept: { sql: string; params: unknown[]; toRow: (row: unknown[]) => object } | null = null
  return async (transaction, values, most = null) => {
    if (kept === null) {
      const built = build(new QueryBuilder())
      kept = { ...built.toSQL(), toRow: rowMaker(built._.selectedFields) }
    }
    const { sql, params, toRow } = kept
    const filled = fillPlaceholders(params, values)
    const { text, more } =
      most === null ? { text: sql, more: [] } : limited(sql, filled.length, most, isPlannedOnce)
    const asked = { text, name: keptName(text), values: [...filled, ...more] }
    const rows = await rowsAsTheyCome(transaction.$client, asked, toRow)
    // They are made of the very fields that the query's type is made of.
    return most === null ? rows : rows.slice(0, most)
  }
}

function limited(sql: string, values: number, most: number, isPlannedOnce: boolean) {
  if (!isPlannedOnce) return { text: `${sql} limit $${values + 1}`, more: [most] }
  return { text: `${sql} limit ${PORTIONS.find((each) => each >= most) ?? most}`, more: [] }
}

/**
 * A kept query for each set of filters that is asked for together.
 * @param filters each by its name, with a placeholder for the value it goes by
 * @param alike those of them whose rows are found alike whatever the value is: off an index, in the order that is asked for
 * @returns runs the one of those filters whose values are given; false and undefined ask for none
 */
export function filteredQuery<F extends string, Q extends Built>(
  filters: Readonly<Record<F, SQL>>,
  alike: readonly NoInfer<F>[],
  build: (builder: QueryBuilder, where: SQL | undefined) => Q,
): (
  transaction: AcademyTransaction,
  asked: Readonly<Partial<Record<F, unknown>>>,
  values?: Readonly<Record<string, unknown>>,
  most?: number | null,
) => Promise<RowsOf<Q>> {
  const kept = new Map<string, Run<Q>>()
  const isFilter = (name: string): name is F => name in filters
  return (transaction, asked, values = {}, most = null) => {
    const names = Object.entries(asked).flatMap(([name, value]) =>
      value === undefined || value === false || !isFilter(name) ? [] : [name],
    )
    const shape = names.join(' ')
    const query =
      kept.get(shape) ??
      keptQuery(
        (builder) => build(builder, and(...names.map((name) => filters[name]))),
        names.every((name) => alike.includes(name)),
      )
    kept.set(shape, query)
    return query(transaction, { ...asked, ...values }, most)
  }
}
