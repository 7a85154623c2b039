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
  batch: z
    .strictObject({
      litres: within(BOUNDS.litres),
      mgPerLitre: within(BOUNDS.mgPerLitre),
      /** For how much water one packet is, where they come in packets; null: they are weighed. */
      packetLitres: within(BOUNDS.litres).nullable().default(null),
    })
    .nullable(),
})
export type WaterContent = z.infer<typeof waterContent>

/** All of it is asked of its owner. Minerals came in no packets before version 4. */
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
  parts: { batch: () => ({ litres: 5, mgPerLitre: 120, packetLitres: null }) },
  steps: [
    ...firstSteps(),
    ({ batch, ...content }) => ({
      ...content,
      batch: typeof batch === 'object' && batch !== null ? { packetLitres: null, ...batch } : batch,
    }),
  ],
})
