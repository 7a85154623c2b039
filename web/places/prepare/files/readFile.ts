import { type FileThing, type Prepared, preparedFile } from '@calm-apron/contract'
import { coffeesFromCsv, missingColumns } from './coffeeCsv.ts'
import type { FileRow } from './importRows.ts'

/** Why a file can't be read at all. */
export type FileIssue = 'not-json' | 'not-ours' | 'empty' | 'no-name-column'

export type ReadFile = { ok: true; rows: FileRow[] } | { ok: false; issue: FileIssue }

/** Reads a file that was chosen: our JSON, or a CSV of coffees. Whether each row can be taken is asked later. */
export function readPreparedFile(
  fileName: string,
  text: string,
  coffees: readonly Prepared<'coffee'>[],
): ReadFile {
  const isCsv = fileName.toLowerCase().endsWith('.csv')
  if (text.trim() === '') return { ok: false, issue: 'empty' }
  return isCsv ? readCsv(text, coffees) : readJson(text)
}

function readCsv(text: string, coffees: readonly Prepared<'coffee'>[]): ReadFile {
  if (missingColumns(text).length > 0) return { ok: false, issue: 'no-name-column' }
  const rows = coffeesFromCsv(text, coffees)
  return rows.length === 0 ? { ok: false, issue: 'empty' } : { ok: true, rows }
}

function readJson(text: string): ReadFile {
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    return { ok: false, issue: 'not-json' }
  }
  // The rows are judged one by one, so that one bad row does not cost the others.
  const shell = preparedFile.omit({ things: true }).loose().safeParse(read)
  const things = shell.success ? shell.data['things'] : null
  if (!Array.isArray(things)) return { ok: false, issue: 'not-ours' }
  const rows = things.map((each: unknown): FileRow =>
    typeof each === 'object' && each !== null ? { ...each } : { thing: each },
  )
  return rows.length === 0 ? { ok: false, issue: 'empty' } : { ok: true, rows }
}

/** What a file of recipes or equipment holds of everything that is prepared. */
export function onlyKinds(
  things: readonly FileThing[],
  kinds: readonly FileThing['thing']['kind'][],
): FileThing[] {
  return things.filter(({ thing }) => kinds.includes(thing.kind))
}
