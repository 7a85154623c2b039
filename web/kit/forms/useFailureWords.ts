import { useI18n } from 'vue-i18n'
import { RefusedByServer, ServerUnreachable } from '../failures.ts'

/** Why something could not be done, in words for whoever tried; what nobody foresaw is thrown on. */
export function useFailureWords() {
  const { t } = useI18n()

  return (error: unknown): string => {
    if (error instanceof ServerUnreachable) return t('form.unreachable')
    if (!(error instanceof RefusedByServer)) throw error
    const { code, retryAfterS = 0 } = error.problem
    return code === 'slow-down' ? t('form.slowDown', retryAfterS) : t(`problem.${code}`)
  }
}
