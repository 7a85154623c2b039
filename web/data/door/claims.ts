import { ENDPOINTS } from '@calm-apron/contract'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { call } from '../api/client.ts'
import { claimsAsked } from '../queries/questions.ts'
import { useAnswer } from '../queries/useAnswer.ts'
import { useDoor } from './door.ts'

/** What was entered in the name of whoever is here while another was signed in, and they have not spoken of yet. */
export const useClaims = defineStore('claims', () => {
  const door = useDoor()
  // Nothing waits for them: where they can't be had they are asked for again.
  const answer = useAnswer(() =>
    door.state === 'open' && door.may('decide-claims', true) ? claimsAsked() : null,
  )
  const claims = computed(() => answer.value.value?.claims ?? [])

  async function decide(recordId: string, isMine: boolean): Promise<void> {
    await call(ENDPOINTS.decideClaim, { params: { recordId }, body: { isMine } })
    answer.tell({ claims: claims.value.filter((each) => each.recordId !== recordId) })
  }

  return { claims, load: answer.load, decide }
})
