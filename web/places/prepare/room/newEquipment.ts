import type { PreparedContent, PreparedKind } from '@calm-apron/contract'
import { WARM_UP_MINUTES } from '@calm-apron/core'

/** Kinds of which a room holds any number. */
export const ROOM_KINDS = [
  'machine',
  'grinder',
  'basket',
  'vessel',
  'tool',
  'scale',
  'water',
] as const satisfies readonly PreparedKind[]
export type RoomKind = (typeof ROOM_KINDS)[number]

/** What a new piece begins as; numbers that only its owner knows are left to be filled in. */
const NEW: { [K in RoomKind]: { [F in keyof PreparedContent<K>]: PreparedContent<K>[F] | null } } = {
  machine: {
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
  grinder: {
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
    dosesBy: 'weight',
    innerBurr: null,
    portions: [],
    weighIns: [],
    lock: null,
  },
  basket: {
    name: '',
    size: 'double',
    nominalG: null,
    diameterMm: 58,
    wall: 'single-wall',
    hasLine: false,
  },
  vessel: { name: '', kind: 'portafilter', spouts: 'two', emptyG: null, emptyWithFunnelG: null },
  tool: { name: '', kind: 'tamper', diameterMm: null },
  scale: { name: '', resolutionG: 0.1, isThinEnough: true, checkWeighedOn: null },
  water: {
    name: '',
    source: '',
    filterChangedOn: null,
    filterLastsDays: null,
    hardnessDh: null,
    batch: null,
  },
}

export function newEquipment(kind: RoomKind): Record<string, unknown> {
  return { ...NEW[kind] }
}
