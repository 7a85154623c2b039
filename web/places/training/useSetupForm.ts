import type { Seat, TrainingSetup } from '@calm-apron/core'
import { computed, reactive } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { routineFor } from '../../shot/training/routineFor.ts'
import { useLastSetup } from '../../shot/training/useStartTraining.ts'

export type MissingPart = 'people' | 'recipe' | 'bar'
/** One pulls, one watches, one is next. */
const MOST_AT_A_GROUP = 3
/** Not there, or at a group: `machineId:groupNo`. */
const AWAY = ''

/**
 * A training's setup while it is chosen; as the last one was, where nothing else is said.
 * @param only the one person it is for; null: everyone who was there last time
 */
export function useSetupForm(start: TrainingSetup | null, only: string | null = null) {
  const academy = useAcademy()
  const last = useLastSetup()
  const from = start ?? last.value
  const bar = academy.bar(from?.barId ?? '') ?? academy.today?.bars[0] ?? null
  const groupOf = ({ machineId, groupNo }: { machineId: string | null; groupNo: number }) =>
    `${machineId ?? ''}:${groupNo}`

  /** The first time everyone stands somewhere, as long as it is a class and not a whole school. */
  const places = (bar?.machines ?? []).flatMap(({ machineId, groups: all }) =>
    all.map((_group, groupNo) => ({ machineId, groupNo })),
  )
  const isClass = academy.trainees.length <= places.length * MOST_AT_A_GROUP
  const firstSeats = isClass ? academy.trainees.map((_each, index) => places[index % places.length]) : []

  const chosen = reactive({
    barId: bar?.barId ?? '',
    // A set is begun within a training; only one of an earlier release may be one itself.
    purpose: start?.purpose ?? 'practice',
    recipeRevisionId: from?.recipeRevisionId ?? academy.today?.recipes[0]?.recipeRevisionId ?? '',
    routineId:
      from === null ? routineFor(academy.today?.routines ?? [], bar?.machines[0] ?? null) : from.routineId,
    grinderId: from?.grinderId ?? bar?.grinders[0]?.grinderId ?? null,
    bagId: from?.bagId ?? academy.bagInHopper?.bagId ?? null,
    grindOwner: from?.grindOwner ?? 'trainer',
    /** What some pull with that others don't, by person. */
    own: Object.fromEntries(
      (from?.seats ?? []).flatMap(({ personId, with: own }) => (own === undefined ? [] : [[personId, own]])),
    ),
    alsoRecipeRevisionIds: [...(from?.alsoRecipeRevisionIds ?? [])],
    /** By person, the group they stand at. */
    at: Object.fromEntries(
      [...academy.trainees, ...academy.teachers].map(({ personId }, index) => {
        const seat = from === null ? firstSeats[index] : from.seats.find((each) => each.personId === personId)
        if (only === null) return [personId, seat ? groupOf(seat) : AWAY]
        const its = seat ?? places[0]
        return [personId, personId === only && its ? groupOf(its) : AWAY]
      }),
    ),
  })

  const chosenBar = computed(() => academy.bar(chosen.barId))
  const seats = computed<Seat[]>(() =>
    Object.entries(chosen.at).flatMap(([personId, key]) => {
      if (key === AWAY) return []
      const [machineId = '', groupNo = '0'] = key.split(':')
      const seat = { personId, machineId: machineId === '' ? null : machineId, groupNo: Number(groupNo) }
      const own = chosen.own[personId] ?? {}
      return [Object.keys(own).length === 0 ? seat : { ...seat, with: own }]
    }),
  )
  const missing = computed<MissingPart | null>(() => {
    if (chosenBar.value === null) return 'bar'
    if (seats.value.length === 0) return 'people'
    return academy.recipe(chosen.recipeRevisionId) === null ? 'recipe' : null
  })
  const setup = computed<TrainingSetup | null>(() => {
    const { at: _at, own: _own, alsoRecipeRevisionIds: also, ...rest } = chosen
    if (missing.value !== null) return null
    return { ...rest, seats: seats.value, ...(also.length > 0 && { alsoRecipeRevisionIds: also }) }
  })

  return { chosen, chosenBar, seats, missing, setup }
}

export type SetupForm = ReturnType<typeof useSetupForm>
