import { nextTick, watch } from 'vue'
import { useRoute } from 'vue-router'
import { fetched, useAppFiles } from '../data/files/appFiles.ts'
import { withWords } from '../words/index.ts'

/** The places that a shot leads through, each with its words. */
export const BAR_PARTS = {
  shot: fetched(withWords('bar', () => import('../places/bar/BarPage.vue'))),
  training: fetched(withWords('training', () => import('../places/training/TrainingPage.vue'))),
  dialIn: fetched(withWords('dialIn', () => import('../places/dialIn/DialInPage.vue'))),
  tasting: fetched(withWords('reading', () => import('../places/tasting/TastingPage.vue'))),
  reading: fetched(withWords('reading', () => import('../places/reading/ReadingPage.vue'))),
  correct: fetched(withWords('correct', () => import('../places/reading/CorrectPage.vue'))),
} as const

/** Until somebody could begin nothing else is fetched: it would share the line with what they wait for. */
const AFTER_MS = 300
const AT_THE_BAR: ReadonlySet<unknown> = new Set(['bar', 'shot', 'training', 'dial-in'])

/**
 * Fetches ahead what a shot may need, as soon as somebody is at the bar.
 * @param isShown whether the place itself stands on the page
 */
export function useBarParts(isShown: () => boolean): void {
  const files = useAppFiles()
  const route = useRoute()
  watch(
    () => AT_THE_BAR.has(route.name) && isShown(),
    async (isDue) => {
      if (!isDue) return
      await nextTick()
      // The place is drawn in the next frame.
      requestAnimationFrame(() => setTimeout(() => void files.warm(Object.values(BAR_PARTS)), AFTER_MS))
    },
    { immediate: true },
  )
}
