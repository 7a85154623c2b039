import type { Today } from '@calm-apron/contract'
import { defineStore } from 'pinia'
import { computed, watch } from 'vue'
import { todayAsked } from '../queries/questions.ts'
import { useAnswer } from '../queries/useAnswer.ts'
import { usePreferences } from '../../kit/preferences.ts'
import { i18n } from '../../words/index.ts'
import { useDoor } from '../door/door.ts'
import { coffeesOf } from './coffees.ts'
import { roomsOf } from './rooms.ts'

export type AcademyState = 'loading' | 'here' | 'remembered' | 'unreachable'

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

  return {
    today,
    toldAtMs,
    state,
    trainees,
    teachers,
    timeZone,
    load,
    personName,
    ...roomsOf(today),
    ...coffeesOf(today),
  }
})
