import { test as base } from './fixtures.ts'
import { ScaleBar } from './scaleBar.ts'
import { StandIns } from './standIns.ts'

interface Fixtures {
  /** How many seconds of the devices' clock pass in one of ours. */
  pace: number
  standIns: StandIns
  bar: ScaleBar
}

/** Tests with simulated devices of their own, ten times as fast as life unless they say otherwise. */
export const test = base.extend<Fixtures>({
  pace: [10, { option: true }],
  standIns: async ({ pace }, use) => {
    const standIns = await StandIns.start(pace)
    await use(standIns)
    standIns.stop()
  },
  bar: async ({ page, standIns }, use) => use(await ScaleBar.on(page, standIns)),
})
