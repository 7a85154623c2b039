import {
  COUNT_METHODS,
  DOSE_METHODS,
  FACTS,
  FIRST_DROPS,
  MARK_PLACES,
  type MarkMethod,
  type ShotFacts,
  isCountMethod,
  netG,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { factSchemas } from './factSchemas.ts'
import { id, refuse, within } from './primitives.ts'
import { tasteTargets } from './prepared/kinds/recipe.ts'
import { shotMeasures, shotNotes } from './shotNotes.ts'

function weighing(net: { readonly min: number; readonly max: number }) {
  return z
    .discriminatedUnion('by', [
      z.strictObject({ by: z.literal('net'), netG: within(net) }),
      z.strictObject({
        by: z.literal('gross'),
        grossG: within(BOUNDS.scaleG),
        tareG: within(BOUNDS.scaleG),
        vesselId: id.nullable(),
      }),
    ])
    .superRefine((value, context) => {
      if (value.by === 'net') return
      const left = netG(value) ?? 0
      // Asked of the weights themselves: the net is rounded, and a sliver below zero would round to none.
      if (value.grossG < value.tareG)
        refuse(context, ['tareG'], 'tare-above-gross', 'The empty weight is more than the full one.')
      else if (left < net.min) refuse(context, ['grossG'], 'net-too-small', `That leaves under ${net.min} g.`)
      else if (left > net.max) refuse(context, ['grossG'], 'net-too-big', `That leaves over ${net.max} g.`)
    })
}

/** Held against a mark by eye. */
const MARK_METHODS = DOSE_METHODS.filter(
  (method): method is MarkMethod => method !== 'scale' && !isCountMethod(method),
)

/** A dose that nobody weighed, as it was seen. */
const doseSeen = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('mark'), mark: z.enum(MARK_METHODS), at: z.enum(MARK_PLACES) }),
  z.strictObject({ by: z.literal('count'), of: z.enum(COUNT_METHODS), count: within(BOUNDS.doseCount) }),
])

const clock = z
  .strictObject({
    firstDrop: z.enum(FIRST_DROPS),
    firstDropS: within(BOUNDS.instantS).nullable(),
    preinfusionEndS: within(BOUNDS.instantS).nullable().exactOptional(),
    stopS: within(BOUNDS.instantS),
    lastDripS: within(BOUNDS.instantS).nullable().exactOptional(),
    estimated: z.boolean(),
  })
  .superRefine((value, context) => {
    if ((value.firstDrop === 'marked') !== (value.firstDropS !== null)) {
      refuse(
        context,
        ['firstDropS'],
        'first-drop-mismatch',
        'A marked first drop needs its second, and only a marked one.',
      )
    }
    if (value.firstDropS !== null && value.firstDropS > value.stopS) {
      refuse(context, ['stopS'], 'stop-before-first-drop', 'The stop lies before the first drop.')
    }
    if ((value.preinfusionEndS ?? 0) > value.stopS)
      refuse(context, ['preinfusionEndS'], 'release-after-stop', 'The release lies after the stop.')
    if ((value.lastDripS ?? value.stopS) < value.stopS)
      refuse(context, ['lastDripS'], 'drip-before-stop', 'The last drip lies before the stop.')
  })

/** What was tasted, each axis 0–10; null where it could not be told. */
export const tasteFacts = z.strictObject(factSchemas(FACTS.taste))

/** What a shot was meant to be where dialling in took it off its recipe. */
const wantedOfShot = z.strictObject({
  doseG: within(BOUNDS.doseNetG).nullable(),
  yieldG: within(BOUNDS.targetG).nullable(),
  taste: tasteTargets.exactOptional(),
})

/** What was observed of one shot. A part nobody saw is null. */
export const shotFacts = z
  .strictObject({
    ...factSchemas(FACTS.gate),
    ...factSchemas(FACTS.shot),
    dose: z.discriminatedUnion('by', [weighing(BOUNDS.doseNetG), doseSeen]).nullable(),
    tamp: z.strictObject(factSchemas(FACTS.tamp)),
    clock: clock.nullable(),
    cup: weighing(BOUNDS.cupNetG).nullable(),
    taste: tasteFacts,
    look: z.strictObject(factSchemas(FACTS.look)),
    wanted: wantedOfShot.exactOptional(),
    measured: shotMeasures.exactOptional(),
    noted: shotNotes.exactOptional(),
  })
  .superRefine((facts, context) => {
    if (facts.clock?.firstDrop === 'none' && (netG(facts.cup) ?? 0) > 0) {
      refuse(context, ['cup'], 'cup-without-drop', 'No drop came, yet the cup weighs something.')
    }
    if (facts.tamp.lowSide !== null && (facts.tamp.tilt ?? 'level') === 'level') {
      refuse(context, ['tamp', 'lowSide'], 'low-side-without-tilt', 'A low side needs a tilt.')
    }
  }) satisfies z.core.$ZodType<ShotFacts>
