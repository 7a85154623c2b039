import { ENDPOINTS, type GrindSeenOn } from '@calm-apron/contract'
import { type GrindSeen, dateInZone, daysBetween } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import { useAcademy } from '../store/academy.ts'
import { deviceDatabase } from '../store/deviceDatabase.ts'
import { useDoor } from '../store/door.ts'
import { useOutbox } from '../store/outbox.ts'

/** Of which grinder, under which recipe; without the shots of a training whose page has them, or up to a shot that is read. */
export interface HistoryWanted {
  grinderId: string
  recipeRevisionId: string
  exceptTrainingId?: string
  before?: string
}

/**
 * What a grinder did of late, as dialling in looks at it: from the server, and kept on this device for when it can't be
 * asked. `seen` is null until either was looked at.
 */
export function useGrindHistory(wanted: () => HistoryWanted | null) {
  const academy = useAcademy()
  const door = useDoor()
  const outbox = useOutbox()
  const told = ref<{ key: string; seen: GrindSeenOn[] } | null>(null)

  /** What is kept on the device is told apart by grinder, recipe and training: what was known a shot ago is near enough. */
  const keptKey = ({ grinderId, recipeRevisionId, exceptTrainingId = '' }: HistoryWanted) =>
    [door.personId, grinderId, recipeRevisionId, exceptTrainingId].join('|')
  const keyOf = (asked: HistoryWanted) => `${keptKey(asked)}|${asked.before ?? ''}`

  /** What this device knows shows at once; what the server says comes after it. */
  async function load(): Promise<void> {
    const asked = wanted()
    if (asked === null || door.personId === '') return
    const kept = await (await deviceDatabase()).get('grindHistory', keptKey(asked))
    if (kept !== undefined && told.value?.key !== keyOf(asked)) tell(asked, kept)
    tell(asked, (await ask(asked)) ?? kept ?? [])
  }

  /** Unless something else was asked for meanwhile. */
  function tell(asked: HistoryWanted, seen: GrindSeenOn[]): void {
    if (askedKey() === keyOf(asked)) told.value = { key: keyOf(asked), seen }
  }

  /** Null where the server can't be asked, or won't say. */
  async function ask(asked: HistoryWanted): Promise<GrindSeenOn[] | null> {
    const { grinderId, ...query } = asked
    try {
      const { seen } = await call(ENDPOINTS.grindHistory, { params: { preparedId: grinderId }, query })
      await outbox.keeping(async () => (await deviceDatabase()).put('grindHistory', seen, keptKey(asked)))
      return seen
    } catch (error) {
      if (error instanceof RefusedByServer || error instanceof ServerUnreachable) return null
      throw error
    }
  }

  const askedKey = () => {
    const asked = wanted()
    return asked === null ? '' : keyOf(asked)
  }
  watch([askedKey, () => outbox.writes.length], () => void load(), { immediate: true })

  const seen = computed<GrindSeen[] | null>(() => {
    if (told.value === null || told.value.key !== askedKey()) return null
    const today = dateInZone(new Date(), academy.timeZone)
    return told.value.seen.map(({ pulledOn, ...each }) => ({
      ...each,
      daysAgo: Math.max(0, daysBetween(pulledOn, today)),
    }))
  })
  return { seen, load }
}
