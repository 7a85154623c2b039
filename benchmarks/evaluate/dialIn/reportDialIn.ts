import type { DialInGrinder } from '@calm-apron/core'
import { RECIPE } from '../recipe.ts'
import { type DialInBench, type Wanted, isTrulyRight, settingsOf, trueTimeS } from './dialInBench.ts'
import { type DialInCase, type DialInGroup, GROUPS, casesOf } from './groups.ts'
import { MOST_SHOTS, type Outcome, dialIn } from './runDialIn.ts'
import {
  type Strategy,
  adviser,
  bracketAndBisect,
  leastSquares,
  luckySlope,
  threeThenOne,
  twoSteps,
} from './strategies.ts'

/** Rivals that know no more than the adviser does. */
const HONEST: Record<string, Strategy> = {
  'two steps': twoSteps,
  'three, then one': threeThenOne,
  'bracket and bisect': bracketAndBisect,
  'least squares': leastSquares,
}

const percent = (share: number) => `${Math.round(100 * share)} %`.padStart(6)
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
const shotsOf = ({ shots }: Outcome) => shots ?? MOST_SHOTS

/** The limit that noise sets: it knows the curve, and always pulls at the spot nearest to the middle of the window. */
function knowingTheCurve(bench: DialInBench): Strategy {
  const middleLn = (Math.log(RECIPE.timeMinS) + Math.log(RECIPE.timeMaxS)) / 2
  const missAt = (wanted: Wanted) => Math.abs(Math.log(trueTimeS(bench, wanted)) - middleLn)
  const nearest = (options: readonly Wanted[]) =>
    options.reduce((best, each) => (missAt(each) < missAt(best) ? each : best))
  const plain = plainSpots(bench.grinder)
  if (bench.goesBy === 'taste') {
    const right = plain.filter((each) => isTrulyRight(bench, each))
    const middle = right[Math.floor(right.length / 2)] ?? nearest(plain)
    return () => middle
  }
  const onStep = nearest(plain)
  const doses = [-0.3, -0.2, 0.2, 0.3].map((by) => ({ ...onStep, doseG: RECIPE.doseG + by }))
  const yields = [-2, -1, 1, 2].map((by) => ({ ...onStep, yieldG: RECIPE.yieldG + by }))
  const best = nearest([onStep, ...doses, ...yields])
  return () => best
}

function plainSpots(grinder: DialInGrinder): Wanted[] {
  return settingsOf(grinder).map((setting) => ({ setting, doseG: RECIPE.doseG, yieldG: RECIPE.yieldG }))
}

function row(name: string, outcomes: readonly Outcome[]): void {
  const within = (most: number) =>
    mean(outcomes.map(({ shots }) => (shots !== null && shots <= most ? 1 : 0)))
  const cells = [
    mean(outcomes.map(shotsOf)).toFixed(2).padStart(5),
    mean(outcomes.map(({ grams }) => grams))
      .toFixed(0)
      .padStart(6),
    ...[1, 3, 5, 6].map((most) => percent(within(most))),
    percent(mean(outcomes.map(({ isFooled }) => (isFooled ? 1 : 0)))),
    percent(mean(outcomes.map(({ shots, isFooled }) => (shots === null && !isFooled ? 1 : 0)))),
  ]
  console.log(`    ${name.padEnd(20)} ${cells.join(' ')}`)
}

/** By how much fewer shots the adviser needs than a rival on the same benches, with the 95 % interval of that, in %. */
function fewer(ours: readonly Outcome[], theirs: readonly Outcome[]): string {
  const rival = mean(theirs.map(shotsOf))
  const by = ours.map((each, no) => shotsOf(theirs[no] ?? each) - shotsOf(each))
  const middle = mean(by)
  const sd = Math.sqrt(by.reduce((sum, each) => sum + (each - middle) ** 2, 0) / (by.length - 1))
  const half = (1.96 * sd) / Math.sqrt(by.length)
  const share = (value: number) => `${Math.round((100 * value) / rival)}`
  return `${share(middle)} % (${share(middle - half)} to ${share(middle + half)})`
}

function reportGroup(group: DialInGroup, cases: readonly DialInCase[], firstSeed: number): void {
  const run = (of: (bench: DialInBench) => Strategy) =>
    cases.map(({ bench, earlier }, at) => dialIn(bench, of(bench), earlier, firstSeed + at))
  console.log(`\n  ${group.name} (${cases.length} benches): ${group.says}`)
  console.log(`    ${'strategy'.padEnd(20)} shots  grams   1st   ≤3     ≤5     ≤6   fooled  never`)
  const ours = run(() => adviser)
  row('adviser', ours)
  const rivals = Object.entries(HONEST).map(([name, strategy]) => ({ name, outcomes: run(() => strategy) }))
  for (const { name, outcomes } of rivals) row(name, outcomes)
  const lucky = run(() => luckySlope)
  row('true slope told', lucky)
  const limit = run(knowingTheCurve)
  row('knowing the curve', limit)
  const best = rivals.reduce((a, b) =>
    mean(b.outcomes.map(shotsOf)) < mean(a.outcomes.map(shotsOf)) ? b : a,
  )
  const [us, them, least] = [ours, best.outcomes, limit].map((each) => mean(each.map(shotsOf)))
  const closed = ((them ?? 0) - (us ?? 0)) / Math.max(1e-9, (them ?? 0) - (least ?? 0))
  const contents = ours.filter(({ shots, isFooled }) => shots !== null || isFooled)
  const trulyIn = mean(contents.map(({ isFooled }) => (isFooled ? 0 : 1)))
  console.log(
    `    fewer than the best honest rival (${best.name}): ${fewer(ours, best.outcomes)}; of the way to the limit ${percent(closed).trim()}; than the told slope: ${fewer(ours, lucky)}`,
  )
  const late = ours.filter(({ shots }) => shots === null || shots > 5)
  console.log(
    `    truly right of those it ended with: ${percent(trulyIn).trim()}; ways out told by the fifth shot: ${late.filter(({ isWayTold }) => isWayTold).length} of ${late.length} that took longer`,
  )
}

/** Prints how the adviser dials in, beside its rivals on the same benches with the same luck. */
export function reportDialIn(firstSeed: number): void {
  console.log('\nDialling in')
  console.log(
    '  landed: a shot that read in the window (or tasted right) at a spot that truly belongs there, without noise',
  )
  console.log(
    `  shots: mean until landed, ${MOST_SHOTS} where never, or where it ended content elsewhere (fooled); grams: dose and purges`,
  )
  console.log(
    '  rivals pull a shot that read in the window once more, and end with the second; the adviser ends by itself',
  )
  const only = process.argv.slice(3).join(' ')
  GROUPS.forEach((group, index) => {
    if (only !== '' && !group.name.includes(only)) return
    const firstOfGroup = firstSeed + 10_000 * index
    reportGroup(group, casesOf(group, firstOfGroup), firstOfGroup)
  })
}
