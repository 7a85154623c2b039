import { ENDPOINTS, type Invitation } from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { call } from '../../data/api/client.ts'
import { useDoor } from '../../data/door/door.ts'
import { newToken } from './newToken.ts'

export interface MadeLink {
  invitation: Invitation
  address: string
}

/** Makes one-time links. The secret is on this screen only; the server keeps its digest. */
export function useLink() {
  const router = useRouter()
  const door = useDoor()
  const made = ref<MadeLink | null>(null)

  async function make(personId: string): Promise<void> {
    const token = newToken()
    const params = { personId, invitationId: uuidv7() }
    const invitation = await call(ENDPOINTS.putInvitation, { params, body: { token } })
    const path = router.resolve({ name: 'join', hash: `#${token}` }).href
    made.value = { invitation, address: new URL(path, door.doors?.publicOrigin ?? location.origin).href }
  }

  return { made, make }
}
