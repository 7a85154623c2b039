import {
  type Today,
  type TodayBasket,
  type TodayMachine,
  basketInGroup as findBasketInGroup,
  machineKnown as knownOf,
} from '@calm-apron/contract'
import { type MachineKnown, type UsualYield, usualYield } from '@calm-apron/core'
import type { Ref } from 'vue'

/** A group of a machine, as far as either was named. */
interface Group {
  machineId: string | null
  groupNo: number | null
}
type Button = TodayMachine['groups'][number]['buttons'][number]

/** Looks up what stands in the rooms of an academy, by its id. */
export function roomsOf(today: Readonly<Ref<Today | null>>) {
  const recipe = (recipeRevisionId: string) =>
    [...(today.value?.recipes ?? []), ...(today.value?.earlierRecipes ?? [])].find(
      (each) => each.recipeRevisionId === recipeRevisionId,
    ) ?? null
  const bar = (barId: string) => today.value?.bars.find((each) => each.barId === barId) ?? null
  const grinder = (grinderId: string | null) =>
    today.value?.bars.flatMap((each) => each.grinders).find((each) => each.grinderId === grinderId) ?? null

  const machine = (machineId: string | null) =>
    today.value?.bars.flatMap((each) => each.machines).find((each) => each.machineId === machineId) ?? null
  /** What of a machine changes what may be said of a shot, and how its portafilter is loosened. */
  function machineKnown(machineId: string | null): MachineKnown | null {
    const found = machine(machineId)
    return found && knownOf(found)
  }

  /** The basket in a group, as the room says; null where it says nothing. */
  function basketInGroup(group: Group | null): TodayBasket | null {
    if (group === null) return null
    const basketId = findBasketInGroup(machine(group.machineId), group.groupNo)
    return (
      today.value?.bars.flatMap((each) => each.baskets).find((each) => each.basketId === basketId) ?? null
    )
  }

  /** The buttons of a group's programmes: the one that suits the basket in it, where there is one, and those that don't. */
  function buttonsAt(group: Group): { its: Button | null; others: Button[] } {
    const size = basketInGroup(group)?.size
    const { machineId, groupNo } = group
    const buttons = groupNo === null ? [] : (machine(machineId)?.groups[groupNo]?.buttons ?? [])
    return {
      its: buttons.find(({ suits }) => suits === size) ?? null,
      others: buttons.filter(({ suits }) => suits !== size),
    }
  }

  const leadsOf = (machineId: string | null) =>
    today.value?.leads.find((each) => each.machineId === machineId)?.leadsG ?? []

  /** What a machine's own programme usually gives by a recipe; null where somebody stops it, or too few cups were weighed. */
  function usualCup({ machineId, groupNo }: Group, recipeRevisionId: string): UsualYield | null {
    if (machineKnown(machineId)?.stopsItself !== true) return null
    const recipeId = recipe(recipeRevisionId)?.recipeId
    const its = today.value?.yields.find(
      (each) => each.machineId === machineId && each.groupNo === groupNo && each.recipeId === recipeId,
    )
    return usualYield(its?.cupsG ?? [])
  }

  return { recipe, bar, grinder, machine, machineKnown, basketInGroup, buttonsAt, leadsOf, usualCup }
}
