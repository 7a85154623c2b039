import { DEFAULT_PROGRAMME, type SkillEntry, assessRun } from '@calm-apron/core'
import { type Seeded, seeded, shifts, standingOf } from '@calm-apron/core/bench'
import { shareWithin, spreadFor } from './spreadFor.ts'
import { reportSayings } from './reportSayings.ts'
import { reportStories } from './reportStories.ts'

/** A trainee's deviations, in tolerances, and the true probability of being on at each shot. */
interface SimulatedTrainee {
  run: SkillEntry[]
  truth: number[]
}

const [SHOTS, TRAINEES] = [60, 400]
const percent = (share: number) => `${(100 * share).toFixed(1)} %`

function trainee(
  shots: number,
  at: (shot: number) => { bias: number; spread: number },
  seed: number,
  streak = 0,
): SimulatedTrainee {
  const chance: Seeded = seeded(seed)
  let carried = chance.normal(0, 1)
  const made: SimulatedTrainee = { run: [], truth: [] }
  for (let shot = 0; shot < shots; shot += 1) {
    carried = streak * carried + Math.sqrt(1 - streak * streak) * chance.normal(0, 1)
    const { bias, spread } = at(shot)
    const deviation = bias + spread * carried
    made.run.push({
      shotId: '',
      pulledAt: '',
      isHelped: false,
      standing: standingOf(deviation, 1),
      deviation,
    })
    made.truth.push(shareWithin(bias, spread))
  }
  return made
}

const many = (make: (seed: number) => SimulatedTrainee, firstSeed: number) =>
  Array.from({ length: TRAINEES }, (_, index) => make(firstSeed + index))

function isEverReady({ run }: SimulatedTrainee, within: number): boolean {
  for (let shots = DEFAULT_PROGRAMME.readyLeastShots; shots <= within; shots += 1) {
    if (assessRun(run.slice(0, shots), DEFAULT_PROGRAMME).rung === 'ready') return true
  }
  return false
}

function coverage(trainees: readonly SimulatedTrainee[], shots: number): number {
  const covered = trainees.filter(({ run, truth }) => {
    const { on } = assessRun(run.slice(0, shots), DEFAULT_PROGRAMME)
    const now = truth[shots - 1] ?? 0
    return on !== null && on.low <= now && now <= on.high
  })
  return covered.length / trainees.length
}

/** Prints how often the ladder is wrong, how honest its intervals are, and how soon a shift is noticed. */
export function reportSkill(firstSeed: number): void {
  const steady = (shareOn: number, seed: number) => {
    const spread = spreadFor(shareOn)
    return many((each) => trainee(SHOTS, () => ({ bias: 0, spread }), each), seed)
  }
  console.log(
    `\nSkill, ${TRAINEES} simulated trainees a row, asked after every shot, thresholds of the default programme`,
  )
  console.log('  ever called ready within 60 shots though truly on in only')
  ;[0.6, 0.7, 0.75].forEach((share, index) => {
    const trainees = steady(share, firstSeed + 10_000 * index)
    console.log(
      `    ${percent(share)} of shots: ${percent(trainees.filter((each) => isEverReady(each, SHOTS)).length / TRAINEES)}`,
    )
  })
  const good = steady(0.9, firstSeed + 40_000)
  console.log(
    `  truly on in 90 %: ready within 25 shots ${percent(good.filter((each) => isEverReady(each, 25)).length / TRAINEES)}`,
  )
  reportCoverage(firstSeed + 50_000, steady)
  reportShifts(firstSeed + 90_000)
  reportSayings(firstSeed + 110_000)
  reportStories(firstSeed + 120_000)
}

function reportCoverage(
  firstSeed: number,
  steady: (shareOn: number, seed: number) => SimulatedTrainee[],
): void {
  console.log('  90 % intervals that hold the true probability of being on, after 40 shots')
  const shares = [0.5, 0.6, 0.7, 0.8, 0.9]
  const covered = shares.map((share, index) => coverage(steady(share, firstSeed + 1000 * index), 40))
  const mean = covered.reduce((sum, each) => sum + each, 0) / covered.length
  console.log(
    `    steady at ${shares.join(', ')}: ${covered.map(percent).join(', ')}; together ${percent(mean)}`,
  )
  const kinds = {
    'learning, from on in 40 % to 90 %': (shot: number) => ({ bias: 0, spread: 1.9 - (1.3 * shot) / SHOTS }),
    'drifting off by 1.5 tolerances': (shot: number) => ({ bias: (1.5 * shot) / SHOTS, spread: 0.6 }),
  }
  Object.entries(kinds).forEach(([name, at], index) => {
    const trainees = many((seed) => trainee(SHOTS, at, seed), firstSeed + 20_000 + 1000 * index)
    console.log(`    ${name}: ${percent(coverage(trainees, 40))}`)
  })
  const streaky = many(
    (seed) => trainee(SHOTS, () => ({ bias: 0, spread: 0.8 }), seed, 0.6),
    firstSeed + 30_000,
  )
  console.log(`    streaky, each shot carrying 0.6 of the one before: ${percent(coverage(streaky, 40))}`)
}

function reportShifts(firstSeed: number): void {
  const baseline = { centre: 0, spread: 1 }
  const runs = 2000
  const noticed = Array.from({ length: runs }, (_, index) => {
    const chance = seeded(firstSeed + index)
    const values = Array.from({ length: 42 }, (_each, at) => chance.normal(at < 30 ? 0 : 1, 1))
    return shifts(values, baseline).some(({ at, side }) => at >= 30 && side === 1)
  }).filter(Boolean).length
  const chance = seeded(firstSeed + 5000)
  const calm = Array.from({ length: 200_000 }, () => chance.normal(0, 1))
  const alarms = shifts(calm, baseline).length
  console.log(
    `  a step of one spread from a known baseline, noticed within 12 shots: ${percent(noticed / runs)}; shots between false alarms: ${Math.round(calm.length / Math.max(1, alarms))}`,
  )
}
