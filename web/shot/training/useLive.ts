import { ENDPOINTS, type GroupStage } from '@calm-apron/contract'
import { computed } from 'vue'
import { call } from '../../data/api/client.ts'
import { RefusedByServer, ServerUnreachable } from '../../kit/failures.ts'
import { useLiveLine } from '../../data/live/liveLine.ts'

/** Follows a training: what each group is doing on whichever tablet. */
export function useLive(trainingId: () => string | null) {
  const line = useLiveLine()
  const stages = computed(() => line.stages[trainingId() ?? ''] ?? {})
  return { stages }
}

/** Tells the other tablets what a group is doing; that one of them misses a word of it is no harm. */
export async function tellStage(trainingId: string, group: string, stage: GroupStage): Promise<void> {
  try {
    await call(ENDPOINTS.putStage, { params: { trainingId, group }, body: stage })
  } catch (error) {
    if (!(error instanceof ServerUnreachable) && !(error instanceof RefusedByServer)) throw error
  }
}
