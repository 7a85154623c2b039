import type { StageOfGroup } from '@calm-apron/contract'
import { type Seat, type TrainingSetup, type Turns, turnsAt } from '@calm-apron/core'
import { type Ref, computed } from 'vue'
import { groupKey } from '../../data/devices/groupKey.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import type { ListedShot } from '../../data/queries/useShots.ts'
import { useDrafts } from '../draft/drafts.ts'
import { groupName } from './groupName.ts'
import { useLive } from './useLive.ts'

/** One group of a training: who takes turns at it, whose turn it is, and what is done at it now. */
export interface TrainingGroup {
  key: string
  name: string
  machineId: string | null
  groupNo: number
  seats: { seat: Seat; name: string; pulled: number }[]
  /** As a tablet tells of it; null where none does. */
  stage: StageOfGroup | null
  /** A shot begun on this tablet, to go on with. */
  begunShotId: string | null
  turns: Turns
  /** Who is next, once it is known who has pulled. */
  next: Seat | null
}

/** What is known of a training's turns so far. */
interface Pulled {
  setup: Readonly<Ref<TrainingSetup | null>>
  listed: Readonly<Ref<readonly ListedShot[]>>
  isCounted: Readonly<Ref<boolean>>
  /** Shots by person, with those begun here. */
  pulled: Readonly<Ref<ReadonlyMap<string, number>>>
}

/** The groups of a training, each with its turns. */
export function useGroups(trainingId: () => string, { setup, listed, isCounted, pulled }: Pulled) {
  const academy = useAcademy()
  const drafts = useDrafts()
  const { stages } = useLive(trainingId)

  const begunAt = (key: string) =>
    drafts.drafts.find(
      (draft) =>
        draft.trainingId === trainingId() &&
        draft.correcting === null &&
        groupKey(draft.machineId, draft.groupNo) === key,
    ) ?? null

  /** Who is at a group: with a shot begun here, or as another tablet tells of one that is not recorded yet. */
  function pullingAt(key: string, stage: StageOfGroup | null): string | null {
    const isRecorded = listed.value.some(({ shot }) => shot.shotId === stage?.shotId)
    return begunAt(key)?.personId ?? (isRecorded ? null : (stage?.personId ?? null))
  }

  function groupOf(key: string, seats: readonly Seat[]): TrainingGroup {
    const { machineId, groupNo } = seats[0] ?? { machineId: null, groupNo: 0 }
    const stage = stages.value[key] ?? null
    const turns = turnsAt(seats, pulled.value, pullingAt(key, stage))
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
      stage,
      begunShotId: begunAt(key)?.shotId ?? null,
      turns,
      next: isCounted.value ? turns.next : null,
    }
  }

  return computed<TrainingGroup[]>(() => {
    const byKey = new Map<string, Seat[]>()
    for (const seat of setup.value?.seats ?? []) {
      const key = groupKey(seat.machineId, seat.groupNo)
      byKey.set(key, [...(byKey.get(key) ?? []), seat])
    }
    return [...byKey].map(([key, seats]) => groupOf(key, seats))
  })
}
