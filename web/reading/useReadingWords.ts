import {
  type Diagnosis,
  type Measured,
  type Move,
  type ReadingKind,
  type Readings,
  type Reason,
  type Recipe,
  type TampReading,
  type TimeReading,
  type WeighedEvidence,
} from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../units/useFormat.ts'

type JudgedTime = Extract<TimeReading, { judged: true }>
type JudgedTamp = Extract<TampReading, { judged: true }>

const QUANTITY_OF = { g: 'mass', ml: 'volume' } as const
const TAMP_WORDS = {
  level: 'move.tampLevel',
  settle: 'move.tampSettle',
  alike: 'move.tampAlike',
} as const
const SURE_WORDS = [
  { from: 0.9, word: 'sure.certain' },
  { from: 0.7, word: 'sure.likely' },
  { from: 0.5, word: 'sure.even' },
  { from: 0.3, word: 'sure.perhaps' },
] as const

function sureWord(probability: number) {
  return SURE_WORDS.find(({ from }) => probability >= from)?.word ?? 'sure.hardly'
}

/** Readings and diagnoses as sentences; the core says codes and facts, this says words. */
export function useReadingWords() {
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
        return t('rail.tasteTarget', { tolerance: recipe.tasteTolerance })
      case 'tamp':
        return ''
    }
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
      : t(`rail.${direction}`, { amount: format.difference(quantity, deviation) })
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
      ...(lowSide === null ? [] : [t('rail.lowSide', { side: t(`side.${lowSide}`).toLowerCase() })]),
      ...(settled === null ? [] : [t(settled ? 'rail.settled' : 'rail.unsettled')]),
    ]
    return parts.join(', ')
  }

  function tasteWords(taste: Extract<Readings['taste'], { judged: true }>): string {
    const amount = format.plain(Math.abs(taste.value))
    const lean = taste.bothStrong ? 'bothStrong' : leanOf(taste)
    const parts = [t(`rail.${lean}`, { amount })]
    if (taste.sweetEnough === false) parts.push(t('rail.notSweet'))
    if (taste.drying) parts.push(t('rail.drying'))
    return parts.join(', ')
  }

  function leanOf({ value, tolerance }: Measured): 'tasteOn' | 'tasteUnder' | 'tasteOver' {
    if (Math.abs(value) <= tolerance) return 'tasteOn'
    return value < 0 ? 'tasteUnder' : 'tasteOver'
  }

  function moveWords(move: Move, setting: number | null): string {
    switch (move.lever) {
      case 'observe':
        return t(`observe.${move.observation}`)
      case 'grind':
        return grindWords(move, setting)
      case 'dose':
        return doseWords(move)
      case 'stop':
        return t(move.byG > 0 ? 'move.stopLater' : 'move.stopEarlier', { amount: format.massApart(move.byG) })
      case 'ratio':
        return t(move.direction === 'longer' ? 'move.ratioLonger' : 'move.ratioShorter')
      case 'tamp':
        return t(TAMP_WORDS[move.how])
      default:
        return t(`move.${move.lever}`)
    }
  }

  function grindWords(move: Extract<Move, { lever: 'grind' }>, from: number | null): string {
    const head = t(move.direction === 'finer' ? 'move.grindFiner' : 'move.grindCoarser', {
      steps: move.steps,
    })
    if (move.toSetting === null || from === null) return `${head} ${t('move.grindNoSetting')}`
    return `${head} ${t('move.grindTo', { from: format.plain(from), to: format.plain(move.toSetting) })}`
  }

  function doseWords({ direction, trimG }: Extract<Move, { lever: 'dose' }>): string {
    if (trimG === null) return t(direction === 'more' ? 'move.doseMore' : 'move.doseLess')
    return t(trimG < 0 ? 'move.doseOut' : 'move.doseAdd', { amount: format.massApart(trimG) })
  }

  function reasonWords(reason: Reason): string {
    return reason.code === 'gate-unknown' ? t(`why.unknown.${reason.unknown}`) : t(`why.${reason.code}`)
  }

  /** The cause with how sure it is; or that there is nothing to mend, or not enough to tell. */
  function causeWords({ cause, causes, move }: Diagnosis): string {
    if (cause === null) return t('reading.noCause')
    if (move.lever === 'leave') return t('reading.leave')
    const probability = causes.find((each) => each.cause === cause)?.probability ?? 0
    return t('reading.cause', { sure: t(sureWord(probability)), cause: t(`cause.${cause}`) })
  }

  function runnerUpWords({ runnerUp, causes }: Diagnosis): string {
    const found = causes.find(({ cause }) => cause === runnerUp)
    if (found === undefined) return ''
    return t('reading.orElse', {
      percent: format.percent(found.probability),
      cause: t(`cause.${found.cause}`),
    })
  }

  const evidenceWords = ({ key, noted }: WeighedEvidence) => t(`evidence.${key}.${noted}`)

  const mendTooWords = ({ mendToo }: Diagnosis) =>
    mendToo.length === 0
      ? ''
      : t('move.mendToo', { what: mendToo.map((fault) => t(`mend.${fault}`)).join(', ') })

  return {
    targetOf,
    valueOf,
    deviationOf,
    moveWords,
    reasonWords,
    mendTooWords,
    causeWords,
    runnerUpWords,
    evidenceWords,
  }
}
