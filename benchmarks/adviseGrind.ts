import { type DialInGrinder, type GrindShot, adviseGrind, readShot, unknownFacts } from '@calm-apron/core'
import { seeded } from '@calm-apron/core/bench'
import { PUMP_RECIPE } from '@calm-apron/core/testing'
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
const [SHOTS, IN_SESSION, RUNS] = [200, 8, 200]

/** Two hundred shots of ten coffees, the last eight of this session. */
function history(): GrindShot[] {
  const chance = seeded(7)
  return Array.from({ length: SHOTS }, (_, index) => {
    const setting = 10 + Math.floor(10 * chance.uniform())
    const stopS = 28 * Math.exp(-0.07 * (setting - 14) + chance.normal(0, 0.06))
    const isThisSession = index >= SHOTS - IN_SESSION
    const clock = { firstDrop: 'marked', firstDropS: 6.5, stopS, estimated: false } as const
    const facts = { ...unknownFacts(), clock, cup: { by: 'net', netG: 36 } as const }
    return {
      coffeeId: isThisSession ? 'coffee 9' : `coffee ${Math.floor(index / 20)}`,
      daysAgo: isThisSession ? 0 : 20 - Math.floor(index / 10),
      isThisSession,
      setting,
      innerBurrAt: null,
      doseWantedG: null,
      readings: readShot(facts, PUMP_RECIPE),
    }
  })
}

const all = history()
const wish = { coffeeId: 'coffee 9', doseRangeG: { min: 17, max: 19 }, pricePerKg: null }
const advise = (shots: readonly GrindShot[]) =>
  time(RUNS, () => Promise.resolve(adviseGrind(shots, PUMP_RECIPE, GRINDER, wish)))
const short = await advise(all.slice(-IN_SESSION))
const long = await advise(all)
console.log('Advising a grind, one core of this machine, median:')
console.log(`  baseline, ${IN_SESSION} shots of one session   ${short.medianMs.toFixed(2)} ms`)
console.log(
  `  ${SHOTS} shots of history            ${long.medianMs.toFixed(2)} ms, ${(long.medianMs / short.medianMs).toFixed(2)} × the baseline’s time (goal: 5 ms)`,
)
