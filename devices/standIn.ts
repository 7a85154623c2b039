import type { DeviceFault, DeviceOrder, DeviceWord } from '@calm-apron/contract'
import { CAREFUL_SHOT, EXAMPLE_BENCH, type ShotDone } from '@calm-apron/core'
import { type Seeded, seeded, simulateFlow } from '@calm-apron/core/bench'

/** Ten readings a second, as good scales give. */
export const READ_EVERY_MS = 100
/** No shot runs longer, and no cup holds more. */
const LONGEST_S = 120
const FULL_CUP_G = 250
const NOISE_G = 0.02
const NOISY_G = 0.6
const DRIFT_G_PER_S = 0.02
/** A drop-out is silent for so long, once in so often. */
const [SILENT_MS, SILENT_EVERY_MS] = [1500, 6000]
const LATE_MS = 700
const BUMP_MS = 300
/** So long a device that went away stays away. */
const GONE_MS = 8000
/** What still falls after the pump stops, for each g/s that flowed, and how fast it fades. */
const [DRIP_G_PER_FLOW, DRIP_FADES_S] = [1.1, 1.2]
const PRESS_MS = 900
const OZ_IN_G = 28.349523125

interface Pour {
  startedMs: number
  stoppedMs: number | null
  done: ShotDone
}

/**
 * A bench with a scale under the cup, a plate under the tamper, a gauge and a thermometer, driven by the same physics
 * as the simulated bench. It gets the time as an argument, so that it can run faster than life.
 */
export class StandIn {
  readonly faults = new Set<DeviceFault>()
  #done: ShotDone = { ...CAREFUL_SHOT, stopAtG: FULL_CUP_G, stopAtS: LONGEST_S }
  #vesselG = 0
  #contentG = 0
  #tareG = 0
  #press: { atMs: number; forceN: number } | null = null
  #pour: Pour | null = null
  #driftFromMs = 0
  #bumpUntilMs = 0
  #goneUntilMs = 0
  readonly #random: Seeded

  constructor(seed = 1) {
    this.#random = seeded(seed)
  }

  /** Does what hands, or the tablet, ordered. */
  obey(order: DeviceOrder, nowMs: number): void {
    switch (order.kind) {
      case 'tare':
        this.#tareG = this.#vesselG + this.#contentG + this.#pouredG(nowMs)
        return
      case 'pump':
        if (order.isOn) this.#start(nowMs)
        else this.#stop(nowMs)
        return
      case 'put':
        this.#pour = null
        this.#vesselG = order.vesselG
        this.#contentG = order.contentG
        return
      case 'add':
        this.#contentG = Math.max(0, this.#contentG + order.g)
        return
      case 'take':
        this.#pour = null
        this.#vesselG = 0
        this.#contentG = 0
        return
      case 'press':
        this.#press = { atMs: nowMs, forceN: order.forceN }
        return
      case 'bench': {
        const { kind: _kind, ...given } = order
        this.#done = { ...this.#done, ...Object.fromEntries(Object.entries(given)) }
        return
      }
      case 'fault':
        this.#setFault(order.fault, order.isOn, nowMs)
        return
    }
  }

  /** Whether it has gone away, and answers nobody. */
  isGone(nowMs: number): boolean {
    return nowMs < this.#goneUntilMs
  }

