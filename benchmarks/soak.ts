import { freePort, startTestApp } from '@calm-apron/scripts/testing'
import { type Held, innerLook } from './longDays/innerLook.ts'
import { tabletsAt } from './longDays/tablets.ts'

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
  const day = await tabletsAt(app.url, TABLETS)
  const early = await lookAfter(FIRST_LOOK_MIN)
  const late = await lookAfter(END_MIN - FIRST_LOOK_MIN)
  console.log(
    `\n${TABLETS} tablets for ${END_MIN} minutes, ${day.asked()} requests, ${day.failed()} of them failed:`,
  )
  for (const { what, medianMs, p99Ms, times } of day.took())
    console.log(
      `  ${what.padEnd(12)} ${String(times).padStart(6)} times, ${medianMs.toFixed(1).padStart(6)} ms median, ${p99Ms.toFixed(0).padStart(5)} ms at 99 %`,
    )
  console.log(
    `  heap after collection: ${early.heapMb.toFixed(1)} MB after ${FIRST_LOOK_MIN} min (baseline), ${late.heapMb.toFixed(1)} MB after ${END_MIN}; ratio ${(late.heapMb / early.heapMb).toFixed(2)}`,
  )
  console.log(`  handles: ${told(early)}; then ${told(late)}`)
  const isSound = late.heapMb <= MAY_GROW * early.heapMb && told(early) === told(late) && day.failed() === 0
  console.log(isSound ? '  It holds.' : '  IT DOES NOT HOLD.')
  if (!isSound) process.exitCode = 1

  /** Lets the tablets work, then rest, and looks at what is held while nobody asks for anything. */
  async function lookAfter(minutes: number): Promise<Held> {
    await day.workFor(minutes * 60_000)
    await new Promise((resolve) => setTimeout(resolve, SETTLE_MS))
    return inside.look()
  }
} finally {
  inside.close()
  await app.remove()
}

function told({ handles }: Held): string {
  return Object.entries(handles)
    .map(([kind, count]) => `${kind} ${count}`)
    .sort()
    .join(', ')
}
