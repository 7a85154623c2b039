import { type Call, ENDPOINTS, type Slip, type SlipSide, type Tasting } from '@calm-apron/contract'
import { RULES_VERSION } from '@calm-apron/core'
import { useIntervalFn } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import type { UnsentWrite } from '../store/deviceDatabase.ts'
import { useDoor } from '../store/door.ts'
import { useOutbox } from '../store/outbox.ts'

/** While another's slip is waited for, the server is asked this often. */
const ASK_EVERY_MS = 2000

/** Of a shot of which nobody has said anything. */
export const NOTHING: Tasting = {
  sides: { trainee: 'waiting', trainer: 'waiting' },
  isOpen: false,
  called: { first: false, final: false },
  slips: [],
  calls: [],
  rulings: [],
  photos: [],
}

export type Said = Pick<Call, 'verdict' | 'cause' | 'move'>
export type Taste = NonNullable<Slip['taste']>
type Unsent<K extends UnsentWrite['kind']> = Extract<UnsentWrite, { kind: K }>

/**
 * Calls, slips, rulings and photos of one shot: what the server tells, and what this device has not sent yet.
 * @param isAwaited whether another's word is waited for, so that the server is asked again and again
 */
export function useTasting(shotId: () => string, isAwaited: () => boolean) {
  const door = useDoor()
  const outbox = useOutbox()
  const told = ref<Tasting>(NOTHING)
  const isLooked = ref(false)
  /** Between its being sent and told again, what was said on this page must not seem unsaid. */
  const saidHere = shallowRef<{ stages: ReadonlySet<string>; sides: Partial<Tasting['sides']> }>({
    stages: new Set(),
    sides: {},
  })

  async function load(): Promise<void> {
    try {
      told.value = await call(ENDPOINTS.getTasting, { params: { shotId: shotId() } })
    } catch (error) {
      // A shot that is only on this device yet has nothing at the server.
      if (!(error instanceof ServerUnreachable) && !(error instanceof RefusedByServer)) throw error
    }
    isLooked.value = true
  }
  watch([shotId, () => outbox.writes.length], () => void load(), { immediate: true })
  useIntervalFn(() => void (isDecided.value || !isAwaited() || load()), ASK_EVERY_MS)

  const isUnsentCall = (stage: Call['stage']) => unsent('call').some(({ body }) => body.stage === stage)

  function unsent<K extends UnsentWrite['kind']>(kind: K): Unsent<K>[] {
    return outbox.writes.filter(
      (write): write is Unsent<K> => write.kind === kind && 'shotId' in write && write.shotId === shotId(),
    )
  }

  const view = computed<Tasting>(() => {
    const mine = unsent('slip')
    const sides = { ...told.value.sides, ...saidHere.value.sides }
    for (const { body } of mine) sides[body.side] = body.taste === null ? 'skipped' : 'in'
    const called = {
      first: told.value.called.first || saidHere.value.stages.has('first') || isUnsentCall('first'),
      final: told.value.called.final || saidHere.value.stages.has('final') || isUnsentCall('final'),
    }
    const isOpen = sides.trainee !== 'waiting' && sides.trainer !== 'waiting'
    return {
      ...told.value,
      sides,
      isOpen,
      called,
      slips: [...told.value.slips, ...(isOpen ? mine.map(asSlip) : [])],
      calls: [...told.value.calls, ...unsent('call').map(asCall)],
      rulings: [...told.value.rulings, ...unsent('ruling').map(asRuling)],
    }
  })

  /** The reading may be seen: whoever pulled has said their last word, or there is none to be had. */
  const isDecided = computed(() => view.value.called.final)

  async function makeCall(stage: Call['stage'], calledBy: string, said: Said): Promise<void> {
    const calledAt = new Date().toISOString()
    const body = { calledBy, stage, ...said, calledAt, rulesVersion: RULES_VERSION }
    await outbox.add({ kind: 'call', shotId: shotId(), callId: uuidv7(), body })
    saidHere.value = { ...saidHere.value, stages: new Set([...saidHere.value.stages, stage]) }
  }
  /** A trainer's word that there will be no final call. */
  const skipCall = () => makeCall('final', door.personId, { verdict: null, cause: null, move: null })

  async function fillSlip(side: SlipSide, filledBy: string, taste: Taste | null): Promise<void> {
    const body = { filledBy, side, basedOnNo: 0, reason: null, taste, tastedAt: new Date().toISOString() }
    await outbox.add({ kind: 'slip', shotId: shotId(), slipId: uuidv7(), body })
    const sides = { ...saidHere.value.sides, [side]: taste === null ? 'skipped' : 'in' } as const
    saidHere.value = { ...saidHere.value, sides }
  }

  async function overrule(said: Said & { verdict: NonNullable<Call['verdict']> }, reason: string) {
    const ruledAt = new Date().toISOString()
    const body = { ruledBy: door.personId, ...said, reason, ruledAt, rulesVersion: RULES_VERSION }
    await outbox.add({ kind: 'ruling', shotId: shotId(), rulingId: uuidv7(), body })
  }

  return { view, isLooked, isDecided, makeCall, skipCall, fillSlip, overrule, load }
}

function asSlip({ slipId, shotId, body }: Unsent<'slip'>): Slip {
  const { basedOnNo, ...said } = body
  const unsent = {
    takenDownBy: null,
    receivedAt: body.tastedAt,
    isClaimed: false,
    isBlind: true,
    isLate: false,
  }
  return { slipId, shotId, ...said, ...unsent, revisionNo: basedOnNo + 1 }
}
function asCall({ callId, shotId, body }: Unsent<'call'>): Call {
  const { calledBy: personId, rulesVersion = null, ...said } = body
  const unsent = { takenDownBy: null, receivedAt: body.calledAt, isClaimed: false }
  return { callId, shotId, personId, ...said, rulesVersion, ...unsent }
}
function asRuling({ rulingId, shotId, body }: Unsent<'ruling'>): Tasting['rulings'][number] {
  const { rulesVersion = null, ...said } = body
  return { rulingId, shotId, ...said, rulesVersion, receivedAt: body.ruledAt }
}
