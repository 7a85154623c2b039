import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** Yes, no, and not known: the last as a sign, so that question and answers stand on one line. */
export function useAnswers() {
  const { t } = useI18n()
  return computed(() => [
    { value: true, label: t('answer.yes') },
    { value: false, label: t('answer.no') },
    { value: null, label: t('answer.unknown'), sign: '?' },
  ])
}
