import type { ShotSummary } from '@calm-apron/contract'
import {
  FOCUS_ON_ALL,
  type LockedSetting,
  type Recipe,
  type Seat,
  type ShotWanted,
  isTurn,
  mayDialIn,
  nameOfFocus,
  pulledAt,
  wordsAsked,
} from '@calm-apron/core'
import { computed } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useShotList } from '../../data/queries/useShots.ts'
import { useDrafts } from '../draft/drafts.ts'
import { type StartWith, useStartShot } from '../start/useStartShot.ts'
import { useTrainings } from './trainings.ts'
import { useGroups } from './useGroups.ts'
import { useTrainingState } from './useTrainingState.ts'

/** As many as a page of the server's holds: a morning of four trainees pulls some sixty. */
const SHOTS_SHOWN = 100

/** A training as it is led: its state, its shots, its groups, and how the next shot begins. */
export function useTraining(trainingId: () => string) {
  const academy = useAcademy()
  const door = useDoor()
  const drafts = useDrafts()
  const startShot = useStartShot()
  const trainings = useTrainings()
  const { events, state, setup } = useTrainingState(trainingId)
  const list = useShotList(() => (trainingId() === '' ? null : { trainingId: trainingId() }), SHOTS_SHOWN)
  const listed = list.shots
  /** Whose turn it is can't be told before it is known who has pulled. */
  const isCounted = list.isKnown

  const recipe = computed(() => (setup.value === null ? null : academy.recipe(setup.value.recipeRevisionId)))
  const grinder = computed(() => academy.grinder(setup.value?.grinderId ?? null))
  const coffee = computed(() => academy.coffeeOfBag(setup.value?.bagId ?? null))

  /** Whether whoever is here may look for a setting in it, and lock one. */
  const isDialInOpen = computed(
    () => state.value !== null && door.may('dial-in', mayDialIn(state.value, door.personId)),
  )

  const pulled = computed(() => {
    const counts = new Map<string, number>()
    const count = ({ personId }: Pick<ShotSummary, 'personId'>) =>
      counts.set(personId, (counts.get(personId) ?? 0) + 1)
    for (const { shot } of listed.value) if (isTurn(shot.purpose)) count(shot)
    // Those begun here count too, or the same one would be next at both groups.
    for (const draft of drafts.drafts) if (draft.trainingId === trainingId()) count(draft)
    return counts
  })

  const groups = useGroups(trainingId, { setup, listed, isCounted, pulled })

  /**
   * By what the next shot of a seat is pulled, and what was found for just that grinder and that recipe.
   * @param by the recipe, where that is not the seat's
   */
  function pulledBy(seat: Seat, by?: string) {
    if (setup.value === null) return null
    const its = pulledAt(setup.value, seat)
    const recipeRevisionId = by ?? its.recipeRevisionId
    const found = state.value?.lock ?? null
    const isItsLock = found?.grinderId === its.grinderId && found.recipeRevisionId === recipeRevisionId
    return { ...its, recipeRevisionId, lock: isItsLock ? found : null }
  }

  /**
   * Begins the next shot of someone at a group, with all that the training and their seat say.
   * @param by the recipe it is pulled by, where that is not the seat's
   */
  async function begin(seat: Seat, by?: string, more: StartWith = {}): Promise<void> {
    // What the training looks at may have been tapped a moment ago.
    await trainings.noted()
    const its = pulledBy(seat, by)
    if (setup.value === null || its === null) return
    const { personId, machineId, groupNo } = seat
    const { barId, bagId, purpose, grindOwner } = setup.value
    const { grinderId, routineId, recipeRevisionId, lock } = its
    const targets = academy.recipe(recipeRevisionId)?.targets ?? null
    const isSet = purpose === 'assessment'
    const focus = isSet ? FOCUS_ON_ALL : (state.value?.focus ?? FOCUS_ON_ALL)
    const turn = (pulled.value.get(personId) ?? 0) + 1
    await startShot(personId, recipeRevisionId, {
      barId,
      grinderId,
      bagId,
      routineId,
      machineId,
      groupNo,
      purpose,
      grindOwner,
      trainingId: trainingId(),
      focus: nameOfFocus(focus) === 'all' ? null : focus,
      // Whoever teaches reads their own shots at once.
      ...(academy.trainees.some((each) => each.personId === personId) && wordsAsked(focus, turn, isSet)),
      grindText: lock === null ? '' : String(lock.setting),
      wanted: lock === null || targets === null ? null : wantedOf(lock, targets),
      ...more,
    })
  }

  const used = { setup, recipe, grinder, coffee }
  return { events, state, ...used, isDialInOpen, listed, isCounted, pulled, groups, pulledBy, begin }
}

/** What a lock takes off its recipe; null where it is kept. */
export function wantedOf(
  { doseG, yieldG, taste }: Pick<LockedSetting, 'doseG' | 'yieldG' | 'taste'>,
  targets: Pick<Recipe, 'doseG' | 'yieldG'>,
): ShotWanted | null {
  const wanted = {
    doseG: Math.abs(doseG - targets.doseG) < SAME_G ? null : doseG,
    yieldG: yieldG === undefined || Math.abs(yieldG - targets.yieldG) < SAME_G ? null : yieldG,
  }
  if (taste !== undefined) return { ...wanted, taste }
  return wanted.doseG === null && wanted.yieldG === null ? null : wanted
}

/** What no scale tells apart. */
const SAME_G = 0.05
