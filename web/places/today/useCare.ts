import type { TodayBag, TodayCoffee } from '@calm-apron/contract'
import { dateInZone, filterDaysLeft, openTooLong, orderAdvice, shotsLeft, warmUpLeft } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { RouteLocationRaw } from 'vue-router'
import { bagOnDate } from '../../shot/coffee/bagState.ts'
import { useBagWords } from '../../shot/coffee/useBagWords.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

export interface Care {
  key: string
  says: string
  to: RouteLocationRaw
}

/** Below so many shots a bag is named. */
const FEW_SHOTS = 6
/** A filter is named this many days before it is due. */
const FILTER_DAYS = 7

/** What in the house needs care today, each with the place where one sees to it. */
export function useCare() {
  const { t } = useI18n()
  const academy = useAcademy()
  const format = useFormat()
  const bagWords = useBagWords()
  const now = useTimeOfDay(30_000)
  const onDate = computed(() => dateInZone(now.value, academy.timeZone))
  const doseG = computed(() => academy.today?.recipes[0]?.targets.doseG ?? 0)

  function ofBag(coffee: TodayCoffee, bag: TodayBag): Care[] {
    const to = { name: 'coffee', params: { preparedId: coffee.coffeeId } }
    const found: Care[] = []
    const standing = bagOnDate(bag, coffee.freshness, onDate.value)
    const isOff = standing?.freshness === 'too-fresh' || standing?.freshness === 'past'
    // A sealed bag that still rests is in nobody's way.
    if (standing && isOff && !standing.isFrozen && bag.openedOn !== null)
      found.push({
        key: `age ${bag.bagId}`,
        says: t('bag.today.standing', {
          coffee: coffee.name,
          bag: bag.name,
          standing: bagWords.standing(bag, coffee.freshness, onDate.value),
        }),
        to,
      })
    const openDays = openTooLong(bag, onDate.value)
    // What is past its time is named for that.
    if (openDays !== null && !isOff && standing?.isFrozen !== true)
      found.push({
        key: `open ${bag.bagId}`,
        says: t('bag.today.open', { coffee: coffee.name, bag: bag.name, days: openDays }),
        to,
      })
    const shots = shotsLeft(bag.leftG, doseG.value)
    if (bag.openedOn !== null && shots < FEW_SHOTS)
      found.push({
        key: `low ${bag.bagId}`,
        says: t(
          'bag.today.low',
          { coffee: coffee.name, bag: bag.name, left: format.quantity('stock', bag.leftG) },
          shots,
        ),
        to,
      })
    return found
  }

  function ofCoffee(coffee: TodayCoffee): Care[] {
    const inStock = coffee.bags.reduce((sum, { leftG }) => sum + leftG, 0)
    const order = orderAdvice(inStock, coffee.gramsPerDay, coffee.deliveryDays, coffee.freshness)
    return [
      ...coffee.bags.flatMap((bag) => ofBag(coffee, bag)),
      ...(order.isDue && order.daysLeft !== null
        ? [
            {
              key: `order ${coffee.coffeeId}`,
              says: t('bag.today.order', {
                coffee: coffee.name,
                days: Math.floor(order.daysLeft),
                lead: order.leadDays,
              }),
              to: { name: 'coffee', params: { preparedId: coffee.coffeeId } },
            },
          ]
        : []),
    ]
  }

  const ofBars = computed(() =>
    (academy.today?.bars ?? []).flatMap((bar): Care[] => {
      const to = { name: 'room', params: { preparedId: bar.barId } }
      const lacking = bar.bench.filter(({ state }) => state !== 'here').map(({ what }) => what)
      const filters = bar.waters.flatMap(({ waterId, name, filterChangedOn, filterLastsDays }): Care[] => {
        const left = filterDaysLeft(filterChangedOn, filterLastsDays, onDate.value)
        if (left === null || left > FILTER_DAYS) return []
        const says = left < 0 ? t('water.overdue', -left) : t('water.filterLeft', left)
        return [{ key: `water ${waterId}`, says: t('water.today', { name, says }), to }]
      })
      const warming = bar.machines.flatMap(({ machineId, name, switchedOnAt, warmUpMinutes }): Care[] => {
        const left = warmUpLeft(
          switchedOnAt === null ? null : Date.parse(switchedOnAt),
          now.value.getTime(),
          warmUpMinutes,
        )
        if (left === null || left === 0) return []
        return [{ key: `warm ${machineId}`, says: t('today.warming', { name, left }, left), to }]
      })
      return [
        ...warming,
        ...filters,
        ...(lacking.length > 0
          ? [
              {
                key: `bench ${bar.barId}`,
                says: t('today.bench', { bar: bar.name, what: lacking.join(', ') }),
                to,
              },
            ]
          : []),
      ]
    }),
  )

  return computed(() => [...(academy.today?.coffees ?? []).flatMap(ofCoffee), ...ofBars.value])
}
