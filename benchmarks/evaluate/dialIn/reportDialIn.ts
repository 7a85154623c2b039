import { GROUPS, casesOf } from './groups.ts'
import { type DialInBench, settingsOf, trueTimeS } from './dialInBench.ts'
import { RECIPE } from '../recipe.ts'
import { MOST_SHOTS, type Outcome, dialIn } from './runDialIn.ts'
import {
  type Strategy,
  type Wanted,
  adviser,
  bracketAndBisect,
  leastSquares,
  threeThenOne,
  twoSteps,
} from './strategies.ts'

const STRATEGIES: Record<string, Strategy> = {
  adviser,
  'two steps': twoSteps,
  'three, then one': threeThenOne,
  'bracket and bisect': bracketAndBisect,
  'least squares': leastSquares,
}

function row(name: string, outcomes: readonly Outcome[]): void {
  const { shots, grams, within, fooled } = summary(outcomes)
  console.log(
    `    ${name.padEnd(20)} ${shots.toFixed(2).padStart(5)} ${grams.toFixed(0).padStart(6)} ${[1, 3, 5, 6].map((most) => percent(within(most))).join(' ')} ${percent(fooled)}`,
  )
}

/** The limit that noise sets: it always pulls at the setting and dose nearest to the middle of the window. */
function knowingTheTruth(bench: DialInBench): Strategy {
  const middleLn = (Math.log(RECIPE.timeMinS) + Math.log(RECIPE.timeMaxS)) / 2
  const missAt = ({ setting, doseG }: Wanted) =>
    Math.abs(Math.log(trueTimeS(bench, setting, doseG)) - middleLn)
  const nearest = (options: readonly Wanted[]) =>
    options.reduce((best, each) => (missAt(each) < missAt(best) ? each : best))
  const onStep = nearest(settingsOf(bench.grinder).map((setting) => ({ setting, doseG: RECIPE.doseG })))
  const best = nearest([
    onStep,
    ...[-0.3, -0.2, 0.2, 0.3].map((by) => ({ setting: onStep.setting, doseG: RECIPE.doseG + by })),
  ])
  return () => best
}

const percent = (share: number) => `${Math.round(100 * share)} %`.padStart(6)

function summary(outcomes: readonly Outcome[]) {
  const within = (most: number) =>
    outcomes.filter(({ shots }) => shots !== null && shots <= most).length / outcomes.length
  const mean = (of: (outcome: Outcome) => number) =>
    outcomes.reduce((sum, outcome) => sum + of(outcome), 0) / outcomes.length
  return {
    shots: mean(({ shots }) => shots ?? MOST_SHOTS),
    grams: mean(({ grams }) => grams),
    within,
    fooled: outcomes.filter(({ isFooled }) => isFooled).length / outcomes.length,
  }
}

/** Prints how the adviser dials in, beside four rivals on the same benches with the same luck. */
export function reportDialIn(firstSeed: number): void {
  console.log('\nDialling in')
  console.log('  landed: a shot that read in the window at a setting whose noise-free time lies there too')
  console.log(
    `  shots: mean until landed, ${MOST_SHOTS} where never, or where it ended content beside the window (fooled); grams: dose and purges`,
  )
  console.log(
    '  rivals pull a shot that read in the window once more, and end with the second; the adviser ends by itself',
  )
  GROUPS.forEach((group, index) => {
    const cases = casesOf(group, firstSeed + 10_000 * index)
    console.log(`\n  ${group.name} (${cases.length} benches): ${group.says}`)
    console.log(`    ${'strategy'.padEnd(20)} shots  grams   1st   ≤3     ≤5     ≤6   fooled`)
    for (const [name, strategy] of Object.entries(STRATEGIES)) {
      row(
        name,
        cases.map(({ bench, earlier }, at) => dialIn(bench, strategy, earlier, firstSeed + at)),
      )
    }
    row(
      'knowing the truth',
      cases.map(({ bench }, at) => dialIn(bench, knowingTheTruth(bench), [], firstSeed + at)),
    )
  })
}
