import type { Measured, ReadingKind, Readings, TampReading, TimeReading } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useDoseWords } from '../dose/useDoseWords.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** The quantity that a reading's unit measures. */
export const QUANTITY_OF = { g: 'mass', ml: 'volume' } as const

/** A weight is heavy or light; of a volume there is too much, or it is short. */
const OFF_BY = {
  mass: ['rail.heavy', 'rail.light'],
  volume: ['rail.tooMuch', 'rail.short'],
} as const

type JudgedTime = Extract<TimeReading, { judged: true }>
type JudgedTamp = Extract<TampReading, { judged: true }>
type JudgedTaste = Extract<Readings['taste'], { judged: true }>

/** How far each of a shot's readings is from its target, in words. */
export function useDeviationWords() {
  const { t } = useI18n()
  const format = useFormat()
  const timeWords = useTimeWords()
  const tasteWords = useTasteWords()
  const { seenApart } = useDoseWords()

  function deviationOf(kind: ReadingKind, readings: Readings): string {
    const reading = readings[kind]
    if (!reading.judged) return t(`notJudged.${reading.why}`)
    if ('tilt' in reading) return tampWords(reading)
    if ('bound' in reading) return timeWords(reading)
    if ('bothStrong' in reading) return tasteWords(reading)
    if ('sdG' in reading && reading.seen !== null) return seenApart(reading.seen, readings.of.recipe)
    if ('unit' in reading && reading.seen !== null) return t(`cupLine.${reading.seen}`)
    return amountWords(reading, 'unit' in reading ? QUANTITY_OF[reading.unit] : 'mass')
  }

  function amountWords({ direction, deviation }: Measured, quantity: 'mass' | 'volume'): string {
    if (direction === 'at') return t('rail.onTarget')
    const [over, under] = OFF_BY[quantity]
    return t(direction === 'over' ? over : under, { amount: format.difference(quantity, deviation) })
  }

  function tampWords({ tilt, lowSide, settled }: JudgedTamp): string {
    const parts = [
      ...(tilt === null ? [] : [t(`rail.${tilt}`)]),
      ...(lowSide === null ? [] : [t(`rail.low.${lowSide}`)]),
      ...(settled === null ? [] : [t(settled ? 'rail.settled' : 'rail.unsettled')]),
    ]
    return parts.join(', ')
  }

  return deviationOf
}

function useTimeWords() {
  const { t } = useI18n()
  const format = useFormat()

  function timeMiss({ standing, deviation, tolerance, direction }: JudgedTime): string {
    if (standing === 'on') return t('rail.inWindow')
    return t(direction === 'under' ? 'rail.fast' : 'rail.slow', {
      amount: format.seconds(Math.abs(deviation) - tolerance),
    })
  }

  function timeWords(time: JudgedTime): string {
    const says = timeMiss(time)
    // What the clock shows and what is judged part company when the cup did not end at its target. That is worth
    // a word only where it matters: not while both lie in the window.
    const isScaled = time.bound === null && format.seconds(time.value) !== format.seconds(time.clockS)
    const isClockOn = Math.abs(time.clockS - time.target) <= time.tolerance
    if (time.yieldBy === 'usual') return t('rail.byUsual', { says })
    if (time.yieldBy === 'line') return t('rail.byLine', { says })
    return isScaled && !(isClockOn && time.standing === 'on') ? t('rail.scaled', { says }) : says
  }

  return timeWords
}

function useTasteWords() {
  const { t } = useI18n()
  const format = useFormat()

  function tasteWords(taste: JudgedTaste): string {
    const amount = format.plain(Math.abs(taste.deviation))
    const lean = taste.bothStrong ? 'bothStrong' : leanOf(taste)
    const parts = [t(`rail.${lean}`, { amount })]
    if (taste.sweetEnough === false) parts.push(t('rail.notSweet'))
    if (taste.drying) parts.push(t('rail.drying'))
    return parts.join(', ')
  }

  return tasteWords
}

/** Against the recipe's own taste, where it has one. */
function leanOf({
  deviation,
  tolerance,
  isBright,
}: JudgedTaste): 'tasteOn' | 'tasteBright' | 'tasteUnder' | 'tasteOver' {
  if (isBright) return 'tasteBright'
  if (Math.abs(deviation) <= tolerance) return 'tasteOn'
  return deviation < 0 ? 'tasteUnder' : 'tasteOver'
}