  /** What all sensors say at this moment; nothing while a drop-out lasts. */
  read(nowMs: number): DeviceWord[] {
    if (this.faults.has('drop-outs') && nowMs % SILENT_EVERY_MS < SILENT_MS) return []
    // A late reading is of a while ago, and says so.
    const t = Math.round(this.faults.has('late') ? Math.max(0, nowMs - LATE_MS) : nowMs)
    const isWrong = this.faults.has('wrong-unit')
    const weightG = this.#weightG(t, nowMs)
    return [
      {
        kind: 'weight',
        t,
        value: round(isWrong ? weightG / OZ_IN_G : weightG, isWrong ? 4 : 2),
        unit: isWrong ? 'oz' : 'g',
      },
      { kind: 'pressure', t, value: round(this.#pressureBar(t), 2), unit: 'bar' },
      { kind: 'force', t, value: round(this.#forceN(t), 1), unit: 'N' },
      { kind: 'temperature', t, value: round(93 + this.#noise(0.1), 1), unit: 'C' },
    ]
  }

  #setFault(fault: DeviceFault, isOn: boolean, nowMs: number): void {
    if (isOn) this.faults.add(fault)
    else this.faults.delete(fault)
    if (fault === 'drift') this.#driftFromMs = nowMs
    // These two are over by themselves.
    if (fault === 'bump' || fault === 'disconnect') this.faults.delete(fault)
    if (fault === 'bump') this.#bumpUntilMs = nowMs + BUMP_MS
    if (fault === 'disconnect') this.#goneUntilMs = nowMs + GONE_MS
  }

  #start(nowMs: number): void {
    if (this.#pour !== null && this.#pour.stoppedMs === null) return
    this.#pour = { startedMs: nowMs, stoppedMs: null, done: this.#done }
  }

  #stop(nowMs: number): void {
    if (this.#pour?.stoppedMs === null) this.#pour.stoppedMs = nowMs
  }

  #weightG(t: number, nowMs: number): number {
    // A knock drives the reading far below nothing for a moment.
    if (nowMs < this.#bumpUntilMs) return -45
    const drift = this.faults.has('drift') ? ((t - this.#driftFromMs) / 1000) * DRIFT_G_PER_S : 0
    const noise = this.#noise(this.faults.has('noise') ? NOISY_G : NOISE_G)
    return this.#vesselG + this.#contentG + this.#pouredG(t) - this.#tareG + drift + noise
  }

  #pouredG(atMs: number): number {
    if (this.#pour === null) return 0
    const { startedMs, stoppedMs } = this.#pour
    const running = this.#sampleAt(Math.min(atMs, stoppedMs ?? atMs) - startedMs)
    if (stoppedMs === null || atMs <= stoppedMs) return running.weightG
    const faded = 1 - Math.exp(-(atMs - stoppedMs) / 1000 / DRIP_FADES_S)
    return running.weightG + DRIP_G_PER_FLOW * running.flowGPerS * faded
  }

  #pressureBar(atMs: number): number {
    if (this.#pour === null || (this.#pour.stoppedMs !== null && atMs > this.#pour.stoppedMs)) return 0
    return Math.max(0, this.#sampleAt(atMs - this.#pour.startedMs).pressureBar + this.#noise(0.05))
  }

  #forceN(atMs: number): number {
    if (this.#press === null || atMs - this.#press.atMs > PRESS_MS) return 0
    const share = Math.sin((Math.PI * Math.max(0, atMs - this.#press.atMs)) / PRESS_MS)
    return this.#press.forceN * share
  }

  #sampleAt(sinceMs: number): { weightG: number; flowGPerS: number; pressureBar: number } {
    const { samples } = flowOf(this.#pour?.done ?? this.#done)
    const at = Math.min(samples.length - 1, Math.floor(sinceMs / READ_EVERY_MS) - 1)
    return samples[at] ?? { weightG: 0, flowGPerS: 0, pressureBar: 0 }
  }

  #noise(sd: number): number {
    return this.#random.normal(0, sd)
  }
}

const flows = new WeakMap<ShotDone, ReturnType<typeof simulateFlow>>()

/** One simulation a shot, however often it is looked at. */
function flowOf(done: ShotDone): ReturnType<typeof simulateFlow> {
  const known = flows.get(done) ?? simulateFlow(EXAMPLE_BENCH, done)
  flows.set(done, known)
  return known
}

function round(value: number, places: number): number {
  return Math.round(value * 10 ** places) / 10 ** places
}
