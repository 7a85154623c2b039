import { useEventListener } from '@vueuse/core'
import { isTyping } from '../../kit/isTyping.ts'

const REACHED_BY_KEYBOARD = ':is(button, a, input):focus-visible'

interface BarKeys {
  space: () => void
  undo: () => void
  step: (index: number) => void
  /** While the shot is at hand the space bar is the clock's alone. */
  isClockFirst: () => boolean
}

/**
 * The bar's keys; they rest while a text field has focus, and a held key counts once. A control reached by the
 * keyboard keeps its space bar until the shot is at hand.
 */
export function useBarKeys(keys: BarKeys): void {
  const isForControl = (event: KeyboardEvent) =>
    !keys.isClockFirst() && event.target instanceof Element && event.target.matches(REACHED_BY_KEYBOARD)

  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (isTyping(event) || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return
    if (event.key === ' ' && !isForControl(event)) {
      // Otherwise a focused button would be pressed as well, and the page would scroll.
      event.preventDefault()
      keys.space()
    } else if (event.key === 'u') {
      keys.undo()
    } else if (/^[1-9]$/.test(event.key)) {
      keys.step(Number(event.key) - 1)
    }
  })
  // A button is pressed when the space bar comes up again.
  useEventListener(window, 'keyup', (event: KeyboardEvent) => {
    if (event.key === ' ' && !isTyping(event) && !isForControl(event)) event.preventDefault()
  })
}
