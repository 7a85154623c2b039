import {
  ENDPOINTS,
  type Today,
  type TodayBasket,
  basketInGroup as findBasketInGroup,
} from '@calm-apron/contract'
import type { MachineKnown } from '@calm-apron/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import { i18n } from '../words/index.ts'
import { deviceDatabase } from './deviceDatabase.ts'
import { useDoor } from './door.ts'
import { useLiveLine } from './liveLine.ts'
import { takeTodayAhead } from './todayAhead.ts'

export type AcademyState = 'loading' | 'here' | 'remembered' | 'unreachable'

const TRY_AGAIN_MS = 5000
const FRESH_AFTER_MS = { least: 200, spread: 600 } as const

/** The academy as the server last told it to whoever is here; kept on the device for when the server can't be reached. */
export const useAcademy = defineStore('academy', () => {
  const door = useDoor()
  const today = ref<Today | null>(null)
  const state = ref<AcademyState>('loading')
  let retry: ReturnType<typeof setTimeout> | undefined

  async function ask(): Promise<Today> {
    const ahead = takeTodayAhead()
    try {
      return await (ahead ?? call(ENDPOINTS.today))
    } catch (error) {
      // It was refused to whoever was here before, not to whoever came in since.
      if (ahead !== null && error instanceof RefusedByServer) return call(ENDPOINTS.today)
      throw error
    }
  }

  async function load(): Promise<void> {
    clearTimeout(retry)
    const personId = door.session?.person.personId
    if (personId === undefined) return
    try {
      const told = await ask()
      // Whoever asked may have gone meanwhile.
      if (door.session?.person.personId !== personId) return
      today.value = told
      state.value = 'here'
      await (await deviceDatabase()).put('remembered', told, personId)
    } catch (error) {
      if (error instanceof ServerUnreachable) await remember(personId)
      // That nobody is signed in any more the door hears by itself.
      else if (!(error instanceof RefusedByServer)) throw error
    }
  }

  async function remember(personId: string): Promise<void> {
    today.value = (await (await deviceDatabase()).get('remembered', personId)) ?? today.value
    state.value = today.value === null ? 'unreachable' : 'remembered'
    retry = setTimeout(() => void load(), TRY_AGAIN_MS)
  }

  /** Whatever of it changed on another tablet is here soon; not at the same moment on all of them. */
  let fresh: ReturnType<typeof setTimeout> | undefined
  let hasStood = false
  useLiveLine().onNews(({ kind }) => {
    const isAfterGap = kind === 'here' && hasStood
    if (kind === 'here') hasStood = true
    if (!isAfterGap && kind !== 'people' && kind !== 'prepared') return
    clearTimeout(fresh)
    fresh = setTimeout(() => void load(), FRESH_AFTER_MS.least + Math.random() * FRESH_AFTER_MS.spread)
  })

  /** Forgets what was told to the last person. */
  function clear(): void {
    clearTimeout(retry)
    today.value = null
    state.value = 'loading'
  }

  const trainees = computed(
    () => today.value?.people.filter(({ role, isActive }) => role === 'trainee' && isActive) ?? [],
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
    return found && { isLever: found.kind === 'lever', hasReleaseValve: found.hasReleaseValve }
  }

  /** The basket in a group, as the room says; null where it says nothing. */
  function basketInGroup(
    group: { machineId: string | null; groupNo: number | null } | null,
  ): TodayBasket | null {
    if (group === null) return null
    const basketId = findBasketInGroup(machine(group.machineId), group.groupNo)
    return (
      today.value?.bars.flatMap((each) => each.baskets).find((each) => each.basketId === basketId) ?? null
    )
  }

  const leadsOf = (machineId: string | null) =>
    today.value?.leads.find((each) => each.machineId === machineId)?.leadsG ?? []

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
    state,
    bagInHopper,
    trainees,
    timeZone,
    load,
    clear,
    personName,
    recipe,
    bar,
    grinder,
    machine,
    machineKnown,
    basketInGroup,
    leadsOf,
    coffeeOfBag,
  }
})
