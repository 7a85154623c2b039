import { BAR_STEPS, type BarStep } from '../shot/barSteps.ts'
import type { RoutineStep, StepKey } from './steps.ts'

/** Where each step is done at the bar; one that houses do at different times is done with the one before it. */
const STAGE_OF: Record<StepKey, BarStep | 'with-the-one-before'> = {
  'wash-hands': 'ready',
  'bench-ready': 'ready',
  'warm-up': 'ready',
  'take-out': 'ready',
  'wipe-basket': 'with-the-one-before',
  'warm-cup': 'with-the-one-before',
  flush: 'with-the-one-before',
  'discard-first': 'dose',
  tare: 'dose',
  'weigh-beans': 'dose',
  purge: 'dose',
  grind: 'dose',
  'doser-pulls': 'dose',
  'weigh-dose': 'dose',
  'fill-level': 'dose',
  'fill-to-line': 'dose',
  distribute: 'dose',
  needle: 'dose',
  'half-press': 'dose',
  'dry-tamper': 'with-the-one-before',
  tamp: 'tamp',
  'wipe-rim': 'tamp',
  'puck-screen': 'tamp',
  'lock-in': 'tamp',
  'cup-under': 'with-the-one-before',
  'spouts-close': 'with-the-one-before',
  'hold-preinfusion': 'pull',
  'raise-lever': 'pull',
  start: 'pull',
  watch: 'pull',
  stop: 'pull',
  'machine-stops': 'pull',
  look: 'look',
  'knock-out': 'look',
  rinse: 'look',
  taste: 'taste',
  'own-coffee': 'with-the-one-before',
}

/** A routine as the bar goes through it. */
export interface RoutineStages<S extends Pick<RoutineStep, 'key'> = RoutineStep> {
  /** Every stage of the bar once, in the routine's order; those it says nothing of where they usually come. */
  order: BarStep[]
  /** What is done at each, in the routine's order. */
  at: Partial<Record<BarStep, S[]>>
}

/**
 * The stages of the bar in the order in which a routine first comes to each, and its steps at each of them; a house's own
 * step is done with the one before it.
 */
export function stagesOf<S extends Pick<RoutineStep, 'key'>>(steps: readonly S[]): RoutineStages<S> {
  const at: Partial<Record<BarStep, S[]>> = {}
  let here: BarStep = 'ready'
  for (const step of steps) {
    const stage = step.key === null ? 'with-the-one-before' : STAGE_OF[step.key]
    if (stage !== 'with-the-one-before') here = stage
    at[here] = [...(at[here] ?? []), step]
  }
  // The keys of an object stand in the order in which they came.
  const named = Object.keys(at) as BarStep[]
  return { order: withTheRest(named), at }
}

/** A stage that no step names comes after the one it usually follows. */
function withTheRest(named: readonly BarStep[]): BarStep[] {
  return BAR_STEPS.reduce<BarStep[]>(
    (order, stage, index) => {
      if (order.includes(stage)) return order
      const before = BAR_STEPS[index - 1]
      const at = before === undefined ? 0 : order.indexOf(before) + 1
      return order.toSpliced(at, 0, stage)
    },
    [...named],
  )
}
