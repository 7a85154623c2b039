import { type LiveNews, type StageOfGroup, liveNews, readAnswer } from '@calm-apron/contract'
import { defineStore } from 'pinia'
import { getCurrentScope, onScopeDispose, ref, watch } from 'vue'
import { useDoor } from '../door/door.ts'
import { holdLine } from './heldLine.ts'
import { whoHolds } from './oneHolder.ts'

const CHANNEL = 'calm-apron-live'
/** What the page that holds the line passes on to the others. */
type PassedOn = { says: 'news'; text: string } | { says: 'stands'; isLive: boolean } | { says: 'who' }

/** What changes while this page looks on: one line for the whole browser, heard by all its pages. */
export const useLiveLine = defineStore('live-line', () => {
  const door = useDoor()
  const isLive = ref(false)
  /** What each group of each training is doing now, on whichever tablet. */
  const stages = ref<Record<string, Record<string, StageOfGroup>>>({})
  const listeners = new Set<(news: LiveNews) => void>()
  /** What was asked for after this misses nothing before the next `here`: when a line was begun that is heard for the first time. */
  const begunAtMs = ref(Infinity)
  const channel = new BroadcastChannel(CHANNEL)
  let isHolder = false
  let letGo: () => void = () => undefined

  channel.onmessage = ({ data }: MessageEvent<PassedOn>) => {
    if (data.says === 'news') hear(data.text)
    else if (data.says === 'stands') isLive.value = data.isLive
    else if (isHolder) pass({ says: 'stands', isLive: isLive.value })
  }

  function pass(said: PassedOn): void {
    channel.postMessage(said)
  }

  function stand(stands: boolean): void {
    isLive.value = stands
    pass({ says: 'stands', isLive: stands })
  }

  function hear(text: string): void {
    const heard = readAnswer(liveNews, JSON.parse(text))
    // A word of a newer server that this page does not know.
    if (!heard.success) return
    const news = heard.data
    if (news.kind === 'stage') {
      const { trainingId, stage } = news
      const here = { ...stages.value[trainingId], [stage.group]: stage }
      stages.value = { ...stages.value, [trainingId]: here }
    }
    for (const listen of listeners) listen(news)
    // Said once more, something may have been missed whenever it was asked for.
    if (news.kind === 'here') begunAtMs.value = Infinity
  }

  function hold(): () => void {
    isHolder = true
    const close = holdLine({
      begun: (atMs) => (begunAtMs.value = atMs),
      stands: stand,
      news: (text) => {
        pass({ says: 'news', text })
        hear(text)
      },
    })
    return () => {
      isHolder = false
      close()
    }
  }

  function follow(): () => void {
    const over = new AbortController()
    void whoHolds(over.signal, hold)
    pass({ says: 'who' })
    return () => over.abort()
  }

  watch(
    () => door.session?.sessionId,
    (sessionId) => {
      letGo()
      isLive.value = false
      stages.value = {}
      letGo = sessionId === undefined ? () => undefined : follow()
    },
    { immediate: true },
  )

  /** Hears all news until the page, or whatever else listens, is gone. */
  function onNews(listen: (news: LiveNews) => void): void {
    listeners.add(listen)
    if (getCurrentScope()) onScopeDispose(() => listeners.delete(listen))
  }

  return { isLive, begunAtMs, stages, onNews }
})
