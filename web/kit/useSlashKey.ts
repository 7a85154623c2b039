import { useEventListener } from '@vueuse/core'
import type { Ref } from 'vue'
import { isTyping } from './isTyping.ts'

/** `/` goes to a field to search in, where there is one; not while something is typed. */
export function useSlashKey(field: Ref<HTMLInputElement | null>): void {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.key !== '/' || isTyping(event) || field.value === null) return
    event.preventDefault()
    field.value.focus()
  })
}
