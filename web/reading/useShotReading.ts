import { type ShotDetail, type ShotSummary, recordedOf } from '@calm-apron/contract'
import { type GrindBehind, diagnose, grindBefore, isRunBefore, readRecorded } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import { ServerUnreachable } from '../api/client.ts'
import { dialInGrinder, dialInWish } from '../dialin/dialInWish.ts'
import { useGrindHistory } from '../dialin/useGrindHistory.ts'
import { useAcademy } from '../store/academy.ts'
import { useDoor } from '../store/door.ts'
import { useOutbox } from '../store/outbox.ts'
import { CallFirst, type ListedShot, useShots } from '../store/shots.ts'
import { readListed } from './readListed.ts'

export type ReadingState = 'looking' | 'here' | 'not-there' | 'unreachable' | 'call-first'

/** Whether a shot came before another in one session, by the same recipe on the same grinder at the same setting. */
function isBeforeInSession(one: ShotSummary, other: ShotSummary): boolean {
  return (
    one.recipeRevisionId === other.recipeRevisionId &&
    one.grinderId === other.grinderId &&
    isRunBefore(recordedOf(one), recordedOf(other))
  )
}

/** A recorded shot with its reading worked out anew; follows the outbox, so that it is current once sent. */
export function useShotReading(shotId: () => string) {
  const shots = useShots()
  const outbox = useOutbox()
  const academy = useAcademy()
  const door = useDoor()
  const onGrinder = ref<ShotSummary[]>([])
  const shot = ref<ShotDetail | null>(null)
  const before = ref<ListedShot[]>([])
  const state = ref<ReadingState>('looking')

  async function load(): Promise<void> {
    try {
      const found = await shots.find(shotId())
      const [beside, onIt] =
        found === null ? [[], []] : await Promise.all([shotsBefore(found), shotsOnGrinder(found)])
      before.value = beside
      onGrinder.value = onIt
      shot.value = found
      state.value = found === null ? 'not-there' : 'here'
    } catch (error) {
      if (error instanceof CallFirst) state.value = 'call-first'
      else if (error instanceof ServerUnreachable) state.value = 'unreachable'
      else throw error
    }
  }

  /** The same person's shots of this session at the same setting, oldest first; none where the server can't be asked. */
  async function shotsBefore(found: ShotDetail): Promise<ListedShot[]> {
    if (found.current.facts.grindSetting === null) return []
    const page = await shots.page({ personId: found.personId }, null)
    return page.shots.filter(({ shot: other }) => isBeforeInSession(other, found)).reverse()
  }

  /** What was pulled on its grinder of late, newest first; who may not see others' shots can't know its last move. */
  async function shotsOnGrinder({ grinderId }: ShotDetail): Promise<ShotSummary[]> {
    if (grinderId === null || !door.may('overrule')) return []
    return (await shots.page({ grinderId }, null)).shots.map(({ shot: other }) => other)
  }

  watch([shotId, () => outbox.writes, () => academy.state], () => void load(), { immediate: true })

  const grinder = computed(() => academy.grinder(shot.value?.grinderId ?? null))
  const recorded = computed(() => (shot.value === null ? null : recordedOf(shot.value)))
  const moved = computed(() =>
    recorded.value === null ? null : grindBefore(recorded.value, onGrinder.value.map(recordedOf)),
  )
  const history = useGrindHistory(() => {
    const { grinderId = null, recipeRevisionId = '', pulledAt = '' } = shot.value ?? {}
    return grinderId === null ? null : { grinderId, recipeRevisionId, before: pulledAt }
  })
  /** What the grinder did before this shot, by which it is told how far to move. */
  const behind = computed<GrindBehind | undefined>(() => {
    if (shot.value === null || grinder.value === null) return undefined
    const { bagId, machineId, groupNo, recipe } = shot.value
    const basket = academy.basketInGroup({ machineId, groupNo })
    return {
      grinder: dialInGrinder(grinder.value),
      history: shot.value.isSimulated ? [] : (history.seen.value ?? []),
      session: [],
      wish: dialInWish({ recipe, coffee: academy.coffeeOfBag(bagId), bagId, basket }),
    }
  })
  const readings = computed(() =>
    shot.value === null || recorded.value === null
      ? null
      : readRecorded(recorded.value, shot.value.recipe.targets, moved.value?.grindMoved),
  )
  /** Before it is known what the grinder did, how far to move would be told twice, and differently. */
  const isBehindKnown = computed(
    () => grinder.value === null || shot.value?.isSimulated === true || history.seen.value !== null,
  )
  const diagnosis = computed(() => {
    const whole = diagnosed.value
    return whole === null || isBehindKnown.value ? whole : { ...whole, grindTo: null }
  })
  const diagnosed = computed(() =>
    readings.value === null
      ? null
      : diagnose(
          readings.value,
          {
            setting: recorded.value?.facts.grindSetting ?? null,
            grinder: grinder.value,
            ranAt: moved.value?.ranAt ?? [],
            ...(behind.value && { behind: behind.value }),
          },
          before.value.map(readListed),
        ),
  )
  const isUnsent = computed(() =>
    outbox.waiting.some((write) => 'shotId' in write && write.shotId === shotId()),
  )
  return { shot, before, state, readings, diagnosis, isUnsent }
}
