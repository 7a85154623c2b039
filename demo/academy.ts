import type { Academy, Bar, Person, RecipeRevision } from '@calm-apron/contract'
import { demoId } from './ids.ts'

export const ACADEMY: Academy = {
  academyId: demoId('academy', 1),
  name: 'Tern & Thimble',
  town: 'Ostrel',
  timeZone: 'Atlantic/Azores',
}

const trainee = (number: number, displayName: string): Person => ({
  personId: demoId('person', number),
  displayName,
  role: 'trainee',
})

export const PEOPLE: Person[] = [
  { personId: demoId('person', 1), displayName: 'Odalys Brandt', role: 'trainer' },
  trainee(2, 'Mirren Kestle'),
  trainee(3, 'Jonas Abelard'),
  trainee(4, 'Suvi Okonjo'),
  trainee(5, 'Teo Varga-Lind'),
  { personId: demoId('person', 6), displayName: 'Halla Winterbourne', role: 'head' },
  { personId: demoId('person', 7), displayName: 'Bram Ostergard', role: 'trainer' },
  trainee(8, 'Pia Restrand'),
  trainee(9, 'Callum Osei'),
  trainee(10, 'Nadia Fjordal'),
  trainee(11, 'Emrys Tolland'),
]

/** Two schools: one watches the pump clock, the other starts counting at the first drop. */
export const RECIPES: RecipeRevision[] = [
  {
    recipeRevisionId: demoId('recipeRevision', 1),
    recipeId: demoId('recipe', 1),
    revisionNo: 1,
    name: 'House double',
    targets: {
      doseG: 18.4,
      doseToleranceG: 0.3,
      yieldG: 39,
      yieldToleranceG: 2,
      clock: 'pump',
      timeMinS: 26,
      timeMaxS: 32,
      firstDropMinS: 5,
      firstDropMaxS: 10,
      tasteTolerance: 2,
      sweetMin: 5,
    },
  },
  {
    recipeRevisionId: demoId('recipeRevision', 2),
    recipeId: demoId('recipe', 2),
    revisionNo: 1,
    name: 'Harbour double',
    targets: {
      doseG: 17.6,
      doseToleranceG: 0.3,
      yieldG: 34,
      yieldToleranceG: 2,
      clock: 'drop',
      timeMinS: 20,
      timeMaxS: 26,
      firstDropMinS: 6,
      firstDropMaxS: 11,
      tasteTolerance: 2,
      sweetMin: 5,
    },
  },
]

export const BAR: Bar = {
  barId: demoId('bar', 1),
  name: 'Quay room',
  machineName: 'Two-group, quay side',
  grinders: [
    {
      grinderId: demoId('grinder', 1),
      name: 'Quay grinder',
      minSetting: 0,
      maxSetting: 40,
      settingStep: 1,
      finerIs: 'lower',
    },
  ],
  vessels: [
    { id: demoId('vessel', 1), name: 'Portafilter 1', kind: 'portafilter', emptyG: 586.4 },
    { id: demoId('vessel', 2), name: 'Portafilter 2', kind: 'portafilter', emptyG: 591.2 },
    { id: demoId('vessel', 3), name: 'Dosing cup', kind: 'dosing-cup', emptyG: 172.4 },
    { id: demoId('vessel', 4), name: 'Tasting cup', kind: 'cup', emptyG: 118.6 },
    { id: demoId('vessel', 5), name: 'Glass cup', kind: 'cup', emptyG: 87.3 },
  ],
}
