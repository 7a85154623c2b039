import { type ShotInput, basketInGroup, standsNow, teaches } from '@calm-apron/contract'
import type { AsItStood } from '@calm-apron/core'
import { useAcademy } from './academy.ts'

type Named = Pick<
  ShotInput,
  'personId' | 'bagId' | 'machineId' | 'groupNo' | 'grinderId' | 'pulledAt' | 'recipeRevisionId'
> &
  // A write of the last release, kept on this device, names none.
  Partial<Pick<ShotInput, 'focus'>>

/** What this device knows of what a shot is pulled with that the server does not have yet. */
export function useStoodNow() {
  const academy = useAcademy()

  /** Whether somebody teaches; nobody whom the academy does not name. */
  function isTeaching(personId: string): boolean {
    return teaches(academy.today?.people.find((each) => each.personId === personId)?.role)
  }

  function stoodNow({ personId, recipeRevisionId, pulledAt, focus, ...named }: Named): AsItStood {
    const { bagId, machineId, groupNo, grinderId } = named
    const coffee = academy.coffeeOfBag(bagId)
    const machine = academy.machine(machineId)
    return standsNow(
      {
        bag: coffee?.bags.find((each) => each.bagId === bagId) ?? null,
        coffee,
        machine,
        basket: academy.basketInGroup({ machineId, groupNo }),
        basketId: basketInGroup(machine, groupNo),
        recipesBasketId: academy.recipe(recipeRevisionId)?.method.basketId ?? null,
        grinder: academy.grinder(grinderId),
      },
      { pulledAt, timeZone: academy.timeZone, isPullerTeaching: isTeaching(personId), focus: focus ?? null },
    )
  }

  return { stoodNow, isTeaching }
}
