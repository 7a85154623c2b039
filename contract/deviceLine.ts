import { TILTS } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { within } from './primitives.ts'

/** What a device can feel. */
export const SENSORS = ['scale', 'plate', 'pressure', 'thermometer'] as const
export type Sensor = (typeof SENSORS)[number]

/** Milliseconds of the device's own steady clock. */
const t = z.number().nonnegative()

/** One line of what a device says. A line that is none of these is passed over. */
export const deviceWord = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('hello'),
    name: z.string().max(80),
    sensors: z.array(z.enum(SENSORS)),
    /** How many seconds of the device's clock pass in one of ours; only a stand-in is faster than life. */
    pace: within({ min: 1, max: 20 }).default(1),
    /** A simulated device takes orders about what lies on it. */
    isStandIn: z.boolean().default(false),
  }),
  z.object({ kind: z.literal('weight'), t, value: z.number(), unit: z.enum(['g', 'oz']) }),
  z.object({ kind: z.literal('force'), t, value: z.number(), unit: z.enum(['N', 'kgf', 'lbf']) }),
  z.object({ kind: z.literal('pressure'), t, value: z.number(), unit: z.enum(['bar', 'psi']) }),
  z.object({ kind: z.literal('trouble'), says: z.string().max(300) }),
  z.object({ kind: z.literal('temperature'), t, value: z.number(), unit: z.enum(['C', 'F']) }),
])
export type DeviceWord = z.infer<typeof deviceWord>

/** What a device says is wrong with it. */
export const DEVICE_FAULTS = [
  'noise',
  'drift',
  'drop-outs',
  'disconnect',
  'late',
  'wrong-unit',
  'bump',
] as const
export type DeviceFault = (typeof DEVICE_FAULTS)[number]

/** One line of what is said to a device. The first two are for any; the rest is what hands do to a stand-in. */
export const deviceOrder = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('tare') }),
  /** The pump was started or stopped at the tablet; a machine that can't be told passes it over. */
  z.object({ kind: z.literal('pump'), isOn: z.boolean() }),
  z.object({ kind: z.literal('put'), vesselG: within(BOUNDS.scaleG), contentG: within(BOUNDS.scaleG) }),
  z.object({ kind: z.literal('add'), g: z.number().min(-BOUNDS.doseNetG.max).max(BOUNDS.doseNetG.max) }),
  z.object({ kind: z.literal('take') }),
  z.object({ kind: z.literal('press'), forceN: within({ min: 0, max: BOUNDS.forceN.max }) }),
  z.object({
    kind: z.literal('bench'),
    setting: within(BOUNDS.grindSetting).optional(),
    doseG: within(BOUNDS.doseNetG).optional(),
    tilt: z.enum(TILTS).optional(),
    unevenness: within({ min: 0, max: 1 }).optional(),
    /** Where the machine stops by itself, in g. */
    stopAtG: within(BOUNDS.cupNetG).optional(),
  }),
  z.object({ kind: z.literal('fault'), fault: z.enum(DEVICE_FAULTS), isOn: z.boolean() }),
])
export type DeviceOrder = z.infer<typeof deviceOrder>

/** Reads what came over the line: one JSON document a line; what can't be read is left out and counted. */
export function readLines<S extends z.core.$ZodType>(
  schema: S,
  text: string,
): { words: z.infer<S>[]; unread: number } {
  const words: z.infer<S>[] = []
  let unread = 0
  for (const line of text.split('\n')) {
    if (line.trim() === '') continue
    const parsed = z.safeParse(schema, parseOrNull(line))
    if (parsed.success) words.push(parsed.data)
    else unread += 1
  }
  return { words, unread }
}

function parseOrNull(line: string): unknown {
  try {
    return JSON.parse(line)
  } catch {
    return null
  }
}

/** Things as one text of lines. */
export function writeLines(things: readonly object[]): string {
  return things.map((each) => `${JSON.stringify(each)}\n`).join('')
}
