import { type Prepared, type PreparedKind, asKind } from '@calm-apron/contract'
import { refDebounced } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { preparedAsked } from '../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'

const SEARCH_AFTER_MS = 250

/** A kind's list, page after page as one asks for more, narrowed by a search. */
export function usePreparedList<K extends PreparedKind>(kind: K) {
  const search = ref('')
  const isArchived = ref(false)
  const pages = ref(1)
  const searched = refDebounced(search, SEARCH_AFTER_MS)
  const answer = useAnswer(() =>
    preparedAsked({ kind, search: searched.value.trim(), isArchived: isArchived.value }, pages.value),
  )
  watch([searched, isArchived], () => (pages.value = 1))

  /** What stood there stays until what is asked for now is known. */
  const last = shallowRef(answer.value.value)
  watch(answer.value, (told) => (last.value = told ?? last.value), { immediate: true })
  const things = computed<Prepared<K>[]>(() =>
    (last.value?.things ?? []).flatMap((record) => asKind(record, kind) ?? []),
  )
  const hasMore = computed(() => last.value?.hasMore ?? false)
  const state = computed(() => {
    if (last.value !== null) return 'here'
    return answer.state.value === 'away' ? 'unreachable' : 'looking'
  })

  async function loadMore(): Promise<void> {
    pages.value += 1
    await answer.load()
  }

  return { things, hasMore, search, isArchived, state, load: answer.load, loadMore }
}
