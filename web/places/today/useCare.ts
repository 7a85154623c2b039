import type { Today } from '@calm-apron/contract'
import { dateInZone, filterDaysLeft, warmUpLeft } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'
import type { Care } from './care.ts'
import { useCoffeeCare } from './useCoffeeCare.ts'

type Bar = Today['bars'][number]

/** A filter is named this many days before it is due. */
const FILTER_DAYS = 7

/** What in the house needs care today, each with the place where one sees to it. */
export function useCare() {
  const { t } = useI18n()
  const academy = useAcademy()
  const now = useTimeOfDay(30_000)
  const onDate = computed(() => dateInZone(now.value, academy.timeZone))
  const ofCoffees = useCoffeeCare(onDate)
  const placeOf = ({ barId }: Bar) => ({ name: 'room', params: { preparedId: barId } })

  function warming(bar: Bar): Care[] {
    return bar.machines.flatMap(({ machineId, name, switchedOnAt, warmUpMinutes }): Care[] => {
      const onSinceMs = switchedOnAt === null ? null : Date.parse(switchedOnAt)
      const left = warmUpLeft(onSinceMs, now.value.getTime(), warmUpMinutes)
      if (left === null || left === 0) return []
      return [{ key: `warm ${machineId}`, says: t('today.warming', { name, left }, left), to: placeOf(bar) }]
    })
  }

  function filters(bar: Bar): Care[] {
    return bar.waters.flatMap(({ waterId, name, filterChangedOn, filterLastsDays }): Care[] => {
      const left = filterDaysLeft(filterChangedOn, filterLastsDays, onDate.value)
      if (left === null || left > FILTER_DAYS) return []
      const says = left < 0 ? t('water.overdue', -left) : t('water.filterLeft', left)
      return [{ key: `water ${waterId}`, says: t('water.today', { name, says }), to: placeOf(bar) }]
    })
  }

  function lacking(bar: Bar): Care[] {
    const what = bar.bench.flatMap((each) => (each.state === 'here' ? [] : [each.what]))
    if (what.length === 0) return []
    const says = t('today.bench', { bar: bar.name, what: what.join(', ') })
    return [{ key: `bench ${bar.barId}`, says, to: placeOf(bar) }]
  }

  const ofBars = computed(() =>
    (academy.today?.bars ?? []).flatMap((bar) => [...warming(bar), ...filters(bar), ...lacking(bar)]),
  )
  return computed(() => [...ofCoffees.value, ...ofBars.value])
}
