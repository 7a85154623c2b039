import { type ShotFacts, diagnose, netG, readShot, unknownFacts } from '@calm-apron/core'
import { PUMP_RECIPE } from '@calm-apron/core/testing'

const RUN_MS = 2000
const SHOTS = 500

/** Shots that differ, so that no run is the same as the last. */
const shots: ShotFacts[] = Array.from({ length: SHOTS }, (_, n) => ({
  ...unknownFacts(),
  grindSetting: n % 40,
  dose: { by: 'net', netG: 17 + (n % 20) / 10 },
  tamp: { tilt: n % 7 === 0 ? 'clear' : 'level', lowSide: null, settled: true },
  clock: { firstDrop: 'marked', firstDropS: 5 + (n % 6), stopS: 15 + (n % 40), estimated: false },
  cup: { by: 'net', netG: 30 + (n % 12) },
  taste: { sour: n % 11, sweet: (n * 3) % 11, bitter: (n * 7) % 11, body: null, dryness: null },
  look: { stream: n % 9 === 0 ? 'spurting' : 'even', puck: null },
}))

/** Times per second that `work` is done with each shot in turn; the sum keeps the work from being left out. */
function perSecond(work: (facts: ShotFacts) => number): number {
  let done = 0
  let sum = 0
  const until = performance.now() + RUN_MS
  while (performance.now() < until) {
    for (const facts of shots) sum += work(facts)
    done += shots.length
  }
  if (!Number.isFinite(sum)) throw new Error('A reading was not a number.')
  return (done / RUN_MS) * 1000
}

const weigh = (facts: ShotFacts) => netG(facts.dose) ?? 0
const read = (facts: ShotFacts) => readShot(facts, PUMP_RECIPE).gate.faults.length
const judge = (facts: ShotFacts) =>
  diagnose(readShot(facts, PUMP_RECIPE), { setting: facts.grindSetting, grinder: null }).why.length

perSecond(judge)
const rates = { weigh: perSecond(weigh), read: perSecond(read), judge: perSecond(judge) }
const whole = (rate: number) => Math.round(rate).toLocaleString('en-GB')
console.log('Reading a shot in core, one core of this machine:')
console.log(`  baseline, net weight alone   ${whole(rates.weigh)} per second`)
console.log(
  `  readShot                     ${whole(rates.read)} per second, ${(rates.weigh / rates.read).toFixed(1)} × the baseline’s time`,
)
console.log(
  `  readShot and diagnose        ${whole(rates.judge)} per second, ${(rates.weigh / rates.judge).toFixed(1)} × the baseline’s time`,
)
