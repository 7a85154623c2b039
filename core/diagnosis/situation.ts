import type { ShotContext } from '../reading/context.ts'
import type { Recipe } from '../recipe/recipe.ts'
import type { Way } from './causes.ts'
import { factorByWay } from './hypotheses.ts'

/** What is known of bar, coffee and grinder before the shot makes some things likelier than usual, by these factors. */
const FACTORS = {
  /** Old grounds matter only after a move, the more the larger it was, and shift the time against it. */
  notMoved: 0.1,
  againstTheMove: 0.05,
  movedOneStep: 1,
  movedFar: 2,
  roastIsDark: 4,
  roastIsLight: 0.25,
  /** A basket for another dose than the recipe's is a mix-up waiting to happen. */
  basketForAnotherDose: 4,
  /** Nobody stopped it; a wrong cup is another programme's. */
  stoppedByItself: 0.05,
  anotherProgramme: 4,
} as const
/** A basket's nominal dose this far from the recipe's is for another recipe, in g. */
const ANOTHER_DOSE_G = 3

/** What the situation says of each hypothesis, as a factor on its prior; undefined where nothing is known of it. */
export function factorOfSituation(context: ShotContext, recipe: Recipe): Float64Array | undefined {
  const factors = new Map<Way, number>([
    ...grindMoved(context.grindMoved),
    ...(context.isRoastDark === null
      ? []
      : [['roast-character', context.isRoastDark ? FACTORS.roastIsDark : FACTORS.roastIsLight] as const]),
    ...(context.basketNominalG !== null && Math.abs(context.basketNominalG - recipe.doseG) > ANOTHER_DOSE_G
      ? ([
          ['wrong-basket:short', FACTORS.basketForAnotherDose],
          ['wrong-basket:long', FACTORS.basketForAnotherDose],
        ] as const)
      : []),
  ])
  if (context.machine?.stopsItself === true) {
    for (const way of ['stopped-early', 'stopped-late'] as const) factors.set(way, FACTORS.stoppedByItself)
    for (const way of ['wrong-basket:short', 'wrong-basket:long'] as const)
      factors.set(way, FACTORS.anotherProgramme)
  }
  return factors.size === 0 ? undefined : factorByWay(factors)
}

function grindMoved(moved: ShotContext['grindMoved']): [Way, number][] {
  if (moved === null) return []
  const [afterFiner, afterCoarser] =
    moved.steps === 0
      ? [FACTORS.notMoved, FACTORS.notMoved]
      : moved.direction === 'finer'
        ? [movedBy(moved.steps), FACTORS.againstTheMove]
        : [FACTORS.againstTheMove, movedBy(moved.steps)]
  return [
    ['not-purged:was-coarser', afterFiner],
    ['not-purged:was-finer', afterCoarser],
  ]
}

/** From so many steps on a move was a large one. */
const FAR_STEPS = 4

function movedBy(steps: number): number {
  return steps < FAR_STEPS ? FACTORS.movedOneStep * (1 + steps / FAR_STEPS) : FACTORS.movedFar
}
