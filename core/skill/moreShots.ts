import { seeded } from '../random/seeded.ts'
import { betaQuantile } from '../statistics/betaQuantile.ts'
import { onAtLeast, shapeOf } from './onProbability.ts'
import { type Tally, withNext } from './tally.ts'
import type { SkillProgramme } from './types.ts'

/** How many more shots until somebody is steady who goes on as they do: about so many, and between those of the fastest tenth and of the slowest fifth. */
export interface MoreShots {
  about: number
  low: number
  high: number
}

/** No further than this is anything foretold. */
const FURTHEST = 60
/** So many ways it could go on, spread evenly over what is believed of P(on). */
const WAYS = 30
const SEED = 77
/** Where fewer ways get there in time, nothing is foretold. */
const ARRIVING = 0.8

/**
 * About how many more shots until somebody is steady, if they go on as they do now: P(on) drawn from its posterior, the shots
 * after it from that. Null where not eight in ten ways arrive within 60. *Ready* is not foretold: tried on drawn trainees the
 * bounds held in fewer than one in five from eight shots on.
 * @param shots how many decided so far
 */
export function moreShots(
  tally: Tally,
  shots: number,
  { halvingShots, steadyFrom, leastShots }: SkillProgramme,
): MoreShots | null {
  const chance = seeded(SEED)
  const shape = shapeOf(tally)
  const taken = Array.from({ length: WAYS }, (_each, way) => {
    const on = betaQuantile((way + 0.5) / WAYS, ...shape)
    let run = tally
    for (let more = 1; more <= FURTHEST; more += 1) {
      run = withNext(run, chance.chance(on) ? 'on' : 'near', halvingShots)
      if (shots + more >= leastShots && onAtLeast(run) >= steadyFrom) return more
    }
    return Infinity
  }).sort((a, b) => a - b)
  const at = (share: number) => taken[Math.min(WAYS - 1, Math.floor(share * WAYS))] ?? Infinity
  const high = at(ARRIVING)
  return high === Infinity ? null : { about: at(0.5), low: at(0.1), high }
}
