import { type CoffeeContent, type CoffeeUse, type Prepared, frozenOf } from '@calm-apron/contract'
import { bagToOpen, gramsLeft, orderAdvice } from '@calm-apron/core'
import { computed } from 'vue'
import { allAsked, coffeeUseAsked } from '../../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../../data/queries/useAnswer.ts'

/** The bags of one coffee and what shots and purges left of them. */
export function useCoffeeStock(coffeeId: string) {
  const bagsTold = useAnswer(() => allAsked('bag', coffeeId))
  const useTold = useAnswer(coffeeUseAsked)
  const bags = computed(() => bagsTold.value.value ?? [])
  const use = computed<CoffeeUse>(() => useTold.value.value ?? { bags: [], pace: [] })

  async function load(): Promise<void> {
    await Promise.all([bagsTold.load(), useTold.load()])
  }

  function leftG({ preparedId, content }: Prepared<'bag'>): number {
    if (content.finishedOn !== null) return 0
    const used = use.value.bags.find(({ bagId }) => bagId === preparedId)?.groundG ?? 0
    return gramsLeft(content.weighed?.leftG ?? content.bagG, used)
  }

  const states = () =>
    bags.value.map((bag) => ({
      bagId: bag.preparedId,
      roastedOn: bag.content.roastedOn,
      openedOn: bag.content.openedOn,
      keptIn: bag.content.keptIn,
      frozen: frozenOf(bag.content),
      gramsLeft: leftG(bag),
    }))

  /** Which to open next on a date; null where none is left unopened. */
  function next(coffee: CoffeeContent, onDate: string): Prepared<'bag'> | null {
    const found = bagToOpen(states(), onDate, coffee.freshness)
    return bags.value.find(({ preparedId }) => preparedId === found?.bagId) ?? null
  }

  function order(coffee: CoffeeContent) {
    const inStock = states().reduce((sum, bag) => sum + bag.gramsLeft, 0)
    const pace = use.value.pace.find((each) => each.coffeeId === coffeeId)?.gramsPerDay ?? 0
    return { ...orderAdvice(inStock, pace, coffee.deliveryDays, coffee.freshness), inStockG: inStock }
  }

  return { bags, load, leftG, next, order }
}
