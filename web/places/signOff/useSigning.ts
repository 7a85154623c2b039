import {
  type Assessment,
  type AssessmentEventInput,
  BOUNDS,
  ENDPOINTS,
  type SignatureInput,
} from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { call } from '../../data/api/client.ts'
import { useDoor } from '../../data/door/door.ts'
import { useFailureWords } from '../../kit/forms/useFailureWords.ts'

/** Signs, or says something of, an assessment at the server: neither can wait for a line, for what is signed must be what stands. */
export function useSigning(assessmentId: () => string, done: (told: Assessment) => Promise<unknown>) {
  const door = useDoor()
  const failureWords = useFailureWords()
  const isBusy = ref(false)
  const failure = ref('')
  const secret = ref('')
  const by = ref<SignatureInput['by']>('pin')
  /** Whoever came in by a tap has no secret, and is asked for none. */
  const isDemo = computed(() => door.session !== null && door.session.signInName === null)
  const isSignable = computed(() => isDemo.value || secret.value.length >= BOUNDS.pinLength.min)
  // Sent again after it was cut, it is the same signature.
  let eventId = uuidv7()

  async function attempt(send: () => Promise<Assessment>): Promise<boolean> {
    isBusy.value = true
    failure.value = ''
    try {
      const told = await send()
      eventId = uuidv7()
      await done(told)
      return true
    } catch (error) {
      failure.value = failureWords(error)
      return false
    } finally {
      secret.value = ''
      isBusy.value = false
    }
  }

  const sign = (happening: SignatureInput['happening'], text: string) =>
    attempt(async () =>
      call(ENDPOINTS.signAssessment, {
        params: { assessmentId: assessmentId(), eventId },
        body: {
          at: new Date().toISOString(),
          happening,
          text: text.trim(),
          by: by.value,
          secret: isDemo.value ? 'demo' : secret.value,
        },
      }),
    )

  const say = (happening: AssessmentEventInput['happening'], text: string) =>
    attempt(async () =>
      call(ENDPOINTS.putAssessmentEvent, {
        params: { assessmentId: assessmentId(), eventId },
        body: { by: door.personId, at: new Date().toISOString(), happening, text: text.trim() },
      }),
    )

  return { sign, say, isBusy, failure, secret, by, isDemo, isSignable }
}
