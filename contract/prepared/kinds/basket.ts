import { BASKET_SIZES } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { name, within } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'

/** How a basket holds back the water: by the coffee alone, or by a wall of its own. */
export const WALLS = ['single-wall', 'pressurised'] as const

/** A basket, and the dose it is made for in g. */
export const basketContent = z.strictObject({
  name,
  size: z.enum(BASKET_SIZES),
  nominalG: within(BOUNDS.doseNetG),
  diameterMm: within(BOUNDS.diameterMm),
  wall: z.enum(WALLS),
  hasLine: z.boolean(),
})
export type BasketContent = z.infer<typeof basketContent>

/** A double to begin with; what it is made for is on the basket. */
export const basket = definedKind({
  content: basketContent,
  parent: 'bar',
  begins: { name: '', size: 'double', nominalG: null, diameterMm: 58, wall: 'single-wall', hasLine: false },
  steps: firstSteps(),
})
