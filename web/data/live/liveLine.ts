import {
  API_BASE,
  LIVE_LINE_PATH,
  type LiveNews,
  type StageOfGroup,
  liveNews,
  readAnswer,
} from '@calm-apron/contract'
import { defineStore } from 'pinia'
import { getCurrentScope, onScopeDispose, ref, watch } from 'vue'
import { useDoor } from '../door/door.ts'

const CHANNEL = 'calm-apron-live'
/** One page of a browser holds the line: of HTTP/1.1 connections to one server a browser has six. */
const LOCK = 'calm-apron-live'
/** A line that the browser gave up is opened again after this. */
const AGAIN_MS = 3000
/** The server says every fifteen seconds that it is still there; two of them missed, and nobody is. */
const SILENT_AFTER_MS = 40_000

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

  /** Holds the line until it is let go: opened again whenever it was lost, whatever the server said. */
  function hold(): () => void {
    let line: EventSource | null = null
    let again: ReturnType<typeof setTimeout> | undefined
    let silence: ReturnType<typeof setTimeout> | undefined
    /** On Wi-Fi that hangs, or after a sleep, a line breaks without a word. */
    function hearsIt(): void {
      clearTimeout(silence)
      silence = setTimeout(open, SILENT_AFTER_MS)
    }
    function open(): void {
      if (line !== null) stand(false)
      line?.close()
      clearTimeout(again)
      const opened = new EventSource(`${API_BASE}${LIVE_LINE_PATH}`)
      line = opened
      begunAtMs.value = Date.now()
      hearsIt()
      opened.onopen = () => {
        hearsIt()
        stand(true)
      }
      opened.addEventListener('still', hearsIt)
      opened.onmessage = ({ data }: MessageEvent<string>) => {
        hearsIt()
        pass({ says: 'news', text: data })
        hear(data)
      }
      opened.onerror = () => {
        stand(false)
        begunAtMs.value = Infinity
        // By itself it comes back only from a line that broke, and never from a refusal.
        if (opened.readyState !== CLOSED) return
        clearTimeout(again)
        again = setTimeout(open, AGAIN_MS)
      }
    }
    isHolder = true
    open()
    return () => {
      isHolder = false
      clearTimeout(again)
      clearTimeout(silence)
      line?.close()
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

const CLOSED = 2

/** Holds as soon as no other page does, until it is over. Where browsers have no locks each page holds for itself. */
async function whoHolds(over: AbortSignal, hold: () => () => void): Promise<void> {
  const holding = () =>
    new Promise<void>((resolve) => {
      if (over.aborted) {
        resolve()
        return
      }
      const letGo = hold()
      over.addEventListener('abort', () => {
        letGo()
        resolve()
      })
    })
  const locks = 'locks' in navigator ? navigator.locks : null
  if (locks === null) return holding()
  try {
    await locks.request(LOCK, { signal: over }, holding)
  } catch (error) {
    // It was over before its turn came.
    if (!over.aborted) throw error
  }
}
