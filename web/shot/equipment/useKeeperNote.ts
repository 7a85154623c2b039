import type { TodayGrinder } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'

/** Who alone changes a grinder, said to all others; null where anybody may, or it is you. */
export function useKeeperNote() {
  const { t } = useI18n()
  const academy = useAcademy()
  const door = useDoor()
  return (grinder: Pick<TodayGrinder, 'lock'> | null): string | null => {
    const lock = grinder?.lock ?? null
    if (lock === null || lock.personId === door.personId) return null
    return t('grinder.onlyKeeper', { person: academy.personName(lock.personId), why: lock.reason })
  }
}
