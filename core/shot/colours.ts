import type { MarkAt } from './notes.ts'
import type { ShotClock } from './facts.ts'

/** How a stream's time went by its colours, each as a share of it. */
export interface ColourShares {
  dark: number
  golden: number
  pale: number
}

/** Roughly a quarter dark, half golden, a quarter pale is usual; so much more or less of it is still that. */
export const USUAL_COLOURS: ColourShares = { dark: 0.25, golden: 0.5, pale: 0.25 }
const USUAL_WITHIN = 0.12

/**
 * The shares of dark, golden and pale between first drop and stop, from the marks at which it turned; null where the turns
 * to gold and to pale were not both marked, in that order, or nothing was timed.
 */
export function colourShares(marks: readonly MarkAt[], clock: ShotClock | null): ColourShares | null {
  const at = (mark: MarkAt['mark']) => marks.find((each) => each.mark === mark)?.atS ?? null
  const [goldenS, paleS] = [at('golden'), at('pale')]
  if (clock?.firstDropS == null || goldenS === null || paleS === null) return null
  const { firstDropS, stopS } = clock
  const flowingS = stopS - firstDropS
  const isInOrder = firstDropS <= goldenS && goldenS <= paleS && paleS <= stopS
  if (!isInOrder || flowingS <= 0) return null
  return {
    dark: (goldenS - firstDropS) / flowingS,
    golden: (paleS - goldenS) / flowingS,
    pale: (stopS - paleS) / flowingS,
  }
}

/** Whether a stream kept about to the usual quarters, turned pale early, or stayed dark long. */
export function coloursSay({ dark, pale }: ColourShares): 'usual' | 'pale-early' | 'dark-long' {
  if (pale > USUAL_COLOURS.pale + USUAL_WITHIN) return 'pale-early'
  return dark > USUAL_COLOURS.dark + USUAL_WITHIN ? 'dark-long' : 'usual'
}
