import type { BasketSize } from '../recipe/presetKinds.ts'

/** How a machine makes its heat and pressure. */
export const MACHINE_KINDS = ['single-boiler', 'heat-exchange', 'two-boiler', 'lever', 'assisted'] as const
export type MachineKind = (typeof MACHINE_KINDS)[number]

/** Minutes until group and portafilter are hot, not only the boiler: 10 for a small single boiler, up to 30 for large ones. */
export const WARM_UP_MINUTES: Record<MachineKind, number> = {
  'single-boiler': 10,
  'heat-exchange': 25,
  'two-boiler': 30,
  lever: 25,
  assisted: 15,
}

/** How a machine holds its heat: closely, by a thermostat that swings, or not at all. */
export const TEMPERATURE_CONTROLS = ['controlled', 'thermostat', 'none'] as const
/** Whether water first wets the bed without pressure, and by whom. */
export const PREINFUSIONS = ['none', 'automatic', 'held'] as const
/** What starts a shot. */
export const STARTS = ['button', 'lever', 'paddle'] as const
/** What ends a shot. */
export const STOPS = ['hand', 'volume-counter', 'timer'] as const

/** Minutes of warm-up still to wait; null while the machine is off. Instants in ms. */
export function warmUpLeft(switchedOnMs: number | null, nowMs: number, neededMinutes: number): number | null {
  if (switchedOnMs === null) return null
  // A clock that is a little behind is no reason to wait longer than the machine needs.
  const onMinutes = Math.max(0, nowMs - switchedOnMs) / 60_000
  return Math.max(0, Math.ceil(neededMinutes - onMinutes))
}

/** Where a lever on the group stands, for one cup or two. */
export const SELECTORS = ['none', 'single', 'double'] as const
export type Selector = (typeof SELECTORS)[number]

/** What hangs together on one group: the basket in it, where its selector stands, and its programmed buttons. */
export interface GroupSetting {
  basketSize: BasketSize | null
  selector: Selector
  buttons: readonly { name: string; suits: BasketSize }[]
}

/** What of a group does not go with its basket. */
export type GroupDisagreement =
  | { code: 'no-basket' }
  | { code: 'selector-against-basket'; selector: Selector; basket: BasketSize }
  | { code: 'no-button-for-basket'; basket: BasketSize }

/** Whether basket, selector and buttons of a group agree; a "one-cup" button with a double basket gives short shots. */
export function checkGroup({ basketSize, selector, buttons }: GroupSetting): GroupDisagreement[] {
  if (basketSize === null) return [{ code: 'no-basket' }]
  const found: GroupDisagreement[] = []
  // A selector knows no more than two sizes; a triple basket wants its larger one.
  const wanted = basketSize === 'single' ? 'single' : 'double'
  if (selector !== 'none' && selector !== wanted)
    found.push({ code: 'selector-against-basket', selector, basket: basketSize })
  if (buttons.length > 0 && !buttons.some(({ suits }) => suits === basketSize))
    found.push({ code: 'no-button-for-basket', basket: basketSize })
  return found
}
