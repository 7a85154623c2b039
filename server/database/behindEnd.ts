import { type SQL, sql } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'

/** Where a page of the newest first ended: an instant and an id, or where they will stand. */
interface End {
  at: unknown
  id: unknown
}

/** Of a kept query: the values are told as `afterAt` and `afterId`. */
const END: End = { at: sql.placeholder('afterAt'), id: sql.placeholder('afterId') }

/** That a row comes after where a page of the newest first ended. */
export function behindEnd(at: AnyPgColumn, id: AnyPgColumn, end: End = END): SQL {
  return sql`(${at}, ${id}) < (${end.at}::timestamptz, ${end.id}::uuid)`
}
