import { BOUNDS } from '@calm-apron/contract'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'

/** Why somebody says otherwise, as it is typed; with what is missing, once they have tried without. */
export function useReason() {
  const { t } = useI18n()
  const reason = ref('')
  const issue = ref<string>()

  /** The reason, or null where it is too short to be one: then the field says so. */
  function given(): string | null {
    const said = reason.value.trim()
    const isShort = said.length < BOUNDS.reasonLength.min
    issue.value = isShort ? t('correct.reasonNeeded', { min: BOUNDS.reasonLength.min }) : undefined
    return isShort ? null : said
  }
  return { reason, issue, given }
}
