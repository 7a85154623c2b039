import { THRESHOLDS, caffeineMg, dateInZone } from '@calm-apron/core'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'

/** How much of a cup is swallowed, as a share; as those who taste for hours do it. */
export const SWALLOWED = { spit: 0.03, sip: 0.15, drink: 1 } as const
export type Swallowed = keyof typeof SWALLOWED

/** What one person tasted on one day: the dry dose of each cup, in g. */
interface Day {
  on: string
  dosesG: number[]
}

/**
 * Cups that were tasted on this device today, each person's by themselves: a tongue is asked to rest after ten. Whoever wants
 * it has their caffeine counted; that stands on this device alone, is sent nowhere, and is shown to nobody else.
 */
export const useCupsTasted = defineStore('cups-tasted', () => {
  const academy = useAcademy()
  const door = useDoor()
  const days = useLocalStorage<Record<string, Day>>('calm-apron.cups', {})
  const ways = useLocalStorage<Record<string, Swallowed>>('calm-apron.caffeine', {})

  const today = () => dateInZone(new Date(), academy.timeZone)
  function dosesOf(personId: string): number[] {
    const day = days.value[personId]
    return day?.on === today() ? day.dosesG : []
  }

  function tasted(personId: string, doseG: number): void {
    const dosesG = [...dosesOf(personId), doseG]
    // Of other days nothing is kept.
    const others = Object.entries(days.value).filter(([its, { on }]) => its !== personId && on === today())
    days.value = { ...Object.fromEntries(others), [personId]: { on: today(), dosesG } }
  }

  /** How many cups, where it is time to rest; null where it is not. */
  function restAfter(personId: string): number | null {
    const cups = dosesOf(personId).length
    return cups >= THRESHOLDS.cupsBeforeRest ? cups : null
  }

  /** In mg, of whoever is here and has asked for it; null for everyone else. */
  function caffeineHere(): number | null {
    const way = ways.value[door.personId]
    if (way === undefined) return null
    const swallowedShare = SWALLOWED[way]
    return caffeineMg(dosesOf(door.personId).map((doseG) => ({ doseG, robustaShare: 0, swallowedShare })))
  }

  const wayHere = (): Swallowed | null => ways.value[door.personId] ?? null
  function count(way: Swallowed | null): void {
    const others = Object.entries(ways.value).filter(([its]) => its !== door.personId)
    ways.value = { ...Object.fromEntries(others), ...(way !== null && { [door.personId]: way }) }
  }

  return { tasted, restAfter, caffeineHere, wayHere, count }
})
