import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { ServerUnreachable } from '../../kit/failures.ts'
import { useDoor } from './door.ts'

/** Signing out needs the server: a door that only looks shut would not be shut. */
export function useSignOut() {
  const { t } = useI18n()
  const door = useDoor()
  const router = useRouter()
  const failure = ref('')

  async function signOut(where: 'here' | 'everywhere'): Promise<void> {
    failure.value = ''
    try {
      await door.signOut(where)
      await router.push({ name: 'today' })
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
      failure.value = t('form.unreachable')
    }
  }

  return { failure, signOut }
}
