const TYPING = 'input:not([type=radio]):not([type=range]), textarea, select, [contenteditable]'

/** Whether a key press belongs to a text being typed. */
export function isTyping(event: KeyboardEvent): boolean {
  return event.target instanceof Element && event.target.matches(TYPING)
}
