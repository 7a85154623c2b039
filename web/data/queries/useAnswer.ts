import type { Problem } from '@calm-apron/contract'
import { type EntryKey, useQuery, useQueryCache } from '@pinia/colada'
import { type ComputedRef, type Ref, computed, getCurrentScope, onScopeDispose, ref, watch } from 'vue'
import { wordOf } from '../../kit/failures.ts'
import { useDoor } from '../door/door.ts'
import { useOutbox } from '../outbox/outbox.ts'
import type { Question, Told } from './question.ts'

/**
 * `looking`: neither device nor server has said anything yet. `here`: as far as is known. `kept`: as it was last told, and
 * the server does not answer. `away`: nothing is known, and the server does not answer, or not soon. `refused`: it won't.
 */
export type AnswerState = 'looking' | 'here' | 'kept' | 'away' | 'refused'

export interface Answer<T> {
  /** What was told last to whoever is here; null before anything was. */
  value: ComputedRef<T | null>
  /** When that was asked for, by this device's clock; 0 where nothing was told, or nobody remembers. */
  askedAtMs: ComputedRef<number>
  state: ComputedRef<AnswerState>
  /** Whether it was asked for, and neither device nor server has said anything yet. */
  isAwaited: ComputedRef<boolean>
  /** Whether the server was asked, and did not answer: not only that it takes its time. */
  isFailed: ComputedRef<boolean>
  /** Why the server won't say. */
  refusal: ComputedRef<Problem | null>
  /** Asks anew, and waits for the answer or for there being none. */
  load: () => Promise<void>
  /** What the server just said beside: it stands as if it had been asked for. */
  tell: (value: T) => void
}

/**
 * Asks one thing: what this device keeps of it shows at once, what the server says comes after it, and anew whenever it
 * may have changed, as long as it is looked at. Asked for by many it is asked once. Null asks nothing.
 * @param viewer whose answer it is; whoever is here unless something else is said
 */
export function useAnswer<T>(question: () => Question<T> | null, viewer?: () => string): Answer<T> {
  const door = useDoor()
  const outbox = useOutbox()
  const cache = useQueryCache()
  const asked = computed(() => {
    const what = question()
    const viewerId = viewer?.() ?? door.personId
    return what === null || viewerId === '' ? null : { ...what, viewerId, key: [viewerId, ...what.key] }
  })
  type Asked = NonNullable<typeof asked.value>

  async function ask({ ask: askServer, askedAtMs: askedAt, kept, viewerId }: Asked): Promise<Told<T>> {
    const askedAtMs = askedAt?.() ?? Date.now()
    try {
      const told = { value: await askServer(), askedAtMs }
      // Whoever came in without a check is told what is the last one's: it is not kept as theirs.
      // Nobody waits for the device with what the server has just said.
      if (kept && door.claimed === null) void outbox.keeping(() => kept.keep(viewerId, told))
      return told
    } catch (error) {
      if (IS_NO_MORE.has(wordOf(error)?.status ?? 0)) await kept?.forget(viewerId)
      throw error
    }
  }

  /** Unless something was told before. */
  async function showKept(what: Asked | null): Promise<void> {
    if (!what?.kept || cache.getQueryData(what.key) !== undefined) return
    const kept = await what.kept.read(what.viewerId)
    const entry = cache.get<Told<T>>(what.key)
    if (kept === null || entry === undefined || entry.state.value.data !== undefined) return
    const { error } = entry.state.value
    if (error === null) cache.setEntryState(entry, { status: 'success', data: kept, error })
    else cache.setEntryState(entry, { status: 'error', data: kept, error })
    // However short ago it was read, it was told long before.
    entry.when = 0
  }

  const query = useQuery<Told<T>>(() => {
    const what = asked.value
    if (what === null)
      return { key: ['nothing'], query: async () => Promise.reject(NOTHING_ASKED), enabled: false }
    return { key: what.key, query: async () => ask(what) }
  })
  useTracked(cache, () => asked.value?.key)
  const keyText = computed(() => JSON.stringify(asked.value?.key))
  watch(keyText, () => void showKept(asked.value), { immediate: true })
  const isLate = useLate(keyText)

  const refusal = computed(() => wordOf(query.error.value))
  const told = computed(() => (refusal.value === null ? query.data.value : undefined))
  const state = computed<AnswerState>(() => {
    if (refusal.value !== null) return 'refused'
    if (told.value === undefined) return isLate.value || query.error.value !== null ? 'away' : 'looking'
    return query.error.value === null ? 'here' : 'kept'
  })

  async function load(): Promise<void> {
    if (asked.value !== null) await query.refetch()
  }

  function tell(value: T): void {
    if (asked.value !== null) cache.setQueryData<Told<T>>(asked.value.key, { value, askedAtMs: Date.now() })
  }

  return {
    value: computed(() => told.value?.value ?? null),
    askedAtMs: computed(() => told.value?.askedAtMs ?? 0),
    state,
    isAwaited: computed(() => asked.value !== null && state.value === 'looking'),
    isFailed: computed(() => query.error.value !== null && refusal.value === null),
    refusal,
    load,
    tell,
  }
}

/** A line that hangs keeps nobody waiting for longer where the device knows nothing; what is said later is shown all the same. */
const PATIENCE_MS = 2500
const NOTHING_ASKED = new Error('Nothing was asked.')
/** What this viewer may not see, or what is no more. */
const IS_NO_MORE: ReadonlySet<number> = new Set([403, 404])

/** Keeps an entry as long as whoever asks is there: a store stays when the page in which it was first used is gone. */
function useTracked(cache: ReturnType<typeof useQueryCache>, key: () => EntryKey | undefined): void {
  const scope = getCurrentScope()
  const entryOf = (of: EntryKey | undefined) => (of === undefined ? undefined : cache.get(of))
  watch(
    () => entryOf(key()),
    (entry, before) => {
      if (before) cache.untrack(before, scope)
      if (entry) cache.track(entry, scope)
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    const entry = entryOf(key())
    if (entry) cache.untrack(entry, scope)
  })
}

/** Whether what is asked for now was asked for so long ago that nobody is kept waiting for it. */
export function useLate(asked: ComputedRef<string>): Ref<boolean> {
  const isLate = ref(false)
  let patience: ReturnType<typeof setTimeout> | undefined
  watch(
    asked,
    () => {
      isLate.value = false
      clearTimeout(patience)
      patience = setTimeout(() => (isLate.value = true), PATIENCE_MS)
    },
    { immediate: true },
  )
  onScopeDispose(() => clearTimeout(patience))
  return isLate
}
