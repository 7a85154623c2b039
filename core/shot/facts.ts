import type { TasteTargets } from '../recipe/recipe.ts'
import type { ShotNotes } from './notes.ts'

/** The tamp's tilt as seen from above. */
export const TILTS = ['level', 'slight', 'clear'] as const
export type Tilt = (typeof TILTS)[number]

export const SIDES = ['left', 'right', 'front', 'back'] as const
export type Side = (typeof SIDES)[number]

export const STREAMS = ['even', 'spurting', 'one-sided'] as const
export type Stream = (typeof STREAMS)[number]

export const PUCKS = ['even', 'holes', 'thin-side', 'soup', 'powder'] as const
export type Puck = (typeof PUCKS)[number]

/** `missed`: it came and nobody marked it. `none`: the shot was stopped before any drop came. */
export const FIRST_DROPS = ['marked', 'missed', 'none'] as const
export type FirstDrop = (typeof FIRST_DROPS)[number]

/** Why a shot was given up without a cup worth weighing. */
export const ABANDONMENTS = ['choked', 'gushed', 'spilt'] as const
export type Abandonment = (typeof ABANDONMENTS)[number]

export const TASTE_AXES = ['sour', 'sweet', 'bitter', 'body', 'dryness'] as const
export type TasteAxis = (typeof TASTE_AXES)[number]

/** A weight as it was read: net from a tared scale, or gross together with the vessel's empty weight. */
export type Weighing =
  { by: 'net'; netG: number } | { by: 'gross'; grossG: number; tareG: number; vesselId: string | null }

/** The raw instants in s from pump start; `estimated` when a reload came between them. */
export interface ShotClock {
  firstDrop: FirstDrop
  firstDropS: number | null
  /** When a pre-infusion held by hand was released; left out or null where none was, or nobody marked it. */
  preinfusionEndS?: number | null
  stopS: number
  /** When the last drip fell; left out or null where nobody waited for it. */
  lastDripS?: number | null
  estimated: boolean
}

/** What a scale under the cup saw: s from pump start, g in the cup. */
export interface ShotSample {
  timeS: number
  weightG: number
}

/** What a shot was meant to be where dialling in took it off its recipe, in g; null where it is the recipe's own. */
export interface ShotWanted {
  doseG: number | null
  yieldG: number | null
  /** What two trainers tasted when the setting was locked; left out where they didn't. */
  taste?: TasteTargets
}

/** What only some houses measure. */
export interface ShotMeasures {
  /** Yield as read in the cup with its crema. */
  cupMl: number | null
  tampForceN: number | null
  /** What still drips after the stop, in g, where that was learned; null: as this shot's own samples and cup say. */
  leadG: number | null
}

/**
 * What was observed of one shot, as it was observed. `null` is always "not known", never "fine".
 * Taste axes run 0–10.
 */
export interface ShotFacts {
  grindSetting: number | null
  grinderPurged: boolean | null
  machineHot: boolean | null
  /** Where nothing is said of `basketClean`, false is wet or dirty: it was one question once. */
  basketDry: boolean | null
  /** Left out in shots of which it was not asked. */
  basketClean?: boolean | null
  rightBasket: boolean | null
  bedEven: boolean | null
  dose: Weighing | null
  tamp: { tilt: Tilt | null; lowSide: Side | null; settled: boolean | null }
  clock: ShotClock | null
  cup: Weighing | null
  abandoned: Abandonment | null
  taste: Record<TasteAxis, number | null>
  look: { stream: Stream | null; puck: Puck | null }
  /** Left out where it was meant as the recipe says. */
  wanted?: ShotWanted
  /** Left out where the house measures none of it. */
  measured?: ShotMeasures
  /** Left out where no scale that tells of itself stood under the cup. */
  samples?: readonly ShotSample[]
  /** What was noted at the bar beside what is judged first; left out where nothing was. */
  noted?: ShotNotes
}

/** Whether anything is known of a shot that only its pull can show. */
export function isPulled({ clock, cup, abandoned }: ShotFacts): boolean {
  return clock !== null || cup !== null || abandoned !== null
}

/** Facts of a shot of which nothing is known yet. */
export function unknownFacts(): ShotFacts {
  return {
    grindSetting: null,
    grinderPurged: null,
    machineHot: null,
    basketDry: null,
    rightBasket: null,
    bedEven: null,
    dose: null,
    tamp: { tilt: null, lowSide: null, settled: null },
    clock: null,
    cup: null,
    abandoned: null,
    taste: { sour: null, sweet: null, bitter: null, body: null, dryness: null },
    look: { stream: null, puck: null },
  }
}
