import { DOSES_BY, FINER_IS } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { id, line, name, refuse, within } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'
import { list } from './fields.ts'

/** A grinder: its scale, what it doses by, what was weighed on it, and who may move it. */
export const grinderContent = z
  .strictObject({
    name,
    minSetting: within(BOUNDS.grindSetting),
    maxSetting: within(BOUNDS.grindSetting),
    settingStep: within(BOUNDS.settingStep),
    isStepless: z.boolean(),
    lettersPerNumber: z.int().min(BOUNDS.lettersPerNumber.min).max(BOUNDS.lettersPerNumber.max),
    finerIs: z.enum(FINER_IS),
    /** Where the burrs touch; null: nobody has looked. */
    touchingAt: within(BOUNDS.grindSetting).nullable(),
    onlyWhileRunning: z.boolean(),
    purgeG: within(BOUNDS.purgeG),
    /** Beans weighed in above the dose, for what spills and stays; null: none. */
    overWeighG: within(BOUNDS.purgeG).nullable().default(null),
    dosesBy: z.enum(DOSES_BY),
    /** `settingsPerUnit` null: nobody knows how far it shifts the outer scale, and a move begins a new history. */
    innerBurr: z
      .strictObject({
        at: within(BOUNDS.burr),
        settingsPerUnit: within(BOUNDS.burr).nullable(),
      })
      .nullable(),
    /** What it gave for how many seconds, where it doses by time. */
    portions: list(
      z.strictObject({
        seconds: within(BOUNDS.dosingS),
        grams: within(BOUNDS.doseNetG),
        /** The setting it was weighed at; null where nobody noted it. */
        settingAt: within(BOUNDS.grindSetting).nullable().default(null),
      }),
    ),
    weighIns: list(
      z.strictObject({ beansInG: within(BOUNDS.doseNetG), groundsOutG: within(BOUNDS.doseNetG) }),
    ),
    /** Who alone may change it, and why. */
    lock: z.strictObject({ personId: id, reason: line(BOUNDS.reasonLength) }).nullable(),
  })
  .superRefine(({ minSetting, maxSetting, settingStep, touchingAt }, context) => {
    if (minSetting >= maxSetting)
      refuse(context, ['maxSetting'], 'ends-before-start', 'The scale ends before it begins.')
    else if (settingStep > maxSetting - minSetting)
      refuse(context, ['settingStep'], 'step-too-wide', 'One step is more than the whole scale.')
    if (touchingAt !== null && (touchingAt < minSetting || touchingAt > maxSetting))
      refuse(context, ['touchingAt'], 'off-scale', 'That lies off the scale.')
  })
export type GrinderContent = z.infer<typeof grinderContent>

function withoutSetting(portion: unknown): unknown {
  return typeof portion === 'object' ? { settingAt: null, ...portion } : portion
}

/** Nobody was asked at which setting a portion was weighed before version 3, nor how many beans above the dose before 4. */
export const grinder = definedKind({
  content: grinderContent,
  parent: 'bar',
  begins: {
    name: '',
    minSetting: 0,
    maxSetting: null,
    settingStep: 1,
    isStepless: false,
    lettersPerNumber: 0,
    finerIs: 'lower',
    touchingAt: null,
    onlyWhileRunning: false,
    purgeG: 5,
    overWeighG: null,
    dosesBy: 'weight',
    innerBurr: null,
    portions: [],
    weighIns: [],
    lock: null,
  },
  parts: {
    innerBurr: () => ({ at: 0, settingsPerUnit: null }),
    portions: () => ({ seconds: null, grams: null, settingAt: null }),
    weighIns: () => ({ beansInG: null, groundsOutG: null }),
    lock: () => ({ personId: '', reason: '' }),
  },
  keeper: ({ lock }) => lock && { path: 'lock', personId: lock.personId },
  steps: [
    ...firstSteps((content) =>
      Array.isArray(content['portions'])
        ? { ...content, portions: content['portions'].map(withoutSetting) }
        : content,
    ),
    (content) => ({ overWeighG: null, ...content }),
  ],
})
