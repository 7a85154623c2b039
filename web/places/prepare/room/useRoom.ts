import { type Prepared, type RoomKind, frozenOf, teaches } from '@calm-apron/contract'
import { type RoomState, coffeeAge, dateInZone, roomReadiness } from '@calm-apron/core'
import { computed } from 'vue'
import { allAsked } from '../../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../../data/queries/useAnswer.ts'
import { useAcademy } from '../../../data/academy/academy.ts'
import { ROOM_KINDS } from './newEquipment.ts'

type Equipment = { [K in RoomKind]: Prepared<K>[] }

/** All that stands in one room, and whether a first shot could be pulled with it. */
export function useRoom(barId: string) {
  const academy = useAcademy()
  const answers = ROOM_KINDS.map((kind) => {
    const { value, load } = useAnswer(() => allAsked(kind, barId))
    return { kind, value, load }
  })
  const things = computed(
    () =>
      // Each asked for by its own kind; a list of them can't carry that.
      Object.fromEntries(answers.map(({ kind, value }) => [kind, value.value ?? []])) as Equipment,
  )

  async function load(): Promise<void> {
    await Promise.all(answers.map((answer) => answer.load()))
  }

  const bar = computed(() => academy.today?.bars.find((each) => each.barId === barId) ?? null)

  /** An open bag that is neither too fresh nor past. */
  const hasCoffee = computed(() => {
    const onDate = dateInZone(new Date(), academy.timeZone)
    return (academy.today?.coffees ?? []).some(({ bags, freshness }) =>
      bags.some((bag) => {
        if (bag.openedOn === null || bag.leftG <= 0) return false
        if (bag.roastedOn === null) return true
        const age = coffeeAge(bag.roastedOn, onDate, freshness, frozenOf(bag))
        return age.freshness === 'in-window' || age.freshness === 'fading'
      }),
    )
  })

  const readiness = computed(() => {
    const groups = things.value.machine.flatMap(({ content }) => content.groups)
    const vessels = things.value.vessel.map(({ content }) => content.kind)
    const bench = bar.value?.bench ?? []
    const state: RoomState = {
      machine: things.value.machine.length > 0,
      'group-basket': groups.some(({ basketId }) => basketId !== null),
      grinder: things.value.grinder.length > 0,
      basket: things.value.basket.length > 0,
      portafilter: vessels.includes('portafilter'),
      cup: vessels.includes('cup'),
      tamper: things.value.tool.some(({ content }) => content.kind === 'tamper'),
      scale: things.value.scale.length > 0,
      water: things.value.water.length > 0,
      recipe: (academy.today?.recipes.length ?? 0) > 0,
      coffee: hasCoffee.value,
      bench: bench.length > 0 && bench.every((each) => each.state === 'here'),
    }
    return roomReadiness(state)
  })

  const choices = computed(() => ({
    basketId: things.value.basket.map(({ preparedId, content }) => ({
      value: preparedId,
      label: content.name,
    })),
    personId: (academy.today?.people ?? [])
      .filter(({ role, isActive }) => teaches(role) && isActive)
      .map(({ personId, displayName }) => ({ value: personId, label: displayName })),
  }))
  const nameOf = (id: string) =>
    things.value.basket.find(({ preparedId }) => preparedId === id)?.content.name ?? academy.personName(id)

  return { things, load, bar, readiness, choices, nameOf }
}
