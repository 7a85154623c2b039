import type { AcademyFile } from '@calm-apron/contract'
import { ACADEMY, PEOPLE } from './academy.ts'
import { demoCoffees } from './coffees.ts'
import { PROGRAMMES } from './programmes.ts'
import { RECIPES } from './recipes.ts'
import { demoRooms } from './rooms.ts'
import { CAUTIONS, ROUTINES } from './routines.ts'
import { demoShots } from './shots.ts'

import { type HalfYear, halfYear } from './halfYear/index.ts'

/** The made-up academy as it would be at `now`: its house coffee in its window, its last shots a little while ago. */
export function demoAcademy(now: Date): AcademyFile {
  return {
    format: 'calm-apron-academy',
    version: 3,
    madeAt: now.toISOString(),
    academy: ACADEMY,
    people: PEOPLE,
    prepared: [...demoRooms(now), ...RECIPES, ...demoCoffees(now), ...ROUTINES, ...CAUTIONS, ...PROGRAMMES],
    shots: demoShots(now),
    trainings: [],
    corrections: [],
    calls: [],
    slips: [],
    rulings: [],
  }
}

export { sayingOf } from './halfYear/sayingOf.ts'

/** The same with half a year behind it. @param seed another one makes another half-year of the same people */
export function demoOfHalfYear(now: Date, seed?: number): AcademyFile {
  return withHalfYear(now, halfYear(now, seed))
}

/** The same with a half-year that was made before. */
export function withHalfYear(now: Date, { bags, shots, ...beside }: HalfYear): AcademyFile {
  const academy = demoAcademy(now)
  const prepared = [...academy.prepared, ...bags]
  return { ...academy, ...beside, prepared, shots: [...shots, ...academy.shots] }
}
