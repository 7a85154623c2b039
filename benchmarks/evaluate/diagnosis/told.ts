import {
  type Abandonment,
  type Cause,
  type DoseMethod,
  NO_CONTEXT,
  PRESET_RECIPES,
  type Puck,
  type Readings,
  type Recipe,
  type ShotClock,
  type ShotContext,
  type ShotFacts,
  type SignsSeen,
  type Stream,
  type Tilt,
  readShot,
  unknownFacts,
} from '@calm-apron/core'
import { RECIPE } from '../recipe.ts'

/** The recipe a told shot was pulled by: on the pump's clock, on the drop clock, or by volume without a scale. */
const RECIPES = {
  pump: RECIPE,
  drop: { ...RECIPE, clock: 'drop', timeMinS: 20, timeMaxS: 26 },
  volume: PRESET_RECIPES.volume.targets,
} as const satisfies Record<string, Recipe>

/** A shot as a trainer would tell it; what isn't told is not known. */
export interface Told {
  story: string
  /** What it was; one of these is enough, for shots with two faults either. */
  was: readonly [Cause, ...Cause[]]
  by?: keyof typeof RECIPES
  /** Everything the checks of the routine ask was seen, and fine, but for what stands here otherwise. */
  allChecked?: true
  doseG?: number
  doseBy?: DoseMethod
  /** Left out with a clock: it came and nobody marked it. */
  firstDropS?: number | 'none'
  stopS?: number
  cupG?: number
  cupMl?: number
  gaveUp?: Abandonment
  sour?: number
  sweet?: number
  bitter?: number
  body?: number
  dryness?: number
  /** Whose tongue; a trainer's where nothing is said. */
  tongue?: 'trainee'
  ageDays?: number
  stream?: Stream
  puck?: Puck
  tilt?: Tilt
  isHot?: boolean
  isDry?: boolean
  isRightBasket?: boolean
  isPurged?: boolean
  isBedEven?: boolean
  isSettled?: boolean
  signs?: SignsSeen
}

/** The readings of a told shot. */
export function readTold(told: Told): Readings {
  const context: ShotContext = {
    ...NO_CONTEXT,
    signs: told.signs ?? {},
    coffeeAgeDays: told.ageDays ?? null,
    doseMethod: told.doseBy ?? NO_CONTEXT.doseMethod,
    tongue: told.tongue === 'trainee' ? 'learning' : 'trusted',
  }
  return readShot(factsOf(told), RECIPES[told.by ?? 'pump'], context)
}

function factsOf(told: Told): ShotFacts {
  const fine = told.allChecked ?? null
  return {
    ...unknownFacts(),
    machineHot: told.isHot ?? fine,
    basketDry: told.isDry ?? fine,
    rightBasket: told.isRightBasket ?? fine,
    grinderPurged: told.isPurged ?? fine,
    bedEven: told.isBedEven ?? fine,
    dose: told.doseG === undefined ? null : { by: 'net', netG: told.doseG },
    tamp: {
      tilt: told.tilt ?? (told.allChecked ? 'level' : null),
      lowSide: null,
      settled: told.isSettled ?? fine,
    },
    clock: clockOf(told),
    cup: told.cupG === undefined ? null : { by: 'net', netG: told.cupG },
    abandoned: told.gaveUp ?? null,
    taste: {
      sour: told.sour ?? null,
      sweet: told.sweet ?? null,
      bitter: told.bitter ?? null,
      body: told.body ?? null,
      dryness: told.dryness ?? null,
    },
    look: { stream: told.stream ?? null, puck: told.puck ?? null },
    ...(told.cupMl === undefined ? {} : { measured: { cupMl: told.cupMl, tampForceN: null, leadG: null } }),
  }
}

function clockOf({ firstDropS, stopS }: Told): ShotClock | null {
  if (stopS === undefined) return null
  if (firstDropS === 'none') return { firstDrop: 'none', firstDropS: null, stopS, estimated: false }
  return {
    firstDrop: firstDropS === undefined ? 'missed' : 'marked',
    firstDropS: firstDropS ?? null,
    stopS,
    estimated: false,
  }
}
