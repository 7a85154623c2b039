import type { TodayBag, TodayCoffee } from '@calm-apron/contract'
import { openTooLong, orderAdvice, shotsLeft } from '@calm-apron/core'
import { type Ref, computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { bagOnDate } from '../../shot/coffee/bagState.ts'
import { useBagWords } from '../../shot/coffee/useBagWords.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import type { Care } from './care.ts'

/** Below so many shots a bag is named. */
const FEW_SHOTS = 6

/** What of the coffees needs care on a date: bags too fresh or past, open too long, nearly empty, and what to order. */
export function useCoffeeCare(onDate: Readonly<Ref<string>>) {
  const { t } = useI18n()
  const academy = useAcademy()
  const format = useFormat()
  const bagWords = useBagWords()
  const doseG = computed(() => academy.today?.recipes[0]?.targets.doseG ?? 0)
  const placeOf = ({ coffeeId }: TodayCoffee) => ({ name: 'coffee', params: { preparedId: coffeeId } })

  function aged(coffee: TodayCoffee, bag: TodayBag): Care[] {
    const standing = bagOnDate(bag, coffee.freshness, onDate.value)
    const isOff = standing?.freshness === 'too-fresh' || standing?.freshness === 'past'
    const names = { coffee: coffee.name, bag: bag.name }
    // A sealed bag that still rests is in nobody's way.
    if (standing && isOff && !standing.isFrozen && bag.openedOn !== null) {
      const its = bagWords.standing(bag, coffee.freshness, onDate.value)
      const says = t('bag.today.standing', { ...names, standing: its })
      return [{ key: `age ${bag.bagId}`, says, to: placeOf(coffee) }]
    }
    const days = openTooLong(bag, onDate.value)
    // What is past its time is named for that.
    if (days === null || isOff || standing?.isFrozen === true) return []
    return [{ key: `open ${bag.bagId}`, says: t('bag.today.open', { ...names, days }), to: placeOf(coffee) }]
  }

  function low(coffee: TodayCoffee, bag: TodayBag): Care[] {
    const shots = shotsLeft(bag.leftG, doseG.value)
    if (bag.openedOn === null || shots >= FEW_SHOTS) return []
    const left = format.quantity('stock', bag.leftG)
    const says = t('bag.today.low', { coffee: coffee.name, bag: bag.name, left }, shots)
    return [{ key: `low ${bag.bagId}`, says, to: placeOf(coffee) }]
  }

  function toOrder(coffee: TodayCoffee): Care[] {
    const inStock = coffee.bags.reduce((sum, { leftG }) => sum + leftG, 0)
    const order = orderAdvice(inStock, coffee.gramsPerDay, coffee.deliveryDays, coffee.freshness)
    if (!order.isDue || order.daysLeft === null) return []
    const days = Math.floor(order.daysLeft)
    const says = t('bag.today.order', { coffee: coffee.name, days, lead: order.leadDays })
    return [{ key: `order ${coffee.coffeeId}`, says, to: placeOf(coffee) }]
  }

  return computed(() =>
    (academy.today?.coffees ?? []).flatMap((coffee) => [
      ...coffee.bags.flatMap((bag) => [...aged(coffee, bag), ...low(coffee, bag)]),
      ...toOrder(coffee),
    ]),
  )
}
