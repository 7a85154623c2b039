import { readFile } from 'node:fs/promises'
import { text } from 'node:stream/consumers'
import { academyFile, fieldErrors } from '@calm-apron/contract'
import { importAcademy } from '../academies/importAcademy.ts'
import { databaseOver, openPool } from '../database/pool.ts'

// Usage: DATABASE_URL=… node importAcademy.js academy.json|- [--demo]; from a pipe with a dash
const [path, flag] = process.argv.slice(2)
const { DATABASE_URL } = process.env
if (path === undefined || !DATABASE_URL) throw new Error('A file name and DATABASE_URL are needed.')

const told = path === '-' ? await text(process.stdin) : await readFile(path, 'utf8')
const parsed = academyFile.safeParse(JSON.parse(told))
if (!parsed.success) {
  for (const { path: field, message } of fieldErrors(parsed.error)) console.error(`${field}: ${message}`)
  process.exit(2)
}

const pool = openPool(DATABASE_URL, (error) => console.error(error.message))
try {
  const stored = await importAcademy(databaseOver(pool), parsed.data, new Date(), flag === '--demo')
  console.log(
    stored ? `Loaded ${parsed.data.academy.name}.` : `${parsed.data.academy.name} is there already.`,
  )
} finally {
  await pool.end()
}
