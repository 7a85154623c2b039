import { type AuditEntry, type AuditKind, ENDPOINTS } from '@calm-apron/contract'
import { computed, ref, watch } from 'vue'
import { ServerUnreachable, call } from '../api/client.ts'

/** What to look for; an empty string is no condition. */
export interface TraceFilter {
  actorId: string
  personId: string
  kind: AuditKind | ''
  from: string
  until: string
}

export const NO_FILTER: TraceFilter = { actorId: '', personId: '', kind: '', from: '', until: '' }

/** The trail by pages, newest first; begins anew when the filter changes, and drops answers that came too late. */
export function useTraces(filter: TraceFilter) {
  const entries = ref<AuditEntry[]>([])
  const nextCursor = ref<string | null>(null)
  const state = ref<'looking' | 'here' | 'unreachable'>('looking')
  const hasMore = computed(() => nextCursor.value !== null)
  let asked = 0

  async function load(cursor: string | null): Promise<void> {
    const mine = (asked += 1)
    const { kind, ...rest } = filter
    const given = Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== ''))
    try {
      const page = await call(ENDPOINTS.listAudit, {
        query: { ...given, ...(kind !== '' && { kind }), ...(cursor !== null && { cursor }) },
      })
      if (mine !== asked) return
      entries.value = cursor === null ? page.entries : [...entries.value, ...page.entries]
      nextCursor.value = page.nextCursor
      state.value = 'here'
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
      if (mine === asked) state.value = 'unreachable'
    }
  }

  watch(
    () => ({ ...filter }),
    () => void load(null),
    { immediate: true },
  )
  return { entries, state, hasMore, loadMore: () => load(nextCursor.value) }
}
