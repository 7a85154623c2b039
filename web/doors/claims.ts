import { type Claim, ENDPOINTS } from '@calm-apron/contract'
import { defineStore } from 'pinia'
import { ref, watch } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import { useDoor } from '../store/door.ts'

/** What was entered in the name of whoever is here while another was signed in, and they have not spoken of yet. */
export const useClaims = defineStore('claims', () => {
  const door = useDoor()
  const claims = ref<Claim[]>([])

  async function load(): Promise<void> {
    claims.value = []
    if (door.state !== 'open' || !door.may('decide-claims', true)) return
    try {
      claims.value = (await call(ENDPOINTS.listClaims)).claims
    } catch (error) {
      // They are asked for again with the next sign-in; nothing waits for them.
      if (!(error instanceof ServerUnreachable) && !(error instanceof RefusedByServer)) throw error
    }
  }

  async function decide(recordId: string, isMine: boolean): Promise<void> {
    await call(ENDPOINTS.decideClaim, { params: { recordId }, body: { isMine } })
    claims.value = claims.value.filter((each) => each.recordId !== recordId)
  }

  watch([() => door.session?.sessionId, () => door.state], () => void load(), { immediate: true })

  return { claims, load, decide }
})
