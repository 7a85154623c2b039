import {
  type Today,
  type TodayBasket,
  type TodayMachine,
  basketInGroup as findBasketInGroup,
  machineKnown as knownOf,
} from '@calm-apron/contract'
import { type MachineKnown, type UsualYield, usualYield } from '@calm-apron/core'
import { defineStore } from 'pinia'
import { computed, watch } from 'vue'
import { todayAsked } from '../queries/questions.ts'
import { useAnswer } from '../queries/useAnswer.ts'
import { usePreferences } from '../../kit/preferences.ts'
import { i18n } from '../../words/index.ts'
import { useDoor } from '../door/door.ts'

export type AcademyState = 'loading' | 'here' | 'remembered' | 'unreachable'

/** A group of a machine, as far as either was named. */
interface Group {
  machineId: string | null
  groupNo: number | null
}
type Button = TodayMachine['groups'][number]['buttons'][number]

/** The academy as the server last told it to whoever is here; kept on the device for when the server can't be reached. */
export const useAcademy = defineStore('academy', () => {
  const door = useDoor()
  // Someone named without network sees what was told to whoever was checked.
  const answer = useAnswer(todayAsked, () => door.session?.person.personId ?? '')
  const today = computed<Today | null>(() => answer.value.value)
  const state = computed<AcademyState>(() => {
    if (answer.state.value === 'kept') return 'remembered'
    if (today.value !== null) return 'here'
    return answer.isFailed.value ? 'unreachable' : 'loading'
  })
  const preferences = usePreferences()
  watch(
    () => door.session?.academy.clockHabit ?? today.value?.academy.clockHabit,
    (habit) => {
      if (habit !== undefined) preferences.clockHabit = habit
    },
    { immediate: true },
  )
  const load = answer.load
  const toldAtMs = answer.askedAtMs

  const trainees = computed(
    () => today.value?.people.filter(({ role, isActive }) => role === 'trainee' && isActive) ?? [],
  )
  const teachers = computed(
    () => today.value?.people.filter(({ role, isActive }) => role !== 'trainee' && isActive) ?? [],
  )
  const timeZone = computed(() => today.value?.academy.timeZone ?? door.session?.academy.timeZone ?? 'UTC')
  /** A name; of someone erased the word for that, of someone one is not told of nothing. */
  function personName(personId: string): string {
    const found = today.value?.people.find((person) => person.personId === personId)
    return found?.displayName === '' ? i18n.global.t('app.someoneErased') : (found?.displayName ?? '')
  }
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

  return {
    today,
    toldAtMs,
    state,
    bagInHopper,
    trainees,
    teachers,
    timeZone,
    load,
    personName,
    recipe,
    bar,
    grinder,
    machine,
    machineKnown,
    basketInGroup,
    buttonsAt,
    leadsOf,
    usualCup,
    coffee,
    coffeeOfBag,
  }
})
