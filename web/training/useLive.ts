import {
  API_BASE,
  ENDPOINTS,
  type GroupStage,
  LIVE_PATH,
  type StageOfGroup,
  liveMessage,
  readAnswer,
} from '@calm-apron/contract'
import { onScopeDispose, ref, watch } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import { useDoor } from '../store/door.ts'
import { useTrainings } from './trainings.ts'

/** Follows a training: what happens in it, and what each group is doing on whichever tablet. */
export function useLive(trainingId: () => string | null) {
  const door = useDoor()
  const trainings = useTrainings()
  const stages = ref<Record<string, StageOfGroup>>({})
  const isLive = ref(false)
  /** Goes up whenever a shot of it was recorded or corrected, on whichever tablet. */
  const shotsTold = ref(0)
  let line: EventSource | null = null

  function follow(followed: string | null): void {
    line?.close()
    line = null
    isLive.value = false
    stages.value = {}
    if (followed === null) return
    line = new EventSource(`${API_BASE}${LIVE_PATH.replace('{trainingId}', followed)}`)
    line.onopen = () => (isLive.value = true)
    // It tries again by itself; a training that is only known here yet is followed once it was sent.
    line.onerror = () => (isLive.value = false)
    line.onmessage = ({ data }: MessageEvent<string>) => hear(data)
  }

  function hear(text: string): void {
    const heard = readAnswer(liveMessage, JSON.parse(text))
    if (!heard.success) return
    const message = heard.data
    if (message.kind === 'training') void trainings.refresh(message.trainingId)
    if (message.kind === 'shot') shotsTold.value += 1
    if (message.kind === 'stage') stages.value = { ...stages.value, [message.stage.group]: message.stage }
  }

  watch([trainingId, () => door.session?.sessionId], ([followed]) => follow(followed), { immediate: true })
  onScopeDispose(() => line?.close())

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
