import { type Prepared, type PreparedKind, asKind } from '@calm-apron/contract'
import { watchDebounced } from '@vueuse/core'
import { ref, shallowRef } from 'vue'
import { ServerUnreachable } from '../api/client.ts'
import { pageOf } from './preparedApi.ts'

const SEARCH_AFTER_MS = 250

/** A kind's list, page after page as one asks for more, narrowed by a search. */
export function usePreparedList<K extends PreparedKind>(kind: K) {
  const things = shallowRef<Prepared<K>[]>([])
  const cursor = ref<string | null>(null)
  const search = ref('')
  const isArchived = ref(false)
  const state = ref<'looking' | 'here' | 'unreachable'>('looking')
  let asked = 0

  async function load(isMore = false): Promise<void> {
    const turn = ++asked
    try {
      const page = await pageOf(kind, {
        search: search.value.trim(),
        isArchived: isArchived.value,
        cursor: isMore ? cursor.value : null,
      })
      // Whoever types on has asked again meanwhile.
      if (turn !== asked) return
      const read = page.things.flatMap((record) => asKind(record, kind) ?? [])
      things.value = isMore ? [...things.value, ...read] : read
      cursor.value = page.nextCursor
      state.value = 'here'
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
      state.value = 'unreachable'
    }
  }

  watchDebounced([search, isArchived], () => void load(), { debounce: SEARCH_AFTER_MS })

  return { things, cursor, search, isArchived, state, load }
}
