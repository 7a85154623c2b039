import { type FieldError, type Schema, fieldErrors } from '@calm-apron/contract'
import { nextTick, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { z } from 'zod'
import { RefusedByServer, ServerUnreachable } from '../api/client.ts'

/**
 * A form over one schema of the contract: what can't be is said at its field, by the schema before sending and by the
 * server after; nothing typed is lost.
 */
export function useForm() {
  const i18n = useI18n()
  const { t } = i18n
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
    if (error instanceof ServerUnreachable) failure.value = t('form.unreachable')
    else if (error instanceof RefusedByServer) showRefusal(error)
    else throw error
  }

  function showRefusal({ problem }: RefusedByServer): void {
    if (problem.code === 'invalid-input') showIssues(problem.errors ?? [])
    else if (problem.code === 'slow-down') failure.value = t('form.slowDown', problem.retryAfterS ?? 0)
    else failure.value = t(`problem.${problem.code}`)
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
