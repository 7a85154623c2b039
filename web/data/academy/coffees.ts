import type { Today } from '@calm-apron/contract'
import { type Ref, computed } from 'vue'

/** Looks up the coffees of an academy, by their ids or those of their bags. */
export function coffeesOf(today: Readonly<Ref<Today | null>>) {
  const coffee = (coffeeId: string) => today.value?.coffees.find((each) => each.coffeeId === coffeeId) ?? null
  const coffeeOfBag = (bagId: string | null) =>
    today.value?.coffees.find(({ bags }) => bags.some((bag) => bag.bagId === bagId)) ?? null

  /** The bag that is being pulled from: open, in a hopper, the one opened last; else any open one. */
  const bagInHopper = computed(() => {
    const open = (today.value?.coffees ?? [])
      .flatMap(({ bags }) => bags)
      .filter(({ openedOn, leftG }) => openedOn !== null && leftG > 0)
      .toSorted((a, b) => (b.openedOn ?? '').localeCompare(a.openedOn ?? ''))
    return open.find(({ keptIn }) => keptIn === 'hopper') ?? open[0] ?? null
  })

  return { coffee, coffeeOfBag, bagInHopper }
}
