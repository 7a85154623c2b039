import type { BagContent } from '@calm-apron/contract'
import type { FreshnessWindow } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'
import { bagOnDate } from './bagState.ts'

/** How a bag stands on a date, in one sentence. */
export function useBagWords() {
  const { t } = useI18n()
  const format = useFormat()

  function standing(bag: BagContent, window: FreshnessWindow, onDate: string): string {
    const state = bagOnDate(bag, window, onDate)
    if (state === null)
      return bag.bestBefore === null
        ? t('bag.unknown')
        : t('bag.onlyBestBefore', { date: format.calendarDate(bag.bestBefore) })
    if (state.isFrozen) return t('bag.frozen', { days: state.days }, state.days)
    const { restedOn, bestUntil, usableUntil } = state.life
    const date = format.calendarDate(
      { 'too-fresh': restedOn, 'in-window': bestUntil, fading: usableUntil, past: usableUntil }[
        state.freshness
      ],
    )
    return t(`bag.standing.${state.freshness}`, { date })
  }

  function age(bag: BagContent, window: FreshnessWindow, onDate: string): string {
    const state = bagOnDate(bag, window, onDate)
    if (state === null || bag.roastedOn === null) return ''
    return t('today.roasted', { date: format.calendarDate(bag.roastedOn), days: state.days }, state.days)
  }

  return { standing, age }
}
