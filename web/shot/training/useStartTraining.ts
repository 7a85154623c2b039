import {
  FOCUS_ON_ALL,
  FOCUS_PARTS,
  type Focus,
  type Seat,
  type TrainingSetup,
  isSameFocus,
} from '@calm-apron/core'
import { useLocalStorage } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useTrainings } from './trainings.ts'

const LAST_SETUP = 'calm-apron.last-training'
const LAST_FOCUS = 'calm-apron.last-focus'

/** Starts a training and goes to it; what it was started with is remembered on this device. */
export function useStartTraining() {
  const router = useRouter()
  const door = useDoor()
  const trainings = useTrainings()
  const last = useLocalStorage<Record<string, TrainingSetup>>(LAST_SETUP, {})

  const lastFocus = useLocalStorage<Record<string, Focus>>(LAST_FOCUS, {})

  return async function start(setup: TrainingSetup, focus: Focus): Promise<void> {
    const trainingId = uuidv7()
    await trainings.note(trainingId, { kind: 'started', setup })
    if (!isSameFocus(focus, FOCUS_ON_ALL)) await trainings.note(trainingId, { kind: 'focused', focus })
    last.value = { ...last.value, [door.personId]: setup }
    lastFocus.value = { ...lastFocus.value, [door.personId]: focus }
    await router.push({ name: 'training', params: { trainingId } })
  }
}

/** What this person's last training looked at; all, where there was none. */
export function useLastFocus() {
  const door = useDoor()
  const last = useLocalStorage<Record<string, Focus>>(LAST_FOCUS, {})
  return computed<Focus>(() => {
    const { on, fullEvery } = last.value[door.personId] ?? FOCUS_ON_ALL
    // What an earlier release kept may name what is no part any more.
    const known = FOCUS_PARTS.filter((part) => on.includes(part))
    return known.length === 0 ? FOCUS_ON_ALL : { on: known, fullEvery }
  })
}

/** What this person last started a training with, as far as it is all still there; null where it is not. */
export function useLastSetup() {
  const academy = useAcademy()
  const door = useDoor()
  const last = useLocalStorage<Record<string, TrainingSetup>>(LAST_SETUP, {})

  /** A recipe that was changed since is pulled as it stands now; null where it is gone. */
  function asNow(recipeRevisionId: string): string | null {
    const recipeId = academy.recipe(recipeRevisionId)?.recipeId
    return academy.today?.recipes.find((each) => each.recipeId === recipeId)?.recipeRevisionId ?? null
  }
  function withRecipeAsNow(seat: Seat): Seat {
    if (seat.with?.recipeRevisionId === undefined) return seat
    const { recipeRevisionId, ...rest } = seat.with
    const now = asNow(recipeRevisionId)
    return { ...seat, with: now === null ? rest : { ...rest, recipeRevisionId: now } }
  }

  return computed<TrainingSetup | null>(() => {
    const setup = last.value[door.personId]
    const bar = setup && academy.bar(setup.barId)
    if (!setup || !bar) return null
    const seats = setup.seats.filter(({ personId }) =>
      [...academy.trainees, ...academy.teachers].some((each) => each.personId === personId),
    )
    const recipe = asNow(setup.recipeRevisionId)
    return seats.length === 0 || recipe === null
      ? null
      : {
          ...setup,
          seats: seats.map(withRecipeAsNow),
          recipeRevisionId: recipe,
          ...(setup.alsoRecipeRevisionIds && {
            alsoRecipeRevisionIds: setup.alsoRecipeRevisionIds.flatMap((each) => asNow(each) ?? []),
          }),
          bagId: academy.bagInHopper?.bagId ?? null,
        }
  })
}
