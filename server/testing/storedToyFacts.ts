/**
 * What the server keeps of facts that were added to the table alone, as JSON: to its columns, through the database's JSON, and
 * back. Run in a process of its own by `toyFacts.test.ts`.
 */
import { addToyFacts, carefulShot } from '@calm-apron/core/testing'

addToyFacts()
const { shotFacts } = await import('@calm-apron/contract')
const { noNotes } = await import('@calm-apron/core')
const { toColumns, toFacts } = await import('../shots/factsRow.ts')

const toys = { toyStatic: false, toyGlow: 'dim', toyHeightMm: 3 }
const sent = shotFacts.parse({ ...carefulShot(), noted: { ...noNotes(), ...toys } })
const columns = toColumns(sent)
// What the row says beside its facts is not looked at.
const row = JSON.parse(JSON.stringify(columns)) as Parameters<typeof toFacts>[0]
process.stdout.write(JSON.stringify({ sent, came: toFacts(row) }))
process.exit(0)
