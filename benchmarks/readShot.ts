import { type Readings, diagnose, headingOf, judge, readShot, weighedDoseG } from '@calm-apron/core'
import { BAR_MIX, type BenchCase, makeCase } from '@calm-apron/core/bench'
import { PUMP_RECIPE } from '@calm-apron/core/testing'

const SHOTS = 400
const [ROUNDS, ROUND_MS] = [9, 250]
/** Nearly all of a shot noted, with signs and the coffee's age, as a careful bar does. */
const ATTENTIVE = 0.1
const GRIND = { setting: 14, grinder: null }

/** Shots that differ, so that no run is the same as the last; copied, as they come off a line or out of a database. */
const shots: BenchCase[] = Array.from({ length: SHOTS }, (_, n) =>
  structuredClone(makeCase(n, ATTENTIVE, [PUMP_RECIPE], BAR_MIX)),
)

const read = ({ facts, recipe, context }: BenchCase): Readings => readShot(facts, recipe, context)
/** From the plainest to all that can be asked; each sum keeps the work from being left out. */
const WORK = {
  'baseline, net weight alone': ({ facts }: BenchCase) => weighedDoseG(facts) ?? 0,
  readShot: (shot: BenchCase) => read(shot).gate.faults.length,
  'heading, as a list’s row needs': (shot: BenchCase) => headingOf(read(shot)).length,
  'the statement, without looks and reasons': (shot: BenchCase) =>
    judge(read(shot), GRIND).statement.why.length,
  'all of it, with the next look and the reasons': (shot: BenchCase) =>
    diagnose(read(shot), GRIND).evidence.length,
} as const

/** µs for each shot, by the time that went by. */
function microseconds(work: (shot: BenchCase) => number): number {
  let [done, sum] = [0, 0]
  const from = performance.now()
  while (performance.now() - from < ROUND_MS) {
    for (const shot of shots) sum += work(shot)
    done += shots.length
  }
  if (!Number.isFinite(sum)) throw new Error('A reading was not a number.')
  return (1000 * (performance.now() - from)) / done
}

// In turn, and the quickest round of each, so that a machine with other work to do is fair to all.
const best = new Map<string, number>()
for (let round = 0; round < ROUNDS; round += 1) {
  for (const [name, work] of Object.entries(WORK))
    best.set(name, Math.min(best.get(name) ?? Infinity, microseconds(work)))
}
const baseline = best.get('baseline, net weight alone') ?? Number.NaN
console.log(`Reading a shot in core, one core of this machine, ${SHOTS} full shots with signs and age:`)
for (const [name, us] of best) {
  const perSecond = Math.round(1e6 / us).toLocaleString('en-GB')
  console.log(
    `  ${name.padEnd(46)} ${us.toFixed(2)} µs, ${perSecond} a second, ${(us / baseline).toFixed(0)} × the baseline`,
  )
}
