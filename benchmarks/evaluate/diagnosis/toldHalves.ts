import type { ToldAtBar } from './atTheBar.ts'
import { BARE_SHOTS } from './bareShots.ts'
import { DOSE_SHOTS } from './doseShots.ts'
import { DROP_SHOTS } from './dropShots.ts'
import { FAST_SHOTS } from './fastShots.ts'
import { HEAT_SHOTS } from './heatShots.ts'
import { OTHER_CLOCK_SHOTS } from './otherClockShots.ts'
import { SLOW_SHOTS } from './slowShots.ts'
import { TASTE_SHOTS } from './tasteShots.ts'

const ALL: readonly ToldAtBar[] = [
  ...FAST_SHOTS,
  ...SLOW_SHOTS,
  ...OTHER_CLOCK_SHOTS,
  ...DROP_SHOTS,
  ...DOSE_SHOTS,
  ...HEAT_SHOTS,
  ...TASTE_SHOTS,
  ...BARE_SHOTS,
]

/** Every second told shot may be read while the judgement is worked on; the others stay unread until it is done. */
export const OPEN_SHOTS = ALL.filter((_, at) => at % 2 === 0)
export const HELD_SHOTS = ALL.filter((_, at) => at % 2 === 1)
