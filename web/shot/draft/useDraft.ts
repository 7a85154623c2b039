import { asWanted, readRecorded } from '@calm-apron/core'
import { computed, reactive, watch } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useDrafts } from './drafts.ts'
import { useStoodNow } from '../../data/academy/stoodNow.ts'
import { readDraft } from './readDraft.ts'
import type { ShotDraft } from './shotDraft.ts'

/** Slips come after. */
const NOT_TASTED = { trainee: null, trainer: null }

/** A draft that is being entered: kept on the device as it changes, and read as it stands. */
export function useDraft(found: ShotDraft) {
  const drafts = useDrafts()
  const academy = useAcademy()
  const door = useDoor()
  const { stoodNow, isTeaching } = useStoodNow()
  const draft = reactive(found)
  /** While it is being recorded, and once it was, it is kept no more. */
  let isDone = false

  const read = computed(() => readDraft(draft))
  /** With the dose and yield that this shot is meant to have. */
  const recipe = computed(() => {
    const its = academy.recipe(draft.recipeRevisionId)
    return its && { ...its, targets: asWanted(its.targets, draft.wanted) }
  })
  const grinder = computed(() => academy.grinder(draft.grinderId))
  const bar = computed(() => academy.bar(draft.barId))
  const vessels = computed(() => bar.value?.vessels ?? [])
  const machine = computed(
    () => bar.value?.machines.find(({ machineId }) => machineId === draft.machineId) ?? null,
  )
  const basket = computed(
    () => bar.value?.baskets.find(({ basketId }) => basketId === recipe.value?.method.basketId) ?? null,
  )
  const routine = computed(
    () => academy.today?.routines.find(({ routineId }) => routineId === draft.routineId) ?? null,
  )
  const readings = computed(() => {
    if (recipe.value === null) return null
    const { shotId, madeAt: pulledAt, purpose, isSimulated, grindOwner } = draft
    const stood = stoodNow({ ...draft, pulledAt })
    const isJudgeTeaching = isTeaching(door.personId)
    const of = { shotId, pulledAt, purpose, isSimulated, grindOwner, stood, isJudgeTeaching }
    return readRecorded({ ...of, facts: read.value.facts, tasted: NOT_TASTED }, recipe.value.targets)
  })

  // At every change and at once: a tablet may be put to sleep, or reloaded, in the very next moment.
  watch(draft, () => void (isDone || drafts.keep(draft)), { deep: true })

  /** Makes a record of it, which takes the draft's place on the device; where that fails it stays a draft. */
  async function becomes(record: () => Promise<void>): Promise<void> {
    isDone = true
    try {
      await record()
    } catch (error) {
      isDone = false
      await drafts.keep(draft)
      throw error
    }
    await drafts.reload()
  }

  async function throwAway(): Promise<void> {
    isDone = true
    await drafts.drop(draft.shotId)
  }

  const known = { recipe, grinder, vessels, machine, basket, routine, readings }
  return { draft, read, ...known, becomes, throwAway }
}
