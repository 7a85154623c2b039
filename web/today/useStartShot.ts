import { v7 as uuidv7 } from 'uuid'
import { useRouter } from 'vue-router'
import { draftOf } from '../bar/shotDraft.ts'
import { useAcademy } from '../store/academy.ts'
import { useDrafts } from '../store/drafts.ts'
import { usePreferences } from '../store/preferences.ts'

/** Begins a new shot for a person by a recipe and goes to the bar with it. */
export function useStartShot() {
  const academy = useAcademy()
  const drafts = useDrafts()
  const preferences = usePreferences()
  const router = useRouter()

  return async function startShot(personId: string, recipeRevisionId: string): Promise<void> {
    const bar = academy.today?.bars[0]
    if (!bar) return
    const shotId = uuidv7()
    await drafts.keep(
      draftOf({
        shotId,
        personId,
        recipeRevisionId,
        barId: bar.barId,
        grinderId: bar.grinders[0]?.grinderId ?? null,
        bagId: academy.bagInHopper?.bagId ?? null,
        madeAt: new Date().toISOString(),
        massUnit: preferences.units.mass,
        correcting: null,
      }),
    )
    await router.push({ name: 'shot', params: { shotId } })
  }
}
