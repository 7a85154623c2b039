import { computed, ref, watch } from 'vue'
import { useOutbox } from '../store/outbox.ts'
import { type ListedShot, useShots } from '../store/shots.ts'

/** A person's shots, newest first, page by page; begins anew when the person or the outbox changes. */
export function useShotPages(personId: () => string) {
  const source = useShots()
  const outbox = useOutbox()
  const shots = ref<ListedShot[]>([])
  const cursor = ref<string | null>(null)
  const isLoading = ref(true)
  const isReached = ref(true)
  let run = 0

  async function load(after: string | null): Promise<void> {
    const thisRun = ++run
    isLoading.value = true
    const page = await source.page({ personId: personId() }, after)
    // A slower answer for someone who is no longer chosen is dropped.
    if (thisRun !== run) return
    shots.value = after === null ? page.shots : [...shots.value, ...page.shots]
    cursor.value = page.nextCursor
    isReached.value = page.isReached
    isLoading.value = false
  }

  watch(
    [personId, () => outbox.writes.length],
    ([person], before) => {
      if (person !== before[0]) shots.value = []
      if (person !== '') void load(null)
    },
    { immediate: true },
  )
  return {
    shots,
    isLoading,
    isReached,
    hasMore: computed(() => cursor.value !== null),
    loadMore: () => load(cursor.value),
  }
}
