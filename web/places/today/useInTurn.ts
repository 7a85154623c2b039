import type { PersonSkill } from '@calm-apron/contract'
import { useEventListener } from '@vueuse/core'
import { computed, reactive, shallowRef, watch } from 'vue'
import { useDoor } from '../../data/door/door.ts'
import { skillAsked } from '../../data/queries/questions.ts'
import { useAnswer, useLate } from '../../data/queries/useAnswer.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { useAssessments } from '../../shot/signOff/assessments.ts'
import { useTrainings } from '../../shot/training/trainings.ts'

/**
 * What comes later than Today itself: each part takes its place once what stands above it has, so that nothing moves from
 * under a finger. On a line that hangs none of it is held up for long.
 */
export function useInTurn() {
  const door = useDoor()
  const trainings = useTrainings()
  const assessments = useAssessments()
  const drafts = useDrafts()
  const isLate = useLate(computed(() => door.personId))
  /** Parts whose own files are fetched later; each says when it stands. */
  const stands = reactive({ own: false, assessments: false })

  const own = useAnswer(() => (door.isStaff ? null : skillAsked(door.personId)))
  /** As it was told first: a shot just pulled changes it in a moment, and it is looked at anew soon enough. */
  const ownSkill = shallowRef<PersonSkill | null>(null)
  const take = () => {
    ownSkill.value = own.value.value
  }
  watch(
    own.value,
    (told) => {
      // Whoever comes to this device after them is not told of it.
      if (told === null || (ownSkill.value === null && !isLate.value)) take()
    },
    { immediate: true },
  )
  // Nobody's finger is on it then.
  useEventListener(window, 'visibilitychange', take)

  const hasTrainings = computed(() => isLate.value || !trainings.isAwaited)
  const hasOwn = computed(
    () => isLate.value || (hasTrainings.value && (door.isStaff || (stands.own && !own.isAwaited.value))),
  )
  const hasWaiting = computed(
    () =>
      isLate.value ||
      (!assessments.isAwaited && drafts.isRead && (assessments.open.length === 0 || stands.assessments)),
  )
  return { stands, ownSkill, hasTrainings, hasOwn, hasWaiting }
}
