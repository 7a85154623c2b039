import { type DialInGrinder, type SessionShot, adviseGrind } from '@calm-apron/core'
import { seeded } from '@calm-apron/core/bench'
import { PUMP_RECIPE, grindShot } from '@calm-apron/core/testing'
import { time } from './measure.ts'

const GRINDER: DialInGrinder = {
  minSetting: 0,
  maxSetting: 40,
  settingStep: 1,
  finerIs: 'lower',
  touchingAt: null,
  innerBurr: null,
  lnTimePerUnit: null,
  purgeG: 3,
}
const [SHOTS, IN_SESSION, RUNS] = [500, 8, 200]

const chance = seeded(7)
function pulled(no: number): SessionShot {
  const setting = 10 + Math.floor(10 * chance.uniform())
  const stopS = 28 * Math.exp(-0.07 * (setting - 14) + chance.normal(0, 0.06))
  const where = { coffeeId: `coffee ${Math.floor(no / 50)}`, daysAgo: 1 + Math.floor(no / 25) }
  return grindShot(setting, { firstDropS: Math.min(6.5, stopS / 3), stopS }, { where })
}

/** Five hundred shots of ten coffees, and eight of this session. */
const history = Array.from({ length: SHOTS }, (_, no) => pulled(no))
const session = Array.from({ length: IN_SESSION }, () => pulled(0))
const wish = {
  coffeeId: 'coffee 0',
  basketId: null,
  doseRangeG: { min: 17.7, max: 18.3 },
  pricePerKg: null,
}
const advise = (before: readonly SessionShot[]) =>
  time(RUNS, () =>
    Promise.resolve(adviseGrind({ history: before, session, recipe: PUMP_RECIPE, grinder: GRINDER, wish })),
  )
const short = await advise([])
const long = await advise(history)
console.log('Advising a grind, one core of this machine, median:')
console.log(`  baseline, ${IN_SESSION} shots of one session   ${short.medianMs.toFixed(2)} ms`)
console.log(
  `  ${SHOTS} shots of history            ${long.medianMs.toFixed(2)} ms, ${(long.medianMs / short.medianMs).toFixed(2)} × the baseline’s time (goal: 5 ms)`,
)
