import { ENDPOINTS, type PreparedRecord } from '@calm-apron/contract'
import { type MaybeRefOrGetter, ref, shallowRef, toValue, watch } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'

/** One thing as the server has it now. */
export function useFound(preparedId: MaybeRefOrGetter<string>) {
  const found = shallowRef<PreparedRecord | null>(null)
  const state = ref<'looking' | 'here' | 'gone' | 'offline'>('looking')

  async function load(): Promise<void> {
    try {
      const { revisions: _revisions, ...record } = await call(ENDPOINTS.getPrepared, {
        params: { preparedId: toValue(preparedId) },
      })
      found.value = record
      state.value = 'here'
    } catch (error) {
      if (error instanceof ServerUnreachable) state.value = 'offline'
      else if (error instanceof RefusedByServer) state.value = 'gone'
      else throw error
    }
  }

  watch(() => toValue(preparedId), load, { immediate: true })

  return { found, state, load }
}
