import {
  type Cause,
  NO_CONTEXT,
  type Puck,
  type Readings,
  type ShotFacts,
  type SignsSeen,
  type Stream,
  type Tilt,
  readShot,
  unknownFacts,
} from '@calm-apron/core'
import { RECIPE } from '../recipe.ts'

/** A shot as a trainer would tell it; what isn't told is not known. */
export interface Told {
  story: string
  /** What it was; one of these is enough, for shots with two faults either. */
  was: readonly [Cause, ...Cause[]]
  doseG?: number
  firstDropS?: number
  stopS?: number
  cupG?: number
  choked?: true
  sour?: number
  sweet?: number
  bitter?: number
  body?: number
  dryness?: number
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
  const facts: ShotFacts = {
    ...unknownFacts(),
    machineHot: told.isHot ?? null,
    basketDry: told.isDry ?? null,
    rightBasket: told.isRightBasket ?? null,
    grinderPurged: told.isPurged ?? null,
    bedEven: told.isBedEven ?? null,
    dose: told.doseG === undefined ? null : { by: 'net', netG: told.doseG },
    tamp: { tilt: told.tilt ?? null, lowSide: null, settled: told.isSettled ?? null },
    clock:
      told.stopS === undefined
        ? null
        : {
            firstDrop: told.firstDropS === undefined ? 'missed' : 'marked',
            firstDropS: told.firstDropS ?? null,
            stopS: told.stopS,
            estimated: false,
          },
    cup: told.cupG === undefined ? null : { by: 'net', netG: told.cupG },
    abandoned: told.choked === true ? 'choked' : null,
    taste: {
      sour: told.sour ?? null,
      sweet: told.sweet ?? null,
      bitter: told.bitter ?? null,
      body: told.body ?? null,
      dryness: told.dryness ?? null,
    },
    look: { stream: told.stream ?? null, puck: told.puck ?? null },
  }
  const context = { ...NO_CONTEXT, signs: told.signs ?? {}, coffeeAgeDays: told.ageDays ?? null }
  return readShot(facts, RECIPE, context)
}
