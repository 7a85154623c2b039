import {
  type CountMethod,
  type DoseMethod,
  type DoseSeen,
  type Recipe,
  type SeenTrim,
  countWanted,
  isCountMethod,
} from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Doses that nobody weighed, in the words of their own measure. */
export function useDoseWords() {
  const { t } = useI18n()
  const format = useFormat()

  /** So many scoops, pulls or seconds. */
  function countWords(of: CountMethod, count: number): string {
    const size = Math.abs(count)
    return t(`doseSeen.count.${of}`, { count: format.plain(size) }, size > 1 ? 2 : 1)
  }

  const seenWords = (seen: DoseSeen): string =>
    seen.by === 'mark' ? t(`doseSeen.is.${seen.mark}.${seen.at}`) : countWords(seen.of, seen.count)

  /** What to do to it, as a sentence. */
  function trimWords(trim: SeenTrim): string {
    if (trim.by === 'mark') return t(`doseSeen.trim.${trim.mark}.${trim.at}`)
    return t(trim.count > 0 ? 'doseSeen.more' : 'doseSeen.fewer', { count: countWords(trim.of, trim.count) })
  }

  /** How far a count is off; a mark says so itself. */
  function seenApart(seen: DoseSeen, recipe: Recipe): string {
    if (seen.by === 'mark') return seenWords(seen)
    const wanted = countWanted(seen.of, recipe)
    const apart = seen.count - (wanted ?? seen.count)
    if (apart === 0) return t('rail.onTarget')
    return t(apart < 0 ? 'doseSeen.short' : 'doseSeen.tooMany', { count: countWords(seen.of, apart) })
  }

  /** What it should be. */
  function seenTarget(method: Exclude<DoseMethod, 'scale'>, recipe: Recipe): string {
    if (!isCountMethod(method)) return t(`doseSeen.is.${method}.at`)
    const wanted = countWanted(method, recipe)
    return wanted === null ? '' : countWords(method, wanted)
  }

  return { countWords, seenWords, seenApart, seenTarget, trimWords }
}
