import { THRESHOLDS, type Vessel, asTyped, rescueForgottenTare, roundG } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import type { BarDevice } from '../../data/devices/barDevice.ts'
import type { WeighingEntry } from '../draft/shotDraft.ts'

/** A weight is steady once so many readings in a row lie this close together. */
const STEADY_READINGS = 5
const STEADY_WITHIN_G = 0.15
/** An empty vessel is known by its remembered weight, this close. */
const KNOWN_WITHIN_G = 1.5

/** Each vessel as it may stand there: by itself, and with its funnel on. */
export function withFunnels<V extends Vessel & { emptyWithFunnelG?: number | null }>(
  vessels: readonly V[],
): V[] {
  return vessels.flatMap((vessel) =>
    vessel.emptyWithFunnelG == null ? [vessel] : [vessel, { ...vessel, emptyG: vessel.emptyWithFunnelG }],
  )
}

/** What the scale shows just now, whether it is steady, and which vessel stands on it with how much in it. */
export function useLiveWeight(
  device: BarDevice | null,
  vessels: () => readonly Vessel[],
  wanted: () => { targetG: number; vesselId: string | null },
) {
  const last = ref<number[]>([])
  watch(
    () => device?.last.value.scale,
    (reading) => {
      last.value = reading === undefined ? [] : [...last.value.slice(1 - STEADY_READINGS), reading.value]
    },
  )

  const isHere = computed(() => device?.state.value === 'here' && last.value.length > 0)
  const shownG = computed(() => (isHere.value ? roundG(last.value.at(-1) ?? 0) : null))
  const isSteady = computed(
    () =>
      last.value.length === STEADY_READINGS &&
      Math.max(...last.value) - Math.min(...last.value) <= STEADY_WITHIN_G,
  )

  /** Tared: what is shown. Otherwise what is in the vessel that was chosen, or in the one that leaves a plausible dose. */
  const content = computed(() => {
    const shown = shownG.value
    if (shown === null) return null
    if (shown <= THRESHOLDS.plausibleDoseG.max) return { netG: shown, vessel: null }
    const { targetG, vesselId } = wanted()
    // With its funnel on it is heavier: the heavier one that leaves a dose is what stands there.
    const chosen = vessels().findLast(({ id, emptyG }) => id === vesselId && shown >= emptyG - KNOWN_WITHIN_G)
    if (chosen) return { netG: roundG(shown - chosen.emptyG), vessel: chosen }
    return rescueForgottenTare(shown, vessels(), targetG)
  })
  /** A vessel that stands there empty: now is the moment to tare, or to remember that it need not be. */
  const emptyVessel = computed(
    () =>
      vessels().find(
        ({ emptyG }) => shownG.value !== null && Math.abs(shownG.value - emptyG) < KNOWN_WITHIN_G,
      ) ?? null,
  )

  /** Puts what is shown into an entry, as if it had been typed. */
  function take(entry: WeighingEntry, unit: 'g' | 'oz'): void {
    const found = content.value
    if (found === null || shownG.value === null) return
    if (found.vessel === null) {
      Object.assign(entry, { way: 'net', netText: asTyped(unit, found.netG) })
      return
    }
    Object.assign(entry, {
      way: 'gross',
      grossText: asTyped(unit, shownG.value),
      tareText: asTyped(unit, found.vessel.emptyG),
      vesselId: found.vessel.id,
    })
  }

  return { isHere, shownG, isSteady, content, emptyVessel, take }
}
