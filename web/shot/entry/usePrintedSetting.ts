import { settingShown, settingTyped } from '@calm-apron/core'
import { type Ref, computed, ref, watch } from 'vue'
import { numberTyped } from '../draft/readEntry.ts'

/**
 * A setting as it is typed on a printed scale, over the number that is kept of it. What is no setting of that scale stays as it
 * was typed, and is told at its field like any other text that is no number.
 */
export function usePrintedSetting(kept: Ref<string>, lettersPerNumber: () => number) {
  const asPrinted = (text: string): string => {
    const setting = numberTyped(text)
    if (lettersPerNumber() < 1 || setting === null) return text
    const shown = settingShown(setting, lettersPerNumber())
    // One that lies between two letters has no other name than its number.
    return settingTyped(shown, lettersPerNumber()) === setting ? shown : text
  }
  const asKept = (typed: string): string => {
    const setting = lettersPerNumber() < 1 ? null : settingTyped(typed, lettersPerNumber())
    return setting === null ? typed : String(setting)
  }

  const typed = ref(asPrinted(kept.value))
  // Filled from elsewhere, or read by another grinder's scale.
  watch([kept, lettersPerNumber], () => {
    if (asKept(typed.value) !== kept.value) typed.value = asPrinted(kept.value)
  })
  return computed({
    get: () => typed.value,
    set: (text: string) => {
      typed.value = text
      kept.value = asKept(text)
    },
  })
}
