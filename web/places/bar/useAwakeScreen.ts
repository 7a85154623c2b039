import { useWakeLock } from '@vueuse/core'
import { onMounted, onScopeDispose } from 'vue'

/** The screen stays awake while a shot is on it; a device that can't keep it so goes on all the same. */
export function useAwakeScreen(): void {
  const lock = useWakeLock()
  onMounted(() => {
    if (lock.isSupported.value) lock.request('screen').catch(() => undefined)
  })
  onScopeDispose(() => {
    if (lock.isSupported.value) lock.release().catch(() => undefined)
  })
}
