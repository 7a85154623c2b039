import type { Diagnosis, Move, Reason, WeighedEvidence } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../units/useFormat.ts'

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

/** A diagnosis as sentences; the core says codes and facts, this says words. */
export function useDiagnosisWords() {
  const { t } = useI18n()
  const format = useFormat()

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
    moveWords,
    reasonWords,
    mendTooWords,
    causeWords,
    runnerUpWords,
    evidenceWords,
  }
}
