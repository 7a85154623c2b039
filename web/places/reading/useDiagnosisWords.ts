import type { Diagnosis, GrindTo, Move, Reason, WeighedEvidence } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useDoseWords } from '../../shot/dose/useDoseWords.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

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
  const dose = useDoseWords()

  /** @param printed how a setting is said on the grinder that it is of */
  function moveWords(
    { move, grindTo }: Pick<Diagnosis, 'move' | 'grindTo'>,
    setting: number | null,
    printed: (setting: number) => string = format.plain,
  ): string {
    switch (move.lever) {
      case 'observe':
        return t(`observe.${move.observation}`)
      case 'grind':
        return grindWords(move.direction, grindTo, setting, printed)
      case 'dose':
        return doseWords(move)
      case 'stop':
        return stopWords(move)
      case 'ratio':
        return t(move.direction === 'longer' ? 'move.ratioLonger' : 'move.ratioShorter')
      case 'tamp':
        return t(TAMP_WORDS[move.how])
      default:
        return t(`move.${move.lever}`)
    }
  }

  function stopWords({ direction, by, unit }: Extract<Move, { lever: 'stop' }>): string {
    if (by === null) return t(direction === 'later' ? 'move.stopLaterSome' : 'move.stopSoonerSome')
    const amount = unit === 'g' ? format.massApart(by) : format.difference('volume', Math.abs(by))
    return t(direction === 'later' ? 'move.stopLater' : 'move.stopEarlier', { amount })
  }

  function grindWords(
    direction: 'finer' | 'coarser',
    to: GrindTo | null,
    from: number | null,
    printed: (setting: number) => string,
  ): string {
    const steps = to?.steps ?? 0
    const head = t(direction === 'finer' ? 'move.grindFiner' : 'move.grindCoarser', { steps }, steps)
    if (to === null || from === null) return `${head} ${t('move.grindNoSetting')}`
    const { toSetting, ranWellAt } = to
    const way = t('move.grindTo', { from: printed(from), to: printed(toSetting) })
    const back =
      ranWellAt === null || ranWellAt === toSetting
        ? []
        : [t('move.ranWellAt', { setting: printed(ranWellAt) })]
    return [head, way, ...back].join(' ')
  }

  function doseWords({ direction, trim }: Extract<Move, { lever: 'dose' }>): string {
    if (trim === null) return t(direction === 'more' ? 'move.doseMore' : 'move.doseLess')
    if (trim.by !== 'mass') return t('move.doseSeen', { trim: dose.trimWords(trim) })
    return t(trim.g < 0 ? 'move.doseOut' : 'move.doseAdd', { amount: format.massApart(trim.g) })
  }

  function reasonWords(reason: Reason): string {
    return reason.code === 'gate-unknown' ? t(`why.unknown.${reason.unknown}`) : t(`why.${reason.code}`)
  }

  /** What is named with how sure it is; that there is nothing to mend, or not enough to tell. */
  function namedWords({ named, causes, move }: Diagnosis): string {
    const [first, second] = named.causes
    if (first === undefined) return t('named.unclear')
    if (first === 'none' && second === undefined)
      return t(move.lever === 'observe' ? 'named.nothingSeen' : 'named.nothing')
    const probability = causes.find(({ cause }) => cause === first)?.probability ?? 0
    return t(`named.${named.as}`, {
      sure: t(sureWord(probability)),
      first: t(`cause.${first}`),
      second: second === undefined ? '' : t(`cause.${second}`),
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
    namedWords,
    evidenceWords,
  }
}
