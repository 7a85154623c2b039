import { type Cause, CAUSES, readShot } from '@calm-apron/core'
import { BAR_MIX, FLAT_MIX, type Mix, makeCase } from '@calm-apron/core/bench'
import { bestPossible } from './bestPossible.ts'
import {
  type Answer,
  answerOf,
  calibrationError,
  isForbidden,
  isTop1,
  isTop3,
  isWrongGrindMove,
  reliability,
  wilson,
} from './score.ts'
import { STORIES } from './stories.ts'
import { RECIPE } from '../recipe.ts'
import { readTold } from './told.ts'

/** Every fifth case at each difficulty from 0 (nearly all noted) to 1 (half noted, and something misleading). */
const DIFFICULTIES = [0, 0.25, 0.5, 0.75, 1] as const
const DROP_RECIPE = { ...RECIPE, clock: 'drop', timeMinS: 20, timeMaxS: 26 } as const

const share = (right: number, n: number) => `${((100 * right) / n).toFixed(1)} %`
const count = (answers: readonly Answer[], is: (answer: Answer) => boolean) => answers.filter(is).length

/** Prints how well shots are diagnosed: simulated ones by both mixes, and told ones. */
export function reportDiagnosis(firstSeed: number, cases: number): void {
  console.log(
    `\nDiagnosis of ${cases} simulated shots a mix (seeds from ${firstSeed}), from what can be entered at the bar; difficulties ${DIFFICULTIES.join(', ')} in turn`,
  )
  console.log(
    '  top-1: the likeliest cause is behind the shot; of two faults either will do. top-3: one of the three likeliest is',
  )
  console.log(
    '  merged, because nothing seen tells them apart: basket, button, selector and reservoir; tamp varying and beyond need',
  )
  reportMix('all faults alike often', FLAT_MIX, firstSeed, cases)
  reportMix('as at a training bar', BAR_MIX, firstSeed, cases)
  stories()
}

function reportMix(name: string, mix: Mix, firstSeed: number, cases: number): void {
  const made = Array.from({ length: cases }, (_, at) =>
    makeCase(firstSeed + at, difficultyAt(at), [RECIPE, DROP_RECIPE], mix),
  )
  const answers = made.map(({ causes, facts, recipe, context }) =>
    answerOf(causes, readShot(facts, recipe, context)),
  )
  console.log(
    `\n  Mix: ${name}; ${100 * mix.none} % without a fault, ${100 * mix.pair} % drawn with two, the rest with one`,
  )
  summary(answers)
  byDifficulty(answers)
  perCause(answers)
  reliabilityTable(answers)
  limit(firstSeed, mix)
}

function difficultyAt(at: number): number {
  return DIFFICULTIES[at % DIFFICULTIES.length] ?? 0
}

function summary(answers: readonly Answer[]): void {
  const n = answers.length
  console.log(`  top-1 ${share(count(answers, isTop1), n)}, top-3 ${share(count(answers, isTop3), n)}`)
  console.log(`  calibration error ${calibrationError(answers).toFixed(3)}`)
  const grind = count(answers, ({ said }) => said.move.lever === 'grind')
  console.log(
    `  grind moves ${grind}, forbidden on what was observed ${count(answers, isForbidden)}, not wanted by the hidden truth ${count(answers, isWrongGrindMove)}`,
  )
  const asks = answers.filter(({ said }) => said.move.lever === 'observe')
  console.log(`  asked for one more look instead of moving: ${share(asks.length, n)}`)
}

function byDifficulty(answers: readonly Answer[]): void {
  for (const difficulty of DIFFICULTIES) {
    const part = answers.filter((_, at) => difficultyAt(at) === difficulty)
    console.log(
      `    difficulty ${difficulty.toFixed(2)}: top-1 ${share(count(part, isTop1), part.length)}, top-3 ${share(count(part, isTop3), part.length)}`,
    )
  }
}

function perCause(answers: readonly Answer[]): void {
  console.log(`  ${'cause'.padEnd(20)}    n  top-1  top-3  most often taken for`)
  for (const cause of CAUSES) {
    const its = answers.filter(({ causes }) => causes.includes(cause))
    const among = (first: number) =>
      count(its, ({ said }) => said.causes.slice(0, first).some((each) => each.cause === cause)) / its.length
    console.log(
      `  ${cause.padEnd(20)} ${String(its.length).padStart(4)}  ${among(1).toFixed(2)}   ${among(3).toFixed(2)}   ${takenFor(its)}`,
    )
  }
}

function takenFor(answers: readonly Answer[]): string {
  const wrong = new Map<Cause, number>()
  for (const { causes, said } of answers) {
    const top = said.causes[0]?.cause ?? 'none'
    if (!causes.includes(top)) wrong.set(top, (wrong.get(top) ?? 0) + 1)
  }
  return [...wrong.entries()]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3)
    .map(([cause, times]) => `${cause} ${times}`)
    .join(', ')
}

function reliabilityTable(answers: readonly Answer[]): void {
  console.log('  reliability: claimed probability of the likeliest cause, against how often it was right')
  for (const { n, claimed, right } of reliability(answers)) {
    if (n > 0)
      console.log(`    ${(claimed / n).toFixed(2)} claimed, ${(right / n).toFixed(2)} right, of ${n}`)
  }
}

function limit(firstSeed: number, mix: Mix): void {
  const [cases, perFault, pairs] = [400, 200, 5000]
  const made = Array.from({ length: cases }, (_, at) =>
    makeCase(firstSeed + at, difficultyAt(at), [RECIPE], mix),
  )
  const mine = made.map(({ causes, facts, recipe, context }) =>
    answerOf(causes, readShot(facts, recipe, context)),
  )
  const best = bestPossible(made, RECIPE, perFault, pairs, firstSeed + 5_000_000, mix)
  console.log(
    `  best possible on ${cases} of them (same notes, the generator itself as model, by importance sampling over ${best.bank} shots; a lower bound):`,
  )
  console.log(`    top-1 ${share(best.top1, 1)}, top-3 ${share(best.top3, 1)}`)
  console.log(
    `    here, on the same: top-1 ${share(count(mine, isTop1), cases)}, top-3 ${share(count(mine, isTop3), cases)}`,
  )
}

function stories(): void {
  const answers = STORIES.map((told) => answerOf(told.was, readTold(told)))
  const n = answers.length
  const interval = (is: (answer: Answer) => boolean) =>
    wilson(count(answers, is), n)
      .map((each) => (100 * each).toFixed(0))
      .join('–')
  console.log(`\nDiagnosis of ${n} shots as trainers tell them, much of it left out`)
  console.log(
    `  top-1 ${share(count(answers, isTop1), n)} (95 % interval ${interval(isTop1)} %), top-3 ${share(count(answers, isTop3), n)} (${interval(isTop3)} %)`,
  )
  console.log(
    `  forbidden grind moves ${count(answers, isForbidden)}, not wanted by the truth ${count(answers, isWrongGrindMove)}`,
  )
  answers.forEach((answer, at) => {
    if (isTop1(answer)) return
    const said = answer.said.causes
      .slice(0, 3)
      .map(({ cause, probability }) => `${cause} ${probability.toFixed(2)}`)
      .join(', ')
    console.log(
      `    missed: ${STORIES[at]?.story ?? ''}\n      was ${answer.causes.join(' and ')}; said ${said}`,
    )
  })
}
