import { startTestApp } from '@calm-apron/scripts/testing'
import { setTimeout } from 'node:timers/promises'
import { RULES_VERSION, SKILL_RULES } from '@calm-apron/core'
import pg from 'pg'
import { type Compared, compareRoutes } from './longDays/compareRoutes.ts'
import { fillAcademy } from './longDays/fillAcademy.ts'

/** What a year and what a hundred years of a small academy leave behind. */
const FEW = 10_000
const MANY = 1_000_000

/** So long is waited at the most until all is worked out that the shots left to be worked out. */
const SETTLED_WITHIN_S = 900

const ms = (value: number) => value.toFixed(1).padStart(6)

const app = await startTestApp('demo')
try {
  await fillAcademy(app.database.superuserUrl, 0, FEW)
  await settled(app.database.superuserUrl)
  const few = await compareRoutes(app.url, app.database.appUrl)
  const startMs = performance.now()
  await fillAcademy(app.database.superuserUrl, FEW, MANY)
  const filledS = (performance.now() - startMs) / 1000
  const settledS = await settled(app.database.superuserUrl)
  const many = await compareRoutes(app.url, app.database.appUrl)
  console.log(
    `\nOf ${MANY} shots of 500 people (filled in ${filledS.toFixed(0)} s, worked out in ${settledS.toFixed(0)} more), in ms, median:`,
  )
  console.log('                          route  the same rows by hand   ratio   more   of 10,000: ratio')
  for (const [index, each] of many.entries()) console.log(line(each, few[index]))
  for (const { name, plan } of many)
    if (plan.length > 0)
      console.log(`\n  ${name} misses its goal; its rows are found so:\n    ${plan.join('\n    ')}`)
} finally {
  await app.remove()
}

/** Waits until the background has nothing in hand any more, as on all but the first minutes of a day; tells how long. */
async function settled(superuserUrl: string): Promise<number> {
  const client = new pg.Client({ connectionString: superuserUrl })
  await client.connect()
  const startMs = performance.now()
  const sinceS = () => (performance.now() - startMs) / 1000
  try {
    for (;;) {
      const { rowCount } = await client.query(
        'select from skill_behind($1) union all select from shot_said_behind($2)',
        [SKILL_RULES, RULES_VERSION],
      )
      if (rowCount === 0) return sinceS()
      if (sinceS() > SETTLED_WITHIN_S) throw new Error('What the shots left to be worked out takes too long.')
      await setTimeout(1000)
    }
  } finally {
    await client.end()
  }
}

function line({ name, routeMs, rawMs }: Compared, few: Compared | undefined): string {
  const byHand =
    rawMs === null
      ? ''.padEnd(39)
      : `${ms(rawMs).padStart(16)} ${(routeMs / rawMs).toFixed(2).padStart(13)} ${ms(routeMs - rawMs).padStart(7)}`
  const growth = few === undefined ? '' : (routeMs / few.routeMs).toFixed(2).padStart(12)
  return `  ${name.padEnd(22)} ${ms(routeMs)} ${byHand} ${growth}`
}
