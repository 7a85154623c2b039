import { statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { CHECKOUT, packPage, startTestApp } from '@calm-apron/scripts/testing'
import { answerShapes } from './answerShapes.ts'
import { sendOneOfEach } from './sendOneOfEach.ts'

/**
 * Keeps what the next release is tried against: this one's page, its records, what was sent to make the newest of
 * them, and the shape of its answers, which lies with the server that gives them.
 */
const KEPT = join(CHECKOUT, 'e2e/releases')
const page = join(KEPT, 'page.tgz')

writeFileSync(join(CHECKOUT, 'server/http/former/answers.json'), `${JSON.stringify(answerShapes())}\n`)
packPage(page)
const app = await startTestApp()
try {
  const writes = await sendOneOfEach(app.url)
  writeFileSync(join(KEPT, 'writes.json'), `${JSON.stringify(writes, null, 1)}\n`)
  app.database.keepAs(join(KEPT, 'records.dump'))
} finally {
  await app.remove()
}
console.log(
  `Kept: the page in ${Math.round(statSync(page).size / 1000)} kB, records, writes, shapes of answers.`,
)
