import type { AuditKind } from '@calm-apron/contract'
import { computed, ref, watch } from 'vue'
import { type TracesWanted, tracesAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'

/** What to look for; an empty string is no condition. */
export interface TraceFilter {
  actorId: string
  personId: string
  kind: AuditKind | ''
  from: string
  until: string
}

export const NO_FILTER: TraceFilter = { actorId: '', personId: '', kind: '', from: '', until: '' }

/** The trail by pages, newest first; begins anew when the filter changes. */
export function useTraces(filter: TraceFilter) {
  const pages = ref(1)
  const answer = useAnswer(() => tracesAsked(conditionsOf(filter), pages.value))
  watch(
    () => ({ ...filter }),
    () => (pages.value = 1),
  )
  const state = computed(() => {
    if (answer.value.value !== null) return 'here'
    return answer.state.value === 'away' ? 'unreachable' : 'looking'
  })

  async function loadMore(): Promise<void> {
    pages.value += 1
    await answer.load()
  }
  return {
    entries: computed(() => answer.value.value?.entries ?? []),
    state,
    hasMore: computed(() => answer.value.value?.hasMore ?? false),
    loadMore,
  }
}

function conditionsOf({ kind, ...rest }: TraceFilter): TracesWanted {
  const given = Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== ''))
  return { ...given, ...(kind !== '' && { kind }) }
}
