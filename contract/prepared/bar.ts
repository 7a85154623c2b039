import {
  BASKET_SIZES,
  DOSES_BY,
  FINER_IS,
  MACHINE_KINDS,
  PREINFUSIONS,
  SELECTORS,
  STARTS,
  STOPS,
  TEMPERATURE_CONTROLS,
  VESSEL_KINDS,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../bounds.ts'
import { calendarDate, id, instant, line, name, refuse, within } from '../primitives.ts'

const shortText = line({ min: 0, max: BOUNDS.nameLength.max })
const list = <T extends z.core.SomeType>(of: T) => z.array(of).max(BOUNDS.listLength.max)

/** Whether a thing lies on the bench. */
export const BENCH_STATES = ['here', 'missing', 'on-order'] as const

/** A room with a bar in it, and what lies ready on its bench. */
export const barContent = z.strictObject({
  name,
  bench: list(z.strictObject({ what: name, state: z.enum(BENCH_STATES), note: shortText })),
})
export type BarContent = z.infer<typeof barContent>

/** An espresso machine, what hangs on its groups, and how it heats, starts and stops. */
export const machineContent = z
  .strictObject({
    name,
    kind: z.enum(MACHINE_KINDS),
    warmUpMinutes: within(BOUNDS.warmUpMinutes),
    /** null: it is off. */
    switchedOnAt: instant.nullable(),
    temperature: z.enum(TEMPERATURE_CONTROLS),
    /** What its water is set to; null where nobody sets it, or knows. */
    setC: within(BOUNDS.temperatureC).nullable().default(null),
    /** The zone of its pressure gauge; null where it has none. */
    gauge: z
      .strictObject({ fromBar: within(BOUNDS.pressureBar), toBar: within(BOUNDS.pressureBar) })
      .nullable(),
    preinfusion: z.enum(PREINFUSIONS),
    startBy: z.enum(STARTS),
    stopBy: z.enum(STOPS),
    hasReleaseValve: z.boolean(),
    isSelfFilling: z.boolean(),
    groups: list(
      z.strictObject({
        name,
        basketId: id.nullable(),
        selector: z.enum(SELECTORS),
        buttons: list(z.strictObject({ name, suits: z.enum(BASKET_SIZES) })),
      }),
    ).min(1),
  })
  .superRefine(({ gauge }, context) => {
    if (gauge !== null && gauge.fromBar >= gauge.toBar)
      refuse(context, ['gauge', 'toBar'], 'ends-before-start', 'The zone ends before it begins.')
  })
export type MachineContent = z.infer<typeof machineContent>

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

/** Tools of a bench. */
export const TOOL_KINDS = [
  'tamper',
  'levelling-tool',
  'needle-tool',
  'funnel',
  'knock-box',
  'jug',
  'thermometer',
  'other',
] as const

/** A tool of a bench. */
export const toolContent = z.strictObject({
  name,
  kind: z.enum(TOOL_KINDS),
  diameterMm: within(BOUNDS.diameterMm).nullable(),
})
export type ToolContent = z.infer<typeof toolContent>

/** A scale, and when it was last check-weighed. */
export const scaleContent = z.strictObject({
  name,
  resolutionG: within(BOUNDS.resolutionG),
  /** Whether it fits between drip tray and cup. */
  isThinEnough: z.boolean(),
  checkWeighedOn: calendarDate.nullable(),
})
export type ScaleContent = z.infer<typeof scaleContent>

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
