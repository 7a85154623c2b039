import { type HelpedBefore, isHelpDue } from '@calm-apron/core'
import { computed, watch } from 'vue'
import { type ListedShot, useShotList } from '../../data/queries/useShots.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { useAssessments } from '../signOff/assessments.ts'
import { isOfSet } from '../signOff/ofSet.ts'
import { readListed } from '../reading/readListed.ts'

/** Shots looked through for those by the same recipe. */
const LOOKED_THROUGH = 30

/** What a shot says of help; one of which it is not known whether there was any says nothing. */
function helpedBefore(listed: ListedShot): HelpedBefore[] {
  const isHelped = listed.shot.current.facts.noted?.isHelped ?? null
  if (isHelped === null) return []
  const { dose, yield: cup } = readListed(listed)
  const isOff = (reading: typeof dose | typeof cup) => reading.judged && reading.standing === 'off'
  return [{ isHelped, isMissed: isOff(dose) || isOff(cup) }]
}

/**
 * Whether the tool helps with a shot that is under way: as is due after whoever pulls pulled others by the same recipe, unless
 * somebody said otherwise. A trainer's own shots always have it, those of an assessment set never. Once it is decided it is a fact of the shot.
 * @param isTeachers whether whoever pulls teaches
 */
export function useHelp(draft: ShotDraft, isTeachers: () => boolean) {
  const { shots, isKnown } = useShotList(() => ({ personId: draft.personId }), LOOKED_THROUGH)
  const before = computed(() =>
    shots.value
      .filter(({ shot }) => shot.recipeRevisionId === draft.recipeRevisionId && shot.shotId !== draft.shotId)
      .toReversed()
      .flatMap(helpedBefore),
  )
  const isDue = computed(() => isTeachers() || (!isOfSet(draft) && isHelpDue(before.value)))
  const isOn = computed({
    get: () => draft.noted.isHelped ?? isDue.value,
    set: (chosen: boolean) => (draft.noted.isHelped = chosen),
  })
  // Once it is decided it stays, whatever is heard later of other shots; a set needs to hear of none.
  watch(
    [isKnown, () => draft.clock.startedAtMs],
    () => {
      const isSet = isOfSet(draft)
      if (isKnown.value || isSet || draft.clock.startedAtMs !== null) draft.noted.isHelped ??= isDue.value
    },
    { immediate: true },
  )
  const assessments = useAssessments()
  /** Whether the stop is cued: with help, or in the set of a house that serves with a cue and keeps it. */
  const isCueOn = computed(
    () =>
      isOn.value ||
      (isOfSet(draft) &&
        assessments.running.some(
          ({ assessmentId, state }) => assessmentId === draft.assessmentId && state.setup.hasCue,
        )),
  )
  return { isOn, isCueOn }
}
