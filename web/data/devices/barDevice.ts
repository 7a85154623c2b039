import type { DeviceOrder, Sensor } from '@calm-apron/contract'
import type { Ref } from 'vue'

/** A reading in base units (g, N, bar, °C), with the device's own time in s on the clock that `nowS` shows. */
export interface SensorReading {
  sensor: Sensor
  value: number
  atS: number
}

/** `none`: nothing was ever set up here. `gone`: it was here, and is not just now. */
export type DeviceState = 'none' | 'looking' | 'here' | 'gone'

/** What is odd about what a device says, worth a word to whoever reads it. */
export type DeviceTrouble = 'silent' | 'late' | 'other-unit' | 'below-nothing' | 'unreadable'

/**
 * What the bar knows of the things that measure. A connected device is one implementation, typing by hand another;
 * neither ever holds up a shot.
 */
export interface BarDevice {
  state: Readonly<Ref<DeviceState>>
  name: Readonly<Ref<string>>
  trouble: Readonly<Ref<DeviceTrouble | null>>
  /** How many seconds of the shot's clock pass in one of ours; 1 but for a stand-in in a hurry. */
  pace: Readonly<Ref<number>>
  isStandIn: Readonly<Ref<boolean>>
  /** The last reading of each sensor, gone once it is no longer told. */
  last: Readonly<Ref<Partial<Record<Sensor, SensorReading>>>>
  /** Hears every reading from now on; returns how to stop. */
  hear: (listener: (reading: SensorReading) => void) => () => void
  /** Orders it to do something; where nothing is connected, nothing happens. */
  order: (order: DeviceOrder) => void
  close: () => void
}
