import { type Recipe, programmeOff } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'

interface Poured {
  /** What is in the cup, in g; null where nobody weighed it. */
  cupG: number | null
  recipe: Recipe | null
}

/** Of a machine that stops by itself: that a cup is another programme's, and which that was likely to be; else nothing. */
export function usePouredProgramme(draft: () => ShotDraft, poured: () => Poured) {
  const { t } = useI18n()
  const format = useFormat()
  const academy = useAcademy()

  /** The button for another basket, on the side to which the cup is off. */
  function otherButton(off: 'short' | 'long'): string {
    const { its, others } = academy.buttonsAt(draft())
    const isThere = (ml: number | null) =>
      ml === null || its?.ml == null || (off === 'short' ? ml < its.ml : ml > its.ml)
    const other = others.find(({ ml }) => isThere(ml))
    if (other === undefined) return t('cupSays.otherButton')
    return other.ml === null
      ? `“${other.name}”`
      : t('cupSays.aboutMl', { button: other.name, amount: format.quantity('volume', other.ml) })
  }

  return computed(() => {
    const { cupG, recipe } = poured()
    const { machineId, noted } = draft()
    if (cupG === null || recipe === null || academy.machineKnown(machineId)?.stopsItself !== true) return ''
    const off = programmeOff(cupG, noted.usualCupG ?? recipe.yieldG)
    return off === null ? '' : t(`cupSays.${off}`, { button: otherButton(off) })
  })
}
