import { freePort, startTestApp } from '@calm-apron/scripts/testing'
import { type Held, innerLook } from './longDays/innerLook.ts'
import type { Day, DayOrder } from './longDays/tablets.ts'
import { within } from './measure.ts'
import { ownProcess } from './ownProcess.ts'

const TABLETS_PROGRAM = new URL('./longDays/tabletsProcess.ts', import.meta.url)
const TABLETS = 60
/** Minutes after which it is looked at, and after which it ends. */
const FIRST_LOOK_MIN = Number(process.env['SOAK_FIRST_MIN'] ?? 2)
const END_MIN = Number(process.env['SOAK_END_MIN'] ?? 5)
/** What is idle for a while, such as connections to the database, is let go in this time. */
const SETTLE_MS = 15_000
const MAY_GROW = 1.1

const inspectorPort = await freePort()
process.env['NODE_OPTIONS'] = `--inspect=127.0.0.1:${inspectorPort}`
const app = await startTestApp('demo')
delete process.env['NODE_OPTIONS']
const inside = await innerLook(inspectorPort)
try {
  const [first, early] = await lookAfter(FIRST_LOOK_MIN)
  const [second, late] = await lookAfter(END_MIN - FIRST_LOOK_MIN)
  const took = bothOf(first.took, second.took)
  const asked = Object.values(took).reduce((sum, { length }) => sum + length, 0)
  const failed = first.failed + second.failed
  console.log(`\n${TABLETS} tablets for ${END_MIN} minutes, ${asked} requests, ${failed} of them failed:`)
  for (const [what, times] of Object.entries(took))
    console.log(
      `  ${what.padEnd(12)} ${String(times.length).padStart(6)} times, ${within(times, 0.5).toFixed(1).padStart(6)} ms median, ${within(times, 0.99).toFixed(0).padStart(5)} ms at 99 %`,
    )
  console.log(
    `  heap after collection: ${early.heapMb.toFixed(1)} MB after ${FIRST_LOOK_MIN} min (baseline), ${late.heapMb.toFixed(1)} MB after ${END_MIN}; ratio ${(late.heapMb / early.heapMb).toFixed(2)}`,
  )
  console.log(`  handles: ${told(early)}; then ${told(late)}`)
  const isSound = late.heapMb <= MAY_GROW * early.heapMb && told(early) === told(late) && failed === 0
  console.log(isSound ? '  It holds.' : '  IT DOES NOT HOLD.')
  if (!isSound) process.exitCode = 1

  /** Lets the tablets work and go, then looks at what is held while nobody asks for anything. */
  async function lookAfter(minutes: number): Promise<[Day, Held]> {
    const order: DayOrder = { url: app.url, count: TABLETS, forMs: minutes * 60_000 }
    const day = await ownProcess<Day>(TABLETS_PROGRAM)(order)
    await new Promise((resolve) => setTimeout(resolve, SETTLE_MS))
    return [day, await inside.look()]
  }
} finally {
  inside.close()
  await app.remove()
}

function bothOf(first: Day['took'], second: Day['took']): Day['took'] {
  const names = new Set([...Object.keys(first), ...Object.keys(second)])
  return Object.fromEntries(
    [...names].map((what) => [what, [...(first[what] ?? []), ...(second[what] ?? [])]]),
  )
}

function told({ handles }: Held): string {
  return Object.entries(handles)
    .map(([kind, count]) => `${kind} ${count}`)
    .sort()
    .join(', ')
}
