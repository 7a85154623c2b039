import type { StageOfGroup, WatchInput } from '@calm-apron/contract'
import { noStepsSeen } from '@calm-apron/core'
import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { type Ref, computed, ref, watch } from 'vue'
import { asPlain } from '../../data/device/deviceDatabase.ts'
import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'

/** What is watched, as far as it is noted: kept on the device at each tap. */
type Watching = Omit<WatchInput, 'watchedBy' | 'watchedAt'> & { personId: string }

const TICK_MS = 200

function nothingSeen({ shotId, personId }: Pick<StageOfGroup, 'shotId' | 'personId'>): Watching {
  return { shotId, personId, ...noStepsSeen(), marks: [], call: null }
}

/**
 * Watches the shot that is at a group. It stays this shot until what was seen is kept, also where the next one begins
 * meanwhile. The watch has a clock of its own: of somebody else's shot a trainee is told no numbers before the reading.
 */
export function useWatching(trainingId: () => string, stage: Readonly<Ref<StageOfGroup | null>>) {
  const door = useDoor()
  const outbox = useOutbox()
  const kept = useLocalStorage<Record<string, Watching>>('calm-apron.watching', {})
  const key = computed(() => `${door.personId} ${trainingId()}`)
  const startedAtMs = ref<number | null>(null)
  const clockS = ref(0)

  watch(
    stage,
    (now) => {
      if (now !== null && kept.value[key.value] === undefined)
        kept.value = { ...kept.value, [key.value]: nothingSeen(now) }
    },
    { immediate: true },
  )
  const seen = computed(() => kept.value[key.value] ?? nothingSeen({ shotId: '', personId: '' }))
  const here = computed(() => (stage.value?.shotId === seen.value.shotId ? stage.value : null))
  const isFlowing = computed(() => here.value?.phase === 'flowing')
  const isRunning = computed(() => isFlowing.value || here.value?.phase === 'waiting')

  watch(
    isRunning,
    (runs) => {
      if (runs) startedAtMs.value = monotonicNowMs() - (here.value?.pumpS ?? 0) * 1000
    },
    { immediate: true },
  )
  useIntervalFn(() => {
    if (isRunning.value && startedAtMs.value !== null)
      clockS.value = Math.max(0, (monotonicNowMs() - startedAtMs.value) / 1000)
  }, TICK_MS)

  /** Sends what was seen, and forgets it here. */
  async function keep(): Promise<void> {
    const { personId: _personId, ...watched } = asPlain(seen.value)
    const body = { watchedBy: door.personId, ...watched, watchedAt: new Date().toISOString() }
    await outbox.add({ kind: 'watch', trainingId: trainingId(), watchId: uuidv7(), body })
    kept.value = Object.fromEntries(Object.entries(kept.value).filter(([its]) => its !== key.value))
  }

  const watchedId = computed(() => kept.value[key.value]?.personId ?? null)
  return { seen, clockS, isRunning, isFlowing, watchedId, keep }
}
