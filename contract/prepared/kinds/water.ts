import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { calendarDate, name, within } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'
import { shortText } from './fields.ts'

/** The water of a room: where it is from, its filter, its hardness in °dH. */
export const waterContent = z.strictObject({
  name,
  source: shortText,
  filterChangedOn: calendarDate.nullable(),
  filterLastsDays: z.int().min(1).max(BOUNDS.days.max).nullable(),
  hardnessDh: within(BOUNDS.hardnessDh).nullable(),
  /** Minerals for distilled water. */
  batch: z.strictObject({ litres: within(BOUNDS.litres), mgPerLitre: within(BOUNDS.mgPerLitre) }).nullable(),
})
export type WaterContent = z.infer<typeof waterContent>

/** All of it is asked of its owner. */
export const water = definedKind({
  content: waterContent,
  parent: 'bar',
  begins: {
    name: '',
    source: '',
    filterChangedOn: null,
    filterLastsDays: null,
    hardnessDh: null,
    batch: null,
  },
  parts: { batch: () => ({ litres: 5, mgPerLitre: 120 }) },
  steps: firstSteps(),
})
