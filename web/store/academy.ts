import { ENDPOINTS, type Today } from '@calm-apron/contract'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import { deviceDatabase } from './deviceDatabase.ts'

export type AcademyState = 'loading' | 'here' | 'remembered' | 'none' | 'unreachable'

const TRY_AGAIN_MS = 5000

/** The academy as the server last told it; kept on the device for when the server can't be reached. */
export const useAcademy = defineStore('academy', () => {
  const today = ref<Today | null>(null)
  const state = ref<AcademyState>('loading')

  async function load(): Promise<void> {
    try {
      const told = await call(ENDPOINTS.today)
      today.value = told
      state.value = 'here'
      await (await deviceDatabase()).put('remembered', told, 'today')
    } catch (error) {
      if (error instanceof RefusedByServer) state.value = 'none'
      else if (error instanceof ServerUnreachable) await remember()
      else throw error
    }
  }

  async function remember(): Promise<void> {
    today.value = (await (await deviceDatabase()).get('remembered', 'today')) ?? today.value
    state.value = today.value === null ? 'unreachable' : 'remembered'
    setTimeout(() => void load(), TRY_AGAIN_MS)
  }

  const trainees = computed(() => today.value?.people.filter((person) => person.role === 'trainee') ?? [])
  const timeZone = computed(() => today.value?.academy.timeZone ?? 'UTC')
  const personName = (personId: string) =>
    today.value?.people.find((person) => person.personId === personId)?.displayName ?? ''
  const recipe = (recipeRevisionId: string) =>
    today.value?.recipes.find((each) => each.recipeRevisionId === recipeRevisionId) ?? null
  const bar = (barId: string) => today.value?.bars.find((each) => each.barId === barId) ?? null
  const grinder = (grinderId: string | null) =>
    today.value?.bars.flatMap((each) => each.grinders).find((each) => each.grinderId === grinderId) ?? null

  const coffeeOfBag = (bagId: string | null) =>
    today.value?.coffees.find(({ bags }) => bags.some((bag) => bag.bagId === bagId)) ?? null

  return { today, state, trainees, timeZone, load, personName, recipe, bar, grinder, coffeeOfBag }
})
