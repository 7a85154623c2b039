import type { Call, RepurposingInput, Ruling, Slip, SlipSide, Tasting } from '@calm-apron/contract'
import { RULES_VERSION } from '@calm-apron/core'
import { useIntervalFn } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { computed } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { NOTHING, tastingOver } from '../../data/queries/laidOver.ts'
import { tastingAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useDoor } from '../../data/door/door.ts'
import { useLiveLine } from '../../data/live/liveLine.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { doseTastedG } from './doseTasted.ts'
import { useCupsTasted } from './cupsTasted.ts'
import { firstSlip } from './firstSlip.ts'

/** Where no live line tells of another's slip that is waited for, the server is asked this often. */
const ASK_EVERY_MS = 2000

export type Said = Pick<Call, 'verdict' | 'cause' | 'move'>
export type Repurposed = Omit<RepurposingInput, 'repurposedBy' | 'repurposedAt'>
export type Taste = NonNullable<Slip['taste']>

/**
 * Calls, slips, rulings and photos of one shot: what is known of them, with what this device has not sent yet.
 * @param isAwaited whether another's word is waited for, so that the server is asked again and again
 */
export function useTasting(shotId: () => string, isAwaited: () => boolean) {
  const door = useDoor()
  const outbox = useOutbox()
  const cups = useCupsTasted()
  const academy = useAcademy()
  const line = useLiveLine()
  const recordedHere = computed(() =>
    outbox.since(0).find((write) => write.kind === 'shot' && write.shotId === shotId()),
  )
  /** A shot that is only on this device yet has nothing at the server. */
  const isUnsent = computed(
    () => recordedHere.value !== undefined && recordedHere.value.sentAtMs === undefined,
  )
  const answer = useAnswer(() => (shotId() === '' || isUnsent.value ? null : tastingAsked(shotId())))
  const { load } = answer
  const isLooked = computed(() => recordedHere.value !== undefined || answer.state.value !== 'looking')
  const view = computed<Tasting>(() =>
    tastingOver(answer.value.value ?? NOTHING, shotId(), outbox.since(answer.askedAtMs.value)),
  )

  let isUnderWay = false
  /** Unless it is told by itself, is known, or is on its way. */
  async function askAgain(): Promise<void> {
    if (isUnderWay || line.isLive || isDecided.value || !isAwaited()) return
    isUnderWay = true
    await load()
    isUnderWay = false
  }
  useIntervalFn(() => void askAgain(), ASK_EVERY_MS)

  /** The reading may be seen: whoever pulled has said their last word, or there is none to be had. */
  const isDecided = computed(() => view.value.called.final)

  async function makeCall(stage: Call['stage'], calledBy: string, said: Said): Promise<void> {
    const calledAt = new Date().toISOString()
    const body = { calledBy, stage, ...said, calledAt, rulesVersion: RULES_VERSION }
    await outbox.add({ kind: 'call', shotId: shotId(), callId: uuidv7(), body })
  }
  /** A trainer's word that there will be no final call. */
  const skipCall = () => makeCall('final', door.personId, { verdict: null, cause: null, move: null })

  /** As it was recorded here; a usual double's on a device that is not told it before the call. */
  function recordedDoseG(): number {
    const here = recordedHere.value
    if (here?.kind !== 'shot') return doseTastedG(null, null)
    return doseTastedG(here.body.facts, academy.recipe(here.body.recipeRevisionId)?.targets ?? null)
  }
  async function fillSlip(side: SlipSide, filledBy: string, taste: Taste | null): Promise<void> {
    if (taste !== null) cups.tasted(filledBy, recordedDoseG())
    await outbox.add(firstSlip(shotId(), side, filledBy, taste))
  }

  async function overrule(said: Pick<Ruling, 'verdict' | 'cause' | 'move'>, reason: string) {
    const ruledAt = new Date().toISOString()
    const body = { ruledBy: door.personId, ...said, reason, ruledAt, rulesVersion: RULES_VERSION }
    await outbox.add({ kind: 'ruling', shotId: shotId(), rulingId: uuidv7(), body })
  }

  /** Says otherwise what the shot was for; its list and reading follow at once. */
  async function repurpose(said: Repurposed): Promise<void> {
    const body = { repurposedBy: door.personId, ...said, repurposedAt: new Date().toISOString() }
    await outbox.add({ kind: 'repurposing', shotId: shotId(), repurposingId: uuidv7(), body })
  }

  return { view, isLooked, isDecided, makeCall, skipCall, fillSlip, overrule, repurpose, askAgain }
}
