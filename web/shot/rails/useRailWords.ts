import {
  type DoseFact,
  type DoseMethod,
  type ReadingKind,
  type Readings,
  type Recipe,
  type TimeReading,
  doseMethodOf,
  isDoseSeen,
} from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useDoseWords } from '../dose/useDoseWords.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { QUANTITY_OF, useDeviationWords } from './useDeviationWords.ts'

type JudgedTime = Extract<TimeReading, { judged: true }>

/** The five readings of a shot as they stand on its rails: target, value, how far apart. */
export function useRailWords() {
  const { t } = useI18n()
  const format = useFormat()
  const doseWords = useDoseWords()

  /**
   * @param readings where a dose or a cup was seen, its target is told as it is measured
   * @param doseBy how the dose will be measured, while nothing is known of it
   */
  function targetOf(
    kind: ReadingKind,
    recipe: Recipe,
    readings?: Readings,
    doseBy: DoseMethod = 'scale',
  ): string {
    switch (kind) {
      case 'dose':
        return (
          seenDoseTarget(recipe, readings?.of.facts.dose ?? null, doseBy) ??
          t('rail.target', {
            target: format.mass(recipe.doseG),
            tolerance: format.massApart(recipe.doseToleranceG),
          })
        )
      case 'yield':
        return isCupSeen(readings) ? t('rail.seenTarget', { target: t('cupLine.at') }) : yieldTarget(recipe)
      case 'time':
        return t('rail.window', {
          min: recipe.timeMinS,
          max: recipe.timeMaxS,
          clock: t(`clock.${recipe.clock}`).toLowerCase(),
        })
      case 'taste':
        return tasteTarget(recipe)
      case 'tamp':
        return ''
    }
  }

  function seenDoseTarget(recipe: Recipe, dose: DoseFact | null, doseBy: DoseMethod): string | null {
    const method = dose === null ? doseBy : doseMethodOf({ dose })
    if (method === null || method === 'scale' || (dose !== null && !isDoseSeen(dose))) return null
    const target = doseWords.seenTarget(method, recipe)
    return target === '' ? '' : t('rail.seenTarget', { target })
  }
  const isCupSeen = (readings: Readings | undefined) =>
    readings?.yield.judged === true && readings.yield.seen !== null

  function tasteTarget({ taste = null, tasteTolerance: tolerance }: Recipe): string {
    return taste === null
      ? t('rail.tasteTarget', { tolerance })
      : t('rail.tasteOfItsOwn', { ...taste, tolerance })
  }

  function yieldTarget({ yieldG, yieldToleranceG, school }: Recipe): string {
    const volume = school?.volume ?? null
    return volume === null
      ? t('rail.target', { target: format.mass(yieldG), tolerance: format.massApart(yieldToleranceG) })
      : t('rail.target', {
          target: format.quantity('volume', volume.targetMl),
          tolerance: format.difference('volume', volume.toleranceMl),
        })
  }

  function valueOf(kind: ReadingKind, readings: Readings): string {
    const { dose, yield: cup, time } = readings
    const seen = readings.of.facts.dose
    if (kind === 'dose' && isDoseSeen(seen)) return seen.by === 'mark' ? '' : doseWords.seenWords(seen)
    if (kind === 'dose' && dose.judged) return format.mass(dose.value)
    if (kind === 'yield' && cup.judged && cup.seen !== null) return ''
    if (kind === 'yield' && cup.judged) return format.quantity(QUANTITY_OF[cup.unit], cup.value)
    if (kind === 'time' && time.judged) return timeValue(time)
    return ''
  }

  function timeValue(time: JudgedTime): string {
    if (time.bound !== null)
      return t(time.bound === 'at-least' ? 'rail.atLeast' : 'rail.atMost', {
        time: format.seconds(time.value),
      })
    const clock = format.seconds(time.clockS)
    return time.estimated ? `${clock}, ${t('rail.estimated')}` : clock
  }

  return { targetOf, valueOf, deviationOf: useDeviationWords() }
}
