import { type Prepared, frozenOf, teaches } from '@calm-apron/contract'
import { type RoomState, coffeeAge, dateInZone, roomReadiness } from '@calm-apron/core'
import { computed, reactive } from 'vue'
import { useAcademy } from '../../store/academy.ts'
import { allOf } from '../preparedApi.ts'
import type { RoomKind } from './newEquipment.ts'

type Equipment = { [K in RoomKind]: Prepared<K>[] }

/** All that stands in one room, and whether a first shot could be pulled with it. */
export function useRoom(barId: string) {
  const academy = useAcademy()
  const things = reactive<Equipment>({
    machine: [],
    grinder: [],
    basket: [],
    vessel: [],
    tool: [],
    scale: [],
    water: [],
  })

  async function load(): Promise<void> {
    const [machine, grinder, basket, vessel, tool, scale, water] = await Promise.all([
      allOf('machine', barId),
      allOf('grinder', barId),
      allOf('basket', barId),
      allOf('vessel', barId),
      allOf('tool', barId),
      allOf('scale', barId),
      allOf('water', barId),
    ])
    Object.assign(things, { machine, grinder, basket, vessel, tool, scale, water })
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
    const groups = things.machine.flatMap(({ content }) => content.groups)
    const vessels = things.vessel.map(({ content }) => content.kind)
    const bench = bar.value?.bench ?? []
    const state: RoomState = {
      machine: things.machine.length > 0,
      'group-basket': groups.some(({ basketId }) => basketId !== null),
      grinder: things.grinder.length > 0,
      basket: things.basket.length > 0,
      portafilter: vessels.includes('portafilter'),
      cup: vessels.includes('cup'),
      tamper: things.tool.some(({ content }) => content.kind === 'tamper'),
      scale: things.scale.length > 0,
      water: things.water.length > 0,
      recipe: (academy.today?.recipes.length ?? 0) > 0,
      coffee: hasCoffee.value,
      bench: bench.length > 0 && bench.every((each) => each.state === 'here'),
    }
    return roomReadiness(state)
  })

  const choices = computed(() => ({
    basketId: things.basket.map(({ preparedId, content }) => ({ value: preparedId, label: content.name })),
    personId: (academy.today?.people ?? [])
      .filter(({ role, isActive }) => teaches(role) && isActive)
      .map(({ personId, displayName }) => ({ value: personId, label: displayName })),
  }))
  const nameOf = (id: string) =>
    things.basket.find(({ preparedId }) => preparedId === id)?.content.name ?? academy.personName(id)

  return { things, load, bar, readiness, choices, nameOf }
}
