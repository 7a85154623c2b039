import { useEventListener, useIntervalFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { RouteLocationNormalized } from 'vue-router'

/** A part of the app that could not be fetched: no line, or a server that has another app by now. */
export class PartNotFetched extends Error {
  override readonly name = 'PartNotFetched'
}

/** Loads a part of the app, and says so in one way when it can't be had. */
export function fetched<T>(load: () => Promise<T>): () => Promise<T> {
  return () =>
    load().catch((cause: unknown) => {
      throw new PartNotFetched('A part of the app could not be fetched.', { cause })
    })
}

/**
 * How far this device can go on without network: by itself, as long as this page stays open, or not yet; where it
 * never can (no https), the page is all there is.
 */
export type Reach = 'by-itself' | 'while-open' | 'not-yet'

const TRY_AGAIN_MS = 3000

/** The app's own files: which of them are here, and what to do where one is not. */
export const useAppFiles = defineStore('app-files', () => {
  const worker = 'serviceWorker' in navigator ? navigator.serviceWorker : null
  /** A service worker takes a page over once it has every file. */
  const isWhole = ref(worker?.controller != null)
  const isWarm = ref(false)
  const reach = computed<Reach>(() => (isWhole.value ? 'by-itself' : isWarm.value ? 'while-open' : 'not-yet'))
  /** The place that could not be shown for want of its files. */
  const missing = shallowRef<RouteLocationNormalized | null>(null)
  /** Nothing is left to stay for where one came from: it opens by itself as soon as it can. */
  const isAwaited = ref(false)
  let warming: Promise<void> | null = null

  if (worker) useEventListener(worker, 'controllerchange', () => (isWhole.value = worker.controller !== null))

  /** Fetches parts ahead, so that they are here when the line is not; what could not be had is tried again. */
  async function warm(parts: readonly (() => Promise<unknown>)[]): Promise<void> {
    if (isWarm.value) return
    warming ??= Promise.all(parts.map((load) => load()))
      .then(() => {
        isWarm.value = true
      })
      .catch((error: unknown) => {
        if (!(error instanceof PartNotFetched)) throw error
      })
      .finally(() => (warming = null))
    await warming
  }

  function lack(place: RouteLocationNormalized | null): void {
    missing.value = place
    isAwaited.value = false
  }

  /** What is on the device is safe, and a browser may remember that a file was not to be had: so the page begins anew there. */
  async function tryMissing(): Promise<void> {
    const place = missing.value
    if (!isAwaited.value || place === null) return
    const answer = await fetch('/healthz', { cache: 'no-store' }).catch(() => null)
    // Whoever has gone elsewhere meanwhile is not called back.
    if (answer?.ok && missing.value === place) window.location.assign(place.fullPath)
  }

  useIntervalFn(() => void tryMissing(), TRY_AGAIN_MS)
  useEventListener(window, 'online', () => void tryMissing())

  return { reach, missing, isAwaited, lack, warm, tryMissing }
})
