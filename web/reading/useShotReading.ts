import { type ShotDetail, type ShotSummary, readableFacts } from '@calm-apron/contract'
import { diagnose, readShot } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import { ServerUnreachable } from '../api/client.ts'
import { useAcademy } from '../store/academy.ts'
import { useDoor } from '../store/door.ts'
import { useOutbox } from '../store/outbox.ts'
import { CallFirst, type ListedShot, useShots } from '../store/shots.ts'
import { grindBefore } from './grindBefore.ts'
import { useShotContext } from './useShotContext.ts'

export type ReadingState = 'looking' | 'here' | 'not-there' | 'unreachable' | 'call-first'

/** Shots further apart than this are of different sessions. */
const SESSION_MS = 4 * 3_600_000

/** Whether a shot came before another in one session, by the same recipe on the same grinder at the same setting. */
function isBeforeInSession(one: ShotSummary, other: ShotSummary): boolean {
  const apartMs = Date.parse(other.pulledAt) - Date.parse(one.pulledAt)
  return (
    apartMs > 0 &&
    apartMs < SESSION_MS &&
    one.recipeRevisionId === other.recipeRevisionId &&
    one.grinderId === other.grinderId &&
    one.current.facts.grindSetting === other.current.facts.grindSetting
  )
}

/** A recorded shot with its reading worked out anew; follows the outbox, so that it is current once sent. */
export function useShotReading(shotId: () => string) {
  const shots = useShots()
  const outbox = useOutbox()
  const academy = useAcademy()
  const door = useDoor()
  const contextOf = useShotContext()
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
  const moved = computed(() =>
    shot.value === null
      ? { grindMoved: null, ranAt: [] }
      : grindBefore(shot.value, onGrinder.value, grinder.value, SESSION_MS),
  )
  const readings = computed(() => {
    if (shot.value === null) return null
    const context = { ...contextOf(shot.value), grindMoved: moved.value.grindMoved }
    return readShot(readableFacts(shot.value), shot.value.recipe.targets, context)
  })
  const diagnosis = computed(() => {
    if (shot.value === null || readings.value === null) return null
    return diagnose(
      readings.value,
      {
        setting: shot.value.current.facts.grindSetting,
        grinder: grinder.value,
        ranAt: moved.value.ranAt,
      },
      before.value.map(({ shot: each, recipe }) =>
        readShot(readableFacts(each), recipe.targets, contextOf(each)),
      ),
    )
  })
  const isUnsent = computed(() =>
    outbox.waiting.some((write) => 'shotId' in write && write.shotId === shotId()),
  )
  return { shot, before, state, readings, diagnosis, isUnsent }
}
