import type { Fault } from './causes.ts'

/** How often something goes wrong at a training bar, and why we think so. */
interface Prior {
  /** How often it is met against a shot without it (odds), before anything is known. */
  odds: number
  because: string
}

/**
 * Nobody has published counts, so these are a trainer's: of ten shots at a training bar two are right, four are the
 * grind's or the dose's, three are the hands', and the rest is heat, coffee, stopping and the machine.
 */
export const PRIORS: Record<Fault, Prior> = {
  'grind-too-coarse': {
    odds: 0.75,
    because: 'the commonest shot of any training: coffee ages, and people fear finer',
  },
  'grind-too-fine': { odds: 0.55, because: 'overshooting while dialling in' },
  'dose-low': { odds: 0.32, because: 'spilt or knocked off before the tamp' },
  'dose-high': { odds: 0.22, because: 'doses are rounded up' },
  'tamp-tilted': { odds: 0.35, because: 'the hardest thing for new hands' },
  'tamp-light': { odds: 0.22, because: 'shy hands, mostly in the first days' },
  'tamp-varying': { odds: 0.03, because: 'shows over several shots, seldom in one' },
  'poor-distribution': { odds: 0.42, because: 'clumps and mounds are left in by most beginners' },
  'basket-wet': { odds: 0.08, because: 'forgotten in a rush' },
  dirty: { odds: 0.04, because: 'training bars are cleaned daily' },
  'not-purged': { odds: 0.15, because: 'after most changes of setting somebody forgets' },
  cold: { odds: 0.08, because: 'the first shots of the day, and after a break' },
  'too-hot': { odds: 0.02, because: 'machines without temperature control that stood' },
  'temperature-swing': { odds: 0.02, because: 'simple machines only' },
  'coffee-too-fresh': { odds: 0.04, because: 'bags are opened by date' },
  'coffee-stale': { odds: 0.04, because: 'the end of a bag' },
  'pre-ground': { odds: 0.006, because: 'a training bar grinds' },
  'roast-character': { odds: 0.02, because: 'dark roasts are known to be dark' },
  'poor-water': { odds: 0.01, because: 'it would be so all day' },
  'wrong-basket': { odds: 0.04, because: 'a mix-up of buttons or baskets' },
  'burrs-out-of-range': { odds: 0.015, because: 'found once, then known' },
  'stopped-early': { odds: 0.12, because: 'nervous hands' },
  'stopped-late': { odds: 0.18, because: 'watching the stream, not the scale' },
  'ratio-short': { odds: 0.06, because: 'a recipe that was made for another coffee' },
  'ratio-long': { odds: 0.06, because: 'a recipe that was made for another coffee' },
}

/** How much rarer two faults come together than if each came by itself: of shots at a training bar one in four has two. */
export const PAIR_FACTOR = 0.2
