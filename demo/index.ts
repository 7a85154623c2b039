import type { AcademyFile, Coffee } from '@calm-apron/contract'
import { ACADEMY, BAR, PEOPLE, RECIPES } from './academy.ts'
import { demoId } from './ids.ts'
import { demoShots } from './shots.ts'

const ROASTED_DAYS_AGO = 11
const MS_PER_DAY = 86_400_000

/** The made-up academy as it would be at `now`: its coffee in its window, its last shots a little while ago. */
export function demoAcademy(now: Date): AcademyFile {
  const bagId = demoId('bag', 1)
  return {
    format: 'calm-apron-academy',
    version: 1,
    madeAt: now.toISOString(),
    academy: ACADEMY,
    people: PEOPLE,
    recipes: RECIPES,
    coffees: [coffeeWith(bagId, now)],
    bars: [BAR],
    shots: demoShots(now, bagId),
  }
}

function coffeeWith(bagId: string, now: Date): Coffee {
  return {
    coffeeId: demoId('coffee', 1),
    name: 'Lantern Row',
    roaster: 'Saltgate Roastery',
    freshness: { restDays: 6, bestUntilDays: 22, usableUntilDays: 36 },
    bags: [
      {
        bagId,
        roastedOn: new Date(now.getTime() - ROASTED_DAYS_AGO * MS_PER_DAY).toISOString().slice(0, 10),
      },
    ],
  }
}
