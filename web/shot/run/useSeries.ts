import { type ShotSample, isOfStream, packSeries, unpackSeries } from '@calm-apron/core'
import { shallowRef, triggerRef } from 'vue'
import { deviceDatabase } from '../../data/device/deviceDatabase.ts'
import { writeOnDevice } from '../../data/device/writeOnDevice.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'

const KEEP_EVERY_MS = 1000

/** What sensors see of one shot, in the order of time, kept on the device each second so that a reload loses little. */
export function useSeries(shotId: string) {
  const outbox = useOutbox()
  const weights = shallowRef<ShotSample[]>([])
  const pressures = shallowRef<ShotSample[]>([])
  let keptAtMs = 0
  /** Before what was kept is back, nothing is kept over it. */
  let isBack = false
  let coming: Promise<void> | null = null

  /** Brings back what was kept, before whatever came in meanwhile; once, however often it is asked for. */
  function restore(): Promise<void> {
    coming ??= bringBack()
    return coming
  }

  async function bringBack(): Promise<void> {
    const kept = await (await deviceDatabase()).get('series', shotId)
    if (isBack) return
    isBack = true
    if (!kept) return
    weights.value = joined(unpackSeries(kept.weight), weights.value)
    pressures.value = joined(unpackSeries(kept.pressure), pressures.value)
  }

  /** Adds one; a weight that can't be the stream's is left out. Tells whether it was taken. */
  function add(kind: 'weight' | 'pressure', sample: ShotSample): boolean {
    const series = kind === 'weight' ? weights : pressures
    const before = series.value.findLast(({ timeS }) => timeS < sample.timeS)
    if (kind === 'weight' && !isOfStream(before, sample)) return false
    const at = before === undefined ? 0 : series.value.indexOf(before) + 1
    if (series.value[at]?.timeS === sample.timeS) return false
    series.value.splice(at, 0, sample)
    triggerRef(series)
    keepNowAndThen()
    return true
  }

  function keepNowAndThen(): void {
    const now = performance.now()
    if (!isBack || now - keptAtMs < KEEP_EVERY_MS) return
    keptAtMs = now
    void keep()
  }

  async function keep(): Promise<void> {
    await restore()
    const packed = { weight: packSeries(weights.value), pressure: packSeries(pressures.value) }
    await outbox.keeping(() => writeOnDevice(['series'], (store) => [store('series').put(packed, shotId)]))
  }

  /** As a shot is recorded with it; null where no sensor saw anything. */
  function packed(): { weight: string | null; pressure: string | null } | null {
    const weight = weights.value.length === 0 ? null : packSeries(weights.value)
    const pressure = pressures.value.length === 0 ? null : packSeries(pressures.value)
    return weight === null && pressure === null ? null : { weight, pressure }
  }

  function clear(): void {
    isBack = true
    weights.value = []
    pressures.value = []
    void keep()
  }

  return { weights, pressures, restore, add, packed, keep, clear }
}

/** Both, each instant once, in the order of time. */
function joined(kept: readonly ShotSample[], since: readonly ShotSample[]): ShotSample[] {
  const [first] = since
  return [...kept.filter(({ timeS }) => first === undefined || timeS < first.timeS), ...since]
}
