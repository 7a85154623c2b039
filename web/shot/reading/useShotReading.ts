import { isBeforeInSession, recordedOf } from '@calm-apron/contract'
import { type GrindBehind, diagnose, readOnGrinder } from '@calm-apron/core'
import { computed } from 'vue'
import { useShot, useShotList } from '../../data/queries/useShots.ts'
import { dialInGrinder, dialInWish } from '../grind/dialInWish.ts'
import { useGrindHistory } from '../grind/useGrindHistory.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { readListed } from './readListed.ts'

/** A recorded shot with its reading, worked out anew from whatever is known of it. */
export function useShotReading(shotId: () => string) {
  const academy = useAcademy()
  const door = useDoor()
  const outbox = useOutbox()
  const { shot, state } = useShot(shotId)

  const ofPerson = useShotList(() =>
    shot.value === null || shot.value.current.facts.grindSetting === null
      ? null
      : { personId: shot.value.personId, before: shot.value.pulledAt },
  )
  /** The same person's shots of this session at the same setting, oldest first; none where nothing is known. */
  const before = computed(() => {
    const found = shot.value
    if (found === null) return []
    return ofPerson.shots.value.filter(({ shot: other }) => isBeforeInSession(other, found)).toReversed()
  })
  /** What was pulled on its grinder of late, newest first; who may not see others' shots can't know its last move. */
  const onIt = useShotList(() => {
    const grinderId = shot.value?.grinderId ?? null
    return grinderId === null || !door.may('overrule')
      ? null
      : { grinderId, before: shot.value?.pulledAt ?? '' }
  })
  const onGrinder = computed(() => onIt.shots.value.map(({ shot: other }) => other))

  const grinder = computed(() => academy.grinder(shot.value?.grinderId ?? null))
  const recorded = computed(() => (shot.value === null ? null : recordedOf(shot.value)))
  const read = computed(() =>
    shot.value === null || recorded.value === null
      ? null
      : readOnGrinder(recorded.value, shot.value.recipe.targets, onGrinder.value.map(recordedOf)),
  )
  const readings = computed(() => read.value?.readings ?? null)
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
            ranAt: read.value?.ranAt ?? [],
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
