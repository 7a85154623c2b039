import { seeded, shiftToSay } from '@calm-apron/core/bench'

/** A person-month: so many shots of each of five readings, looked at after every one of them. */
const [MONTH_SHOTS, READINGS, BEFORE_SHOTS] = [60, 5, 60]
const MONTHS = 400
const percent = (share: number) => `${(100 * share).toFixed(1)} %`

function run(shots: number, centre: number, spread: number, chance: ReturnType<typeof seeded>): number[] {
  return Array.from({ length: shots }, () => chance.normal(centre, spread))
}

/** Whether at any shot of a month in which nothing changed something would have been said. */
function isAlarm(spread: number, seed: number): boolean {
  const chance = seeded(seed)
  return Array.from({ length: READINGS }).some(() => {
    const all = run(BEFORE_SHOTS + MONTH_SHOTS, 0, spread, chance)
    for (let shots = BEFORE_SHOTS; shots <= all.length; shots += 1)
      if (shiftToSay(all.slice(0, shots)) !== null) return true
    return false
  })
}

/** After how many shots a step of so many spreads is said; Infinity where it is not within 20. */
function delay(step: number, spread: number, seed: number): number {
  const chance = seeded(seed)
  const all = [...run(40, 0, spread, chance), ...run(20, step * spread, spread, chance)]
  for (let shots = 41; shots <= all.length; shots += 1)
    if (shiftToSay(all.slice(0, shots)) !== null) return shots - 40
  return Infinity
}

/** Prints how often a sentence about a shift is chance alone, and how soon a true one is said. */
export function reportSayings(firstSeed: number): void {
  console.log(
    `  sentences of a shift, ${MONTHS} person-months of ${READINGS} readings and ${MONTH_SHOTS} shots, looked at after each`,
  )
  for (const spread of [0.5, 0.8, 1.2]) {
    const seeds = Array.from({ length: MONTHS }, (_each, at) => firstSeed + at)
    const alarms = seeds.filter((seed) => isAlarm(spread, seed)).length
    console.log(
      `    spread of ${spread} tolerances: false alarms in ${percent(alarms / MONTHS)} of person-months`,
    )
  }
  for (const step of [1, 1.5, 2]) {
    const delays = Array.from({ length: 300 }, (_each, at) => delay(step, 0.8, firstSeed + 7000 + at))
    delays.sort((a, b) => a - b)
    const told = delays.filter(Number.isFinite)
    const middle = delays[150] ?? Infinity
    console.log(
      `    a step of ${step} spreads: said within 20 shots in ${percent(told.length / delays.length)}, half of them after ${middle === Infinity ? 'more than 20' : middle}`,
    )
  }
}
