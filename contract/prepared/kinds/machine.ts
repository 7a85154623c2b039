import {
  BASKET_SIZES,
  MACHINE_KINDS,
  PREINFUSIONS,
  SELECTORS,
  STARTS,
  STOPS,
  TEMPERATURE_CONTROLS,
  WARM_UP_MINUTES,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { id, instant, name, refuse, within } from '../../primitives.ts'
import { definedKind, firstSteps, namedBasket } from './definedKind.ts'
import { list } from './fields.ts'

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
        buttons: list(
          z.strictObject({
            name,
            suits: z.enum(BASKET_SIZES),
            /** What it is set to let through; null where nobody has looked. */
            ml: within(BOUNDS.targetMl).nullable().default(null),
          }),
        ),
      }),
    ).min(1),
  })
  .superRefine(({ gauge }, context) => {
    if (gauge !== null && gauge.fromBar >= gauge.toBar)
      refuse(context, ['gauge', 'toBar'], 'ends-before-start', 'The zone ends before it begins.')
  })
export type MachineContent = z.infer<typeof machineContent>

const withMl = (button: unknown) => (typeof button === 'object' ? { ml: null, ...button } : button)
const withButtons = (group: unknown) =>
  typeof group === 'object' && group !== null && 'buttons' in group && Array.isArray(group.buttons)
    ? { ...group, buttons: group.buttons.map(withMl) }
    : group

/** Nobody was asked what a machine’s water is set to before version 3, nor its buttons before 4. */
export const machine = definedKind({
  content: machineContent,
  parent: 'bar',
  begins: {
    name: '',
    kind: 'heat-exchange',
    warmUpMinutes: WARM_UP_MINUTES['heat-exchange'],
    setC: null,
    switchedOnAt: null,
    temperature: 'controlled',
    gauge: null,
    preinfusion: 'none',
    startBy: 'button',
    stopBy: 'hand',
    hasReleaseValve: true,
    isSelfFilling: false,
    groups: [{ name: 'Group 1', basketId: null, selector: 'none', buttons: [] }],
  },
  parts: {
    gauge: () => ({ fromBar: 8, toBar: 10 }),
    groups: () => ({ name: '', basketId: null, selector: 'none', buttons: [] }),
    buttons: () => ({ name: '', suits: 'double', ml: null }),
  },
  namedKinds: ['basket'],
  names: ({ groups }) =>
    groups.flatMap(({ basketId }, index) => namedBasket(`groups.${index}.basketId`, basketId)),
  steps: [
    ...firstSteps((content) => ({ setC: null, ...content })),
    (content) =>
      Array.isArray(content['groups']) ? { ...content, groups: content['groups'].map(withButtons) } : content,
  ],
})
