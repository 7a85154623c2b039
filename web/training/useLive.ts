import { ENDPOINTS, type GroupStage } from '@calm-apron/contract'
import { computed, ref } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import { useLiveLine } from '../store/liveLine.ts'

/** Follows a training: what each group is doing on whichever tablet, and that shots of it were recorded. */
export function useLive(trainingId: () => string | null) {
  const line = useLiveLine()
  const stages = computed(() => line.stages[trainingId() ?? ''] ?? {})
  const isLive = computed(() => line.isLive && trainingId() !== null)
  /** Goes up whenever a shot of it was recorded or corrected, or may have been. */
  const shotsTold = ref(0)
  line.onNews((news) => {
    const mayBeOfIt = news.kind === 'shot' && (news.trainingId === null || news.trainingId === trainingId())
    if (mayBeOfIt || news.kind === 'here') shotsTold.value += 1
  })
  return { stages, isLive, shotsTold }
}

/** Tells the other tablets what a group is doing; that one of them misses a word of it is no harm. */
export async function tellStage(trainingId: string, group: string, stage: GroupStage): Promise<void> {
  try {
    await call(ENDPOINTS.putStage, { params: { trainingId, group }, body: stage })
  } catch (error) {
    if (!(error instanceof ServerUnreachable) && !(error instanceof RefusedByServer)) throw error
  }
}
