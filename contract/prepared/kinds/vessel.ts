import { VESSEL_KINDS } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { name, within } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'

/** Of a portafilter; none is a bottomless one. */
export const SPOUTS = ['none', 'one', 'two'] as const

/** What stands on a scale, and its empty weight in g. */
export const vesselContent = z.strictObject({
  name,
  kind: z.enum(VESSEL_KINDS),
  /** Of a portafilter; null for the rest. */
  spouts: z.enum(SPOUTS).nullable(),
  emptyG: within(BOUNDS.vesselG),
  emptyWithFunnelG: within(BOUNDS.vesselG).nullable(),
})
export type VesselContent = z.infer<typeof vesselContent>

/** Its empty weight is asked of its owner. */
export const vessel = definedKind({
  content: vesselContent,
  parent: 'bar',
  begins: { name: '', kind: 'portafilter', spouts: 'two', emptyG: null, emptyWithFunnelG: null },
  steps: firstSteps(),
})
