import pg from 'pg'

const { builtins } = pg.types
/** Days and instants come as the text that the columns read; what the driver made of them would be made once more. */
const AS_SENT: ReadonlySet<number> = new Set([builtins.DATE, builtins.TIMESTAMP, builtins.TIMESTAMPTZ])
const TYPES: pg.CustomTypesConfig = {
  getTypeParser: (oid, format) =>
    AS_SENT.has(oid) ? (text: string) => text : (pg.types.getTypeParser(oid, format) as unknown),
}

/** Asks, and makes of each row what is wanted as soon as it is here: the database goes on to the next one meanwhile. */
export function rowsAsTheyCome<T>(
  client: pg.ClientBase,
  asked: { text: string; name: string | undefined; values: unknown[] },
  toRow: (row: unknown[]) => T,
): Promise<T[]> {
  return new Promise((resolve, reject) => {
    const made: T[] = []
    let failed: Error | null = null
    const config: pg.QueryArrayConfig = { ...asked, rowMode: 'array', types: TYPES }
    const query = new pg.Query<unknown[]>(config)
    query.on('row', (row) => {
      // Thrown here it would break the connection, and not this one question.
      try {
        if (failed === null) made.push(toRow(row))
      } catch (error) {
        failed = new Error('A row could not be read.', { cause: error })
      }
    })
    query.on('error', reject)
    query.on('end', () => (failed === null ? resolve(made) : reject(failed)))
    client.query(query)
  })
}
