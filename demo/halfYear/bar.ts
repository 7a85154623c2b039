import type { Tilt } from '@calm-apron/core'
import { CAREFUL_SHOT, EXAMPLE_BENCH, simulateShot } from '@calm-apron/core/bench'

/** The recipe that all learn by, and the setting at which its time lies in the middle of its window. */
export const RECIPE = { doseG: 18.4, yieldG: 39, windowS: [26, 32], setting: 15.5 } as const

/** What the grinder's scale is off by: its burrs wear by so much a day, and on one day somebody moved them. */
const WORN_PER_DAY = 0.01
const BURR_MOVED = { daysAgo: 70, by: 1.5 }
const SETTING_STEP = 0.5

/** By how much a setting gives a coarser grind than half a year before. */
export function scaleOff(daysAgo: number): number {
  const worn = (182 - daysAgo) * WORN_PER_DAY
  return daysAgo <= BURR_MOVED.daysAgo ? worn + BURR_MOVED.by : worn
}

/** The setting at which the recipe runs in its window so many days before today, on the grinder's own steps. */
export function rightSetting(daysAgo: number): number {
  return Math.round((RECIPE.setting - scaleOff(daysAgo)) / SETTING_STEP) * SETTING_STEP
}

/** A shot as the bench makes it. */
export interface MadeShot {
  firstDropS: number
  stopS: number
  cup: { sour: number; sweet: number; bitter: number }
}

/** Each shot of its kind is simulated once: half a year is made in two seconds. */
const known = new Map<string, MadeShot>()

/** What comes of a setting, a dose and a tamp so many days before today; in s from pump start. */
export function madeAt(setting: number, daysAgo: number, doseG: number, tilt: Tilt): MadeShot {
  const grind = Math.round((setting + scaleOff(daysAgo)) * 4) / 4
  const near = Math.round(doseG * 5) / 5
  const key = [grind, near, tilt].join(' ')
  const found = known.get(key)
  if (found) return found
  const done = { ...CAREFUL_SHOT, setting: grind, doseG: near, tilt, stopAtG: RECIPE.yieldG, stopAtS: 75 }
  const { firstDropS, stopS, cup } = simulateShot(EXAMPLE_BENCH, done)
  const { sour, sweet, bitter } = cup
  const made = { firstDropS: firstDropS ?? stopS, stopS, cup: { sour, sweet, bitter } }
  known.set(key, made)
  return made
}
