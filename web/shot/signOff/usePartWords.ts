import type { Lacking, ProgrammeWay, SignedOff, SignedPart } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Parts of a sign-off, what is lacking, and how somebody stands, in words. */
export function usePartWords() {
  const { t } = useI18n()
  const academy = useAcademy()
  const format = useFormat()

  const partsWords = (parts: readonly SignedPart[]) =>
    parts.map((part) => t(`signOff.part.${part}`)).join(', ')

  /** What is lacking, a sentence each; parts that lack alike in one. */
  function lackingWords(all: readonly Lacking[], nameOf: (programmeId: string) => string): string[] {
    const partsThat = (is: 'unseen' | 'not-yet') => {
      const parts = all.flatMap((each) => (each.kind === 'part' && each.is === is ? each.skill : []))
      return parts.length === 0 ? [] : [t(`signOff.lacking.${is}`, { parts: partsWords(parts) })]
    }
    return [
      ...all.flatMap((each) => (each.kind === 'part' ? [] : otherWords(each, nameOf))),
      ...partsThat('not-yet'),
      ...partsThat('unseen'),
    ]
  }

  function otherWords(
    lacking: Exclude<Lacking, { kind: 'part' }>,
    nameOf: (programmeId: string) => string,
  ): string {
    switch (lacking.kind) {
      case 'shots':
      case 'days':
      case 'bags':
        return t(`signOff.lacking.${lacking.kind}`, lacking.more)
      case 'safety':
        return t('signOff.lacking.safety', lacking.times)
      case 'before':
        return t('signOff.lacking.before', { programme: nameOf(lacking.programmeId) })
    }
  }

  /** @param way a card is gone through again where a set is looked at again by two shots */
  function standingWords(standing: SignedOff, way: ProgrammeWay | null): string[] {
    switch (standing.is) {
      case 'not-yet':
        return [
          t('signOff.standing.not-yet', {
            parts: partsWords(standing.open),
            date: format.calendarDate(standing.from),
          }),
          ...(standing.until === null
            ? []
            : [t('signOff.standing.until', { date: format.dateOf(standing.until, academy.timeZone) })]),
        ]
      case 'under-appeal':
        return [
          t('signOff.standing.under-appeal'),
          ...(standing.afresh === null
            ? []
            : [t('signOff.standing.afresh', { parts: partsWords(standing.afresh) })]),
        ]
      case 'signed':
        return [
          t('signOff.standing.signed', { date: format.dateOf(standing.at, academy.timeZone) }),
          ...(standing.lookedAt === null
            ? []
            : [t('signOff.standing.looked', { date: format.dateOf(standing.lookedAt, academy.timeZone) })]),
          ...(way === null ? [] : [t(`signOff.means.${way}`)]),
          ...(way === 'ticks'
            ? standing.lookAgain.slice(0, 1).map(() => t('signOff.cardAgain'))
            : standing.lookAgain.map((why) => t(`signOff.lookAgain.${why}`))),
        ]
      default:
        return [t(`signOff.standing.${standing.is}`)]
    }
  }
  return { partsWords, lackingWords, standingWords }
}
