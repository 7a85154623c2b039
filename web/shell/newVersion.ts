import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { registerSW } from 'virtual:pwa-register'
import { ref } from 'vue'

/** A running shot is never interrupted for it, so that long-open tablets look for one now and then. */
const LOOK_EVERY_MS = 3_600_000

/** Keeps the app on the device, and says when a newer one is ready; it is taken when somebody says so. */
export const useNewVersion = defineStore('new-version', () => {
  const isReady = ref(false)

  const update = registerSW({
    onNeedRefresh: () => (isReady.value = true),
    onRegisteredSW: (_address, registration) => {
      if (registration) setInterval(() => void lookFor(registration), LOOK_EVERY_MS)
    },
  })

  async function lookFor(registration: ServiceWorkerRegistration): Promise<void> {
    if (navigator.onLine) await registration.update()
  }

  // A part of the app could not be loaded: the server was not reached, or has another app by now.
  useEventListener(window, 'vite:preloadError', () => void compare())

  async function compare(): Promise<void> {
    const own = document.querySelector<HTMLScriptElement>('script[type="module"][src]')?.getAttribute('src')
    const page = await fetch('/', { cache: 'no-store' }).catch(() => null)
    if (page?.ok && own && !(await page.text()).includes(own)) isReady.value = true
  }

  /** Loads the newer app; what is half-entered is on the device and stays. */
  async function take(): Promise<void> {
    await update(true)
    window.location.reload()
  }

  return { isReady, take }
})
