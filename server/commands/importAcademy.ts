import { text } from 'node:stream/consumers'
import { academyFile, fieldErrors } from '@calm-apron/contract'
import { importAcademy } from '../academies/importAcademy.ts'
import { databaseOver, openPool } from '../database/pool.ts'

// Usage: DATABASE_URL=… node importAcademy.js [--demo] < academy.json
const [flag] = process.argv.slice(2)
const { DATABASE_URL } = process.env
if (!DATABASE_URL) throw new Error('DATABASE_URL is needed.')

const parsed = academyFile.safeParse(JSON.parse(await text(process.stdin)))
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
