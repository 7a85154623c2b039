import type { LiveNews } from '@calm-apron/contract'
import { type UseQueryEntry, useQueryCache } from '@pinia/colada'
import { toValue } from 'vue'
import { RefusedByServer, ServerUnreachable, wordOf } from '../../kit/failures.ts'
import { useLiveLine } from '../live/liveLine.ts'
import { useOutbox } from '../outbox/outbox.ts'
import { type Told, subjectOf } from './question.ts'
import { AT_MOST_EVERY_MS, isStaleBy, newsOfWrite } from './staleBy.ts'

/** Not at the same moment on all tablets. */
const SPREAD_MS = { least: 100, most: 500 } as const
const TRY_AGAIN_MS = 5000

/**
 * Keeps what is looked at fresh: what the live line, or a write of this device, says has changed is asked for anew; what
 * could not be had is tried again. Nothing is asked for twice at once: what goes stale under way is asked for after it.
 */
export function useFreshness(): void {
  const cache = useQueryCache()
  const line = useLiveLine()
  const again = new Set<UseQueryEntry>()
  /** What was under way as the line came to stand, and when that was begun. */
  const begunBefore = new Map<UseQueryEntry, number>()
  const later = new Map<UseQueryEntry, { dueMs: number; timer: ReturnType<typeof setTimeout> }>()
  let retry: ReturnType<typeof setTimeout> | undefined

  function ask(entry: UseQueryEntry): void {
    if (!entry.active || toValue(entry.options?.enabled) === false) return
    // Its failure stands in the entry.
    if (entry.pending === null) void cache.fetch(entry).catch(() => undefined)
    else again.add(entry)
  }

  /** Marks it, and asks anew after a while; sooner where it was to be later. */
  function goStale(entry: UseQueryEntry, waitMs: number): void {
    const dueMs = Date.now() + waitMs
    const known = later.get(entry)
    if (known !== undefined && known.dueMs <= dueMs) return
    clearTimeout(known?.timer)
    const timer = setTimeout(() => {
      later.delete(entry)
      entry.when = 0
      ask(entry)
    }, waitMs)
    later.set(entry, { dueMs, timer })
  }

  function hear(news: LiveNews, waitMs: number): void {
    for (const entry of cache.getEntries({ predicate: ({ key }) => isStaleBy(key, news) })) {
      if (news.kind === 'here' && isOfThisLine(entry)) continue
      const apartMs = news.kind === 'shot' ? leastApartMs(entry) : 0
      goStale(entry, Math.max(waitMs, entry.when + apartMs - Date.now()))
    }
  }

  /** Whether it was asked for after the line was begun; of what is under way that shows once it is told. */
  function isOfThisLine(entry: UseQueryEntry): boolean {
    if (entry.pending === null) return toldAtMs(entry) >= line.begunAtMs
    begunBefore.set(entry, line.begunAtMs)
    return true
  }

  /** When what is told was asked for: every entry is an answer's, or a failure. */
  function toldAtMs({ state, when }: UseQueryEntry): number {
    const told = state.value.data as Told<unknown> | undefined
    return state.value.status === 'success' && told !== undefined ? told.askedAtMs : when
  }

  function leastApartMs({ key }: UseQueryEntry): number {
    const subject = subjectOf(key)
    return (subject && AT_MOST_EVERY_MS[subject]) ?? 0
  }

  cache.$onAction(({ name, args, after, onError }) => {
    if (name !== 'fetch') return
    const [entry] = args
    const over = () => {
      const begunAtMs = begunBefore.get(entry) ?? 0
      begunBefore.delete(entry)
      const isAgain = again.delete(entry)
      if (toldAtMs(entry) < begunAtMs) goStale(entry, 0)
      else if (isAgain) ask(entry)
    }
    after(over)
    onError((error) => {
      over()
      if (wordOf(error) === null) retry ??= setTimeout(tryAgain, TRY_AGAIN_MS)
      if (!(error instanceof ServerUnreachable) && !(error instanceof RefusedByServer))
        queueMicrotask(() => {
          throw error
        })
    })
  })

  function tryAgain(): void {
    retry = undefined
    for (const entry of cache.getEntries({ active: true, status: 'error' }))
      if (wordOf(entry.state.value.error) === null) ask(entry)
  }

  line.onNews((news) => hear(news, SPREAD_MS.least + Math.random() * (SPREAD_MS.most - SPREAD_MS.least)))
  useOutbox().onSent((write) => {
    if (!line.isLive) hear(newsOfWrite(write), 0)
  })
}
