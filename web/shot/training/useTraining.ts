import type { ShotSummary, TodayMachine } from '@calm-apron/contract'
import {
  type LockedSetting,
  type Recipe,
  type Seat,
  type ShotWanted,
  isTurn,
  mayDialIn,
  nextSeat,
} from '@calm-apron/core'
import { computed } from 'vue'
import { groupKey } from '../../data/devices/devices.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { trainingAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useShotList } from '../../data/queries/useShots.ts'
import { useDrafts } from '../draft/drafts.ts'
import { type StartWith, useStartShot } from '../start/useStartShot.ts'
import { useTrainings } from './trainings.ts'

/** As many as a page of the server's holds: a morning of four trainees pulls some sixty. */
const SHOTS_SHOWN = 100

/** One group of a training: who takes turns at it, and whose turn it is. */
export interface TrainingGroup {
  key: string
  name: string
  machineId: string | null
  groupNo: number
  seats: { seat: Seat; name: string; pulled: number }[]
  next: Seat | null
}

/** A training as it is led: its state, its shots, its groups, and how the next shot begins. */
export function useTraining(trainingId: () => string) {
  const academy = useAcademy()
  const door = useDoor()
  const drafts = useDrafts()
  const trainings = useTrainings()
  const startShot = useStartShot()
  const asked = () => (trainingId() === '' ? null : trainingId())
  const list = useShotList(() => {
    const id = asked()
    return id === null ? null : { trainingId: id }
  }, SHOTS_SHOWN)
  const listed = list.shots
  /** Whose turn it is can't be told before it is known who has pulled. */
  const isCounted = list.isKnown
  // One that is over is in no list.
  useAnswer(() => {
    const id = asked()
    return id === null ? null : trainingAsked(id)
  })

  const state = computed(() => trainings.stateOf(trainingId()))
  const setup = computed(() => state.value?.setup ?? null)
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

  const groups = computed<TrainingGroup[]>(() => {
    const byKey = new Map<string, Seat[]>()
    for (const seat of setup.value?.seats ?? []) {
      const key = groupKey(seat.machineId, seat.groupNo)
      byKey.set(key, [...(byKey.get(key) ?? []), seat])
    }
    return [...byKey].map(([key, seats]) => {
      const { machineId, groupNo } = seats[0] ?? { machineId: null, groupNo: 0 }
      return {
        key,
        machineId,
        groupNo,
        name: groupName(academy.bar(setup.value?.barId ?? '')?.machines ?? [], machineId, groupNo),
        seats: seats.map((seat) => ({
          seat,
          name: academy.personName(seat.personId),
          pulled: pulled.value.get(seat.personId) ?? 0,
        })),
        next: isCounted.value ? nextSeat(seats, pulled.value) : null,
      }
    })
  })

  /** Begins the next shot of someone at a group, with all that the training says. */
  async function begin({ personId, machineId, groupNo }: Seat, more: StartWith = {}): Promise<void> {
    if (setup.value === null) return
    const { barId, recipeRevisionId, grinderId, bagId, routineId, purpose, grindOwner } = setup.value
    const lock = state.value?.lock ?? null
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
      // Whoever teaches reads their own shots at once.
      isCallAsked: academy.trainees.some((each) => each.personId === personId),
      grindText: lock === null ? '' : String(lock.setting),
      wanted: lock === null || recipe.value === null ? null : wantedOf(lock, recipe.value.targets),
      ...more,
    })
  }

  const used = { setup, recipe, grinder, coffee }
  return { state, ...used, isDialInOpen, listed, isCounted, pulled, groups, begin }
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

/** A group's own name; where there are several machines, with its machine's. */
export function groupName(
  machines: readonly TodayMachine[],
  machineId: string | null,
  groupNo: number,
): string {
  const machine = machines.find((each) => each.machineId === machineId)
  const group = machine?.groups[groupNo]?.name ?? ''
  return machines.length > 1 && machine ? `${machine.name}, ${group}` : group
}
