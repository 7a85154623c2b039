import type { Measured, ReadingKind, Readings, Recipe, TampReading, TimeReading } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

type JudgedTime = Extract<TimeReading, { judged: true }>
type JudgedTamp = Extract<TampReading, { judged: true }>

const QUANTITY_OF = { g: 'mass', ml: 'volume' } as const

/** The five readings of a shot as they stand on its rails: target, value, how far apart. */
export function useRailWords() {
  const { t } = useI18n()
  const format = useFormat()

  function targetOf(kind: ReadingKind, recipe: Recipe): string {
    switch (kind) {
      case 'dose':
        return t('rail.target', {
          target: format.mass(recipe.doseG),
          tolerance: format.massApart(recipe.doseToleranceG),
        })
      case 'yield':
        return yieldTarget(recipe)
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
    if (kind === 'dose' && dose.judged) return format.mass(dose.value)
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

  function deviationOf(kind: ReadingKind, readings: Readings): string {
    const reading = readings[kind]
    if (!reading.judged) return t(`notJudged.${reading.why}`)
    if ('tilt' in reading) return tampWords(reading)
    if ('bound' in reading) return timeWords(reading)
    if ('bothStrong' in reading) return tasteWords(reading)
    return massWords(reading, 'unit' in reading ? QUANTITY_OF[reading.unit] : 'mass')
  }

  function massWords({ direction, deviation }: Measured, quantity: 'mass' | 'volume'): string {
    return direction === 'at'
      ? t('rail.onTarget')
      : t(direction === 'over' ? 'rail.heavy' : 'rail.light', {
          amount: format.difference(quantity, deviation),
        })
  }

  function timeWords(time: JudgedTime): string {
    const says = timeMiss(time)
    // What the clock shows and what is judged part company when the cup did not end at its target. That is worth
    // a word only where it matters: not while both lie in the window.
    const isScaled = time.bound === null && format.seconds(time.value) !== format.seconds(time.clockS)
    const isClockOn = Math.abs(time.clockS - time.target) <= time.tolerance
    return isScaled && !(isClockOn && time.standing === 'on') ? t('rail.scaled', { says }) : says
  }

  function timeMiss({ standing, deviation, tolerance, direction }: JudgedTime): string {
    if (standing === 'on') return t('rail.inWindow')
    return t(direction === 'under' ? 'rail.fast' : 'rail.slow', {
      amount: format.seconds(Math.abs(deviation) - tolerance),
    })
  }

  function tampWords({ tilt, lowSide, settled }: JudgedTamp): string {
    const parts = [
      ...(tilt === null ? [] : [t(`rail.${tilt}`)]),
      ...(lowSide === null ? [] : [t(`rail.low.${lowSide}`)]),
      ...(settled === null ? [] : [t(settled ? 'rail.settled' : 'rail.unsettled')]),
    ]
    return parts.join(', ')
  }

  function tasteWords(taste: Extract<Readings['taste'], { judged: true }>): string {
    const amount = format.plain(Math.abs(taste.deviation))
    const lean = taste.bothStrong ? 'bothStrong' : leanOf(taste)
    const parts = [t(`rail.${lean}`, { amount })]
    if (taste.sweetEnough === false) parts.push(t('rail.notSweet'))
    if (taste.drying) parts.push(t('rail.drying'))
    return parts.join(', ')
  }

  /** Against the recipe's own taste, where it has one. */
  function leanOf({
    deviation,
    tolerance,
    isBright,
  }: Extract<Readings['taste'], { judged: true }>): 'tasteOn' | 'tasteBright' | 'tasteUnder' | 'tasteOver' {
    if (isBright) return 'tasteBright'
    if (Math.abs(deviation) <= tolerance) return 'tasteOn'
    return deviation < 0 ? 'tasteUnder' : 'tasteOver'
  }

  return { targetOf, valueOf, deviationOf }
}
