import { type DeviceOrder, type Sensor, deviceWord, readLines, writeLines } from '@calm-apron/contract'
import { ref, shallowRef } from 'vue'
import type { BarDevice, DeviceState, DeviceTrouble, SensorReading } from './barDevice.ts'
import { clockOffset } from './clockOffset.ts'
import { type MeasuringWord, readingOf } from './readingOf.ts'
import { monotonicNowMs } from './steadyClock.ts'

const [FIRST_WAIT_MS, LONGEST_WAIT_MS] = [500, 5000]
/** Without a word for so long, in the device's own seconds, it is silent. */
const SILENT_AFTER_S = 1
/** A reading that was taken so long before the freshest one could be comes late. */
const LATE_S = 0.4
/** No vessel weighs less than nothing by so much; a knock, or a tare with something on it. */
const BELOW_NOTHING_G = -2
const LOOK_EVERY_MS = 250

/**
 * A device at the other end of a WebSocket that speaks one JSON document a line. It is looked for again and again
 * while it is away, and its own steady clock is laid over ours, so that a late reading still has its right time.
 */
export function lineDevice(address: string): BarDevice {
  const state = ref<DeviceState>('looking')
  const name = ref('')
  const trouble = ref<DeviceTrouble | null>(null)
  const pace = ref(1)
  const isStandIn = ref(false)
  const last = shallowRef<Partial<Record<Sensor, SensorReading>>>({})
  const listeners = new Set<(reading: SensorReading) => void>()
  let line: WebSocket | null = null
  let again: ReturnType<typeof setTimeout> | undefined
  let waitMs = FIRST_WAIT_MS
  let isClosed = false
  const clock = clockOffset()
  let heardMs = 0

  const nowS = () => (monotonicNowMs() / 1000) * pace.value

  function connect(): void {
    line = new WebSocket(address)
    line.addEventListener('message', ({ data }: MessageEvent<unknown>) => take(String(data)))
    line.addEventListener('close', lose)
  }

  function lose(): void {
    line = null
    if (isClosed) return
    state.value = name.value === '' ? 'looking' : 'gone'
    trouble.value = null
    last.value = {}
    clock.forget()
    again = setTimeout(connect, waitMs)
    waitMs = Math.min(LONGEST_WAIT_MS, waitMs * 2)
  }

  function take(text: string): void {
    const { words, unread } = readLines(deviceWord, text)
    heardMs = monotonicNowMs()
    let odd: DeviceTrouble | null = unread > 0 ? 'unreadable' : null
    const told: Partial<Record<Sensor, SensorReading>> = {}
    for (const word of words) {
      if (word.kind === 'hello') greet(word.name, word.pace, word.isStandIn)
      else if (word.kind !== 'trouble') {
        const heard = hearWord(word)
        told[heard.reading.sensor] = heard.reading
        odd = heard.odd ?? odd
      }
    }
    last.value = { ...last.value, ...told }
    trouble.value = odd
  }

  function greet(named: string, itsPace: number, standsIn: boolean): void {
    name.value = named
    pace.value = itsPace
    isStandIn.value = standsIn
    state.value = 'here'
    waitMs = FIRST_WAIT_MS
  }

  function hearWord(word: MeasuringWord): { reading: SensorReading; odd: DeviceTrouble | null } {
    const { sensor, value, isOtherUnit } = readingOf(word)
    const reading = { sensor, value, atS: clock.heard(word.t / 1000, nowS()) }
    for (const listener of listeners) listener(reading)
    if (sensor === 'scale' && value < BELOW_NOTHING_G) return { reading, odd: 'below-nothing' }
    if (isOtherUnit) return { reading, odd: 'other-unit' }
    return { reading, odd: nowS() - reading.atS > LATE_S * pace.value ? 'late' : null }
  }

  const looking = setInterval(() => {
    const silentS = ((monotonicNowMs() - heardMs) / 1000) * pace.value
    if (state.value === 'here' && silentS > SILENT_AFTER_S * Math.max(1, pace.value / 4))
      trouble.value = 'silent'
  }, LOOK_EVERY_MS)

  function hear(listener: (reading: SensorReading) => void): () => void {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }

  function order(what: DeviceOrder): void {
    if (line?.readyState === WebSocket.OPEN) line.send(writeLines([what]))
  }

  function close(): void {
    isClosed = true
    clearTimeout(again)
    clearInterval(looking)
    line?.close()
  }

  connect()
  return { state, name, trouble, pace, isStandIn, last, hear, order, close }
}
