import { type Cause, CAUSES, readShot } from '@calm-apron/core'
import { BAR_MIX, FLAT_MIX, type Mix, makeCase } from '@calm-apron/core/bench'
import { bestPossible } from './bestPossible.ts'
import {
  type Answer,
  answerOf,
  calibrationError,
  isForbidden,
  isMoveRight,
  isTop1,
  isTop3,
  namedScore,
  pairedDifference,
  reliability,
} from './score.ts'
import { RECIPE } from '../recipe.ts'

/** Every fifth case at each difficulty from 0 (nearly all noted) to 1 (half noted, and something misleading). */
const DIFFICULTIES = [0, 0.25, 0.5, 0.75, 1] as const
const DROP_RECIPE = { ...RECIPE, clock: 'drop', timeMinS: 20, timeMaxS: 26 } as const

const share = (right: number, n: number) => `${((100 * right) / n).toFixed(1)} %`
const count = (answers: readonly Answer[], is: (answer: Answer) => boolean) => answers.filter(is).length

/** Cases on which the generator is asked what it would have said. */
const LIMIT_CASES = 2000

/** Prints how well simulated shots are judged by both mixes, as said and by what was thought likeliest. */
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
  const total = (score: (answer: Answer) => number) => answers.reduce((sum, each) => sum + score(each), 0)
  console.log(
    `  as said: cause named ${share(
      total(({ causes, said }) => namedScore(causes, said)),
      n,
    )}`,
  )
  const as = (kind: string) => count(answers, ({ said }) => said.named.as === kind)
  console.log(
    `    named one ${as('one')}, two at once ${as('both')}, either of two ${as('either')}, not enough to tell ${as('unclear')}`,
  )
  const moves = answers.map(isMoveRight).filter((right) => right !== null)
  console.log(
    `    move mends what was behind it ${share(moves.filter(Boolean).length, moves.length)} of ${moves.length}; asked for one more look instead ${share(n - moves.length, n)}`,
  )
  console.log(
    `  likeliest cause right ${share(count(answers, isTop1), n)}, among the three likeliest ${share(count(answers, isTop3), n)}`,
  )
  console.log(`  calibration error ${calibrationError(answers).toFixed(3)}`)
  const grind = count(answers, ({ said }) => said.move.lever === 'grind')
  console.log(`  grind moves ${grind}, forbidden on what was observed ${count(answers, isForbidden)}`)
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

/** The generator itself as model of itself, on the same notes: nobody could do better than it in the long run. */
function limit(firstSeed: number, mix: Mix): void {
  const [cases, perFault, pairs] = [LIMIT_CASES, 200, 5000]
  const made = Array.from({ length: cases }, (_, at) =>
    makeCase(firstSeed + at, difficultyAt(at), [RECIPE], mix),
  )
  const mine = made.map(({ causes, facts, recipe, context }) =>
    answerOf(causes, readShot(facts, recipe, context)),
  )
  const best = bestPossible(made, RECIPE, perFault, pairs, firstSeed + 5_000_000, mix)
  const right = best.answers.filter(({ isTop1: is }) => is).length
  console.log(
    `  best possible on ${cases} of them (same notes, the generator itself as model, by importance sampling over ${best.bank} shots; a lower bound): ${share(right, cases)}`,
  )
  const differs = (score: (answer: Answer, at: number) => number) => {
    const { mean, upper } = pairedDifference(
      mine.map((answer, at) => Number(best.answers[at]?.isTop1 ?? false) - score(answer, at)),
    )
    return `${(100 * mean).toFixed(1)} points less (upper 95 % end ${(100 * upper).toFixed(1)})`
  }
  console.log(`    the likeliest here is right in ${differs((answer) => Number(isTop1(answer)))}`)
  const couldBeTold = (at: number) => (best.answers[at]?.probability ?? 0) > 0.5
  console.log(
    `    what is named here is right in ${differs(({ causes, said }, at) => namedScore(causes, said, couldBeTold(at)))}`,
  )
}
