import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { isTyping } from '../kit/isTyping.ts'

const PLACE_OF_KEY: Record<string, string> = { t: 'today', p: 'prepare', b: 'bar', r: 'progress' }
const SECOND_KEY_WITHIN_MS = 1500

/** `g` then a letter goes to a place; `?` shows all keys. They rest while a text field has focus. */
export function usePlaceKeys() {
  const router = useRouter()
  const isHelpOpen = ref(false)
  let wentAtMs = -Infinity

  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
    const place = PLACE_OF_KEY[event.key]
    if (event.key === '?') isHelpOpen.value = true
    else if (event.key === 'g') wentAtMs = performance.now()
    else if (place && performance.now() - wentAtMs < SECOND_KEY_WITHIN_MS) void router.push({ name: place })
  })
  return { isHelpOpen }
}
