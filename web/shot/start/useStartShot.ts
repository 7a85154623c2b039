import { SHOT_BY_ITSELF } from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { useRouter } from 'vue-router'
import { type ShotDraft, type ShotSetting, draftOf } from '../draft/shotDraft.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDrafts } from '../draft/drafts.ts'
import { routineFor } from '../training/routineFor.ts'
import type { ShotWith } from './useShotWith.ts'
import { usePreferences } from '../../kit/preferences.ts'

/** What is known of a shot before it is begun, beyond who and by which recipe. */
export type StartWith = Partial<ShotSetting> &
  Partial<Pick<ShotDraft, 'routineId' | 'wanted' | 'focus'>> & {
    /** The grind setting to begin with, as typed. */
    grindText?: string
    /** What is expected of its time: by whoever pulls, as typed, and by the tool. */
    prediction?: { text: string; byToolS: number }
  }

/** Begins a new shot for a person by a recipe and goes to the bar with it. */
export function useStartShot() {
  const academy = useAcademy()
  const drafts = useDrafts()
  const preferences = usePreferences()
  const router = useRouter()

  return async function startShot(
    personId: string,
    recipeRevisionId: string,
    { routineId = null, grindText = '', wanted = null, prediction, ...given }: ShotWith & StartWith,
  ): Promise<void> {
    const shotId = uuidv7()
    const routines = academy.today?.routines ?? []
    const draft = draftOf({
      ...SHOT_BY_ITSELF,
      shotId,
      personId,
      recipeRevisionId,
      madeAt: new Date().toISOString(),
      units: { ...preferences.units },
      correcting: null,
      routineId: routineId ?? routineFor(routines, academy.machine(given.machineId)),
      ...given,
    })
    const usual = academy.usualCup(draft, recipeRevisionId)
    draft.noted.usualCupG = usual?.g ?? null
    draft.noted.usualCupSdG = usual?.sdG ?? null
    draft.texts.grindSetting = grindText
    draft.wanted = wanted
    const doseBy = academy.recipe(recipeRevisionId)?.method.doseBy ?? 'scale'
    draft.noted.doseMethod = doseBy === 'scale' ? null : doseBy
    if (prediction) {
      draft.texts.predictedS = prediction.text
      draft.noted.predicted = { byPersonS: null, byToolS: prediction.byToolS }
    }
    await drafts.keep(draft)
    await router.push({ name: 'shot', params: { shotId } })
  }
}
