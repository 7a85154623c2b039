import { type FieldError, type Schema, fieldErrors } from '@calm-apron/contract'
import { nextTick, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { z } from 'zod'
import { RefusedByServer } from '../failures.ts'
import { useFailureWords } from './useFailureWords.ts'

/**
 * A form over one schema of the contract: what can't be is said at its field, by the schema before sending and by the
 * server after; nothing typed is lost.
 */
export function useForm() {
  const i18n = useI18n()
  const { t } = i18n
  const failureWords = useFailureWords()
  const issues = ref<Record<string, string>>({})
  const failure = ref('')
  const isBusy = ref(false)

  function wordsOf({ reason, limit }: FieldError): string {
    const key = `fieldIssue.${i18n.te(`fieldIssue.${reason}`) ? reason : 'refused'}`
    return t(key, limit ?? 0)
  }

  function showIssues(errors: readonly FieldError[]): void {
    // The first issue of a field is enough to mend it.
    issues.value = Object.fromEntries([...errors].reverse().map((error) => [error.path, wordsOf(error)]))
    void nextTick(() => document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus())
  }

  function show(error: unknown): void {
    if (error instanceof RefusedByServer && error.problem.code === 'invalid-input')
      showIssues(error.problem.errors ?? [])
    else failure.value = failureWords(error)
  }

  /** Reads `values` by `schema` and, if they can be, sends them; tells whether all went well. */
  async function submit<S extends Schema>(
    schema: S,
    values: unknown,
    send: (body: z.output<S>) => Promise<unknown>,
  ): Promise<boolean> {
    if (isBusy.value) return false
    issues.value = {}
    failure.value = ''
    const parsed = z.safeParse(schema, values)
    if (!parsed.success) {
      showIssues(fieldErrors(parsed.error))
      return false
    }
    isBusy.value = true
    try {
      await send(parsed.data)
      return true
    } catch (error) {
      show(error)
      return false
    } finally {
      isBusy.value = false
    }
  }

  return { issues, failure, isBusy, submit }
}
