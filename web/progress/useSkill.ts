import { DEFAULT_PROGRAMME, type TraineeSkill, assessSkill } from '@calm-apron/core'
import { shallowRef, watch } from 'vue'
import { readListed } from '../reading/readListed.ts'
import { useOutbox } from '../store/outbox.ts'
import { useShots } from '../store/shots.ts'

/** Older shots weigh next to nothing. */
const SHOTS_WEIGHED = 60

/** A person's skill with the number of shots it rests on; null while there are none. */
export interface ShownSkill {
  skill: TraineeSkill
  shots: number
}

/** A person's skill from their newest shots; begins anew when the person or the outbox changes. */
export function useSkill(personId: () => string) {
  const source = useShots()
  const outbox = useOutbox()
  const shown = shallowRef<ShownSkill | null>(null)
  let run = 0

  async function load(person: string): Promise<void> {
    const thisRun = ++run
    const { shots } = await source.page({ personId: person }, null, SHOTS_WEIGHED)
    // A slower answer for someone who is no longer chosen is dropped.
    if (thisRun !== run) return
    const oldestFirst = [...shots].reverse().map(({ shot, recipe }) => ({
      readings: readListed({ shot, recipe }),
      context: { ...shot, isReferenceOff: false },
      callScore: null,
    }))
    shown.value =
      oldestFirst.length === 0
        ? null
        : { skill: assessSkill(oldestFirst, DEFAULT_PROGRAMME), shots: oldestFirst.length }
  }

  watch(
    [personId, () => outbox.writes.length],
    ([person]) => {
      if (person !== '') void load(person)
    },
    { immediate: true },
  )
  return shown
}
