import { BOUNDS, ENDPOINTS } from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { ref } from 'vue'
import { call } from '../../data/api/client.ts'
import { useFailureWords } from '../../kit/forms/useFailureWords.ts'

/** Gives somebody a sentence to take home; one that could not be sent stays as it was typed, and is sent again under its id. */
export function useTakeHome() {
  const failureWords = useFailureWords()
  const isBusy = ref(false)
  const failure = ref('')
  /** What was given last, by person. */
  const given = ref<Record<string, string>>({})
  const ids = new Map<string, string>()

  async function give(personId: string, sentence: string): Promise<boolean> {
    const text = sentence.trim().slice(0, BOUNDS.reasonLength.max)
    const key = `${personId} ${text}`
    const takeHomeId = ids.get(key) ?? uuidv7()
    ids.set(key, takeHomeId)
    isBusy.value = true
    failure.value = ''
    try {
      await call(ENDPOINTS.putTakeHome, { params: { personId, takeHomeId }, body: { text } })
      given.value = { ...given.value, [personId]: text }
      return true
    } catch (error) {
      failure.value = failureWords(error)
      return false
    } finally {
      isBusy.value = false
    }
  }
  return { give, given, isBusy, failure }
}
