import type {
  Call,
  ShotDetail,
  ShotRevision,
  ShotSummary,
  Slip,
  SlipSide,
  Tasting,
  Today,
} from '@calm-apron/contract'
import type { AsItStood, TrainingEvent } from '@calm-apron/core'
import type { UnsentWrite, Write } from '../device/deviceDatabase.ts'

/**
 * What this device did lies over what was told: the writes that the answer can't know of (`outbox.since`), each by its
 * id, so that what was told meanwhile is not there twice.
 */
export type Since = readonly UnsentWrite[]

type Of<K extends Write['kind']> = Extract<UnsentWrite, { kind: K }>

/** What must be known of a shot that only this device has, beyond what it was recorded with. */
export interface KnownHere {
  isTeaching: (personId: string) => boolean
  stoodNow: (shot: Of<'shot'>['body']) => AsItStood
}

function only<K extends Write['kind']>(since: Since, kind: K): Of<K>[] {
  return since.filter((write): write is Of<K> => write.kind === kind)
}

const ofShot = (since: Since, shotId: string) =>
  since.filter((write) => 'shotId' in write && write.shotId === shotId)

/** A shot that was recorded here, as a list would tell it. */
export function shotHere(write: Of<'shot'>, since: Since, known: KnownHere): ShotSummary {
  const { facts, judgedBy, note, ...setting } = write.body
  const { pulledAt } = setting
  const current: ShotRevision = {
    revisionId: write.shotId,
    revisionNo: 1,
    judgedBy,
    isClaimed: false,
    isDenied: false,
    isJudgeTeaching: known.isTeaching(judgedBy),
    reason: null,
    recordedAt: pulledAt,
    receivedAt: pulledAt,
    facts,
    note,
  }
  const stood = known.stoodNow(write.body)
  const shot = { shotId: write.shotId, ...setting, stood, clockAheadS: null, tasted: NOT_TASTED, current }
  return withSlips(shot, since)
}

/** Whether its reading waits for a call that nobody made here yet. */
export function isSealedHere({ shotId, body }: Of<'shot'>, since: Since): boolean {
  const isCalled = only(ofShot(since, shotId), 'call').some((call) => call.body.stage === 'final')
  return body.isCallAsked && !isCalled
}

/** A shot with the corrections and slips that it was told without. */
export function shotOver(told: ShotDetail, since: Since, { isTeaching }: KnownHere): ShotDetail {
  const isKnown = new Set(told.revisions.map(({ revisionId }) => revisionId))
  const further = only(ofShot(since, told.shotId), 'correction')
    .filter(({ revisionId }) => !isKnown.has(revisionId))
    .map((write) => correctionHere(write, told.current, isTeaching))
  const revisions = [...told.revisions, ...further].sort((a, b) => b.revisionNo - a.revisionNo)
  return withSlips({ ...told, revisions, current: revisions[0] ?? told.current }, since)
}

/** A list's row with the newest correction and the slips that it was told without. */
export function rowOver(told: ShotSummary, since: Since, { isTeaching }: KnownHere): ShotSummary {
  const newest = only(ofShot(since, told.shotId), 'correction').at(-1)
  const isNewer = newest !== undefined && newest.body.basedOnNo >= told.current.revisionNo
  const current = isNewer ? correctionHere(newest, told.current, isTeaching) : told.current
  return withSlips({ ...told, current }, since)
}

function correctionHere(
  { revisionId, body }: Of<'correction'>,
  before: ShotRevision,
  isTeaching: KnownHere['isTeaching'],
): ShotRevision {
  const { basedOnNo, judgedBy, reason, correctedAt, facts, note } = body
  return {
    revisionId,
    revisionNo: basedOnNo + 1,
    judgedBy,
    isClaimed: false,
    isDenied: false,
    isJudgeTeaching: isTeaching(judgedBy),
    reason,
    recordedAt: correctedAt,
    receivedAt: correctedAt,
    facts,
    note: note ?? before.note,
  }
}

/** What both sides said, where both are in and one of them is from here. */
function withSlips<S extends ShotSummary>(shot: S, since: Since): S {
  const tasted = { ...shot.tasted }
  const said = new Set<SlipSide>()
  for (const { body } of only(ofShot(since, shot.shotId), 'slip')) {
    said.add(body.side)
    tasted[body.side] = body.taste
  }
  const isWhole = said.size === 2 || shot.tasted.trainee !== null || shot.tasted.trainer !== null
  return said.size > 0 && isWhole ? { ...shot, tasted } : shot
}

/** What happened in a training, with what happened here since. */
export function eventsOver(
  told: readonly TrainingEvent[],
  trainingId: string,
  since: Since,
): TrainingEvent[] {
  const isKnown = new Set(told.map(({ eventId }) => eventId))
  const here = only(since, 'training-event')
    .filter((write) => write.trainingId === trainingId && !isKnown.has(write.eventId))
    .map(({ eventId, body }) => ({ eventId, ...body }))
  return [...told, ...here]
}

/** Trainings of which something happened here. */
export function trainingsHere(since: Since): string[] {
  return [...new Set(only(since, 'training-event').map(({ trainingId }) => trainingId))]
}

/** Shots whose reading waits for a call. */
export function awaitingOver(told: Today['awaiting'], since: Since): Today['awaiting'] {
  const isKnown = new Set(told.map(({ shotId }) => shotId))
  const called = new Set(
    only(since, 'call').flatMap(({ shotId, body }) => (body.stage === 'final' ? [shotId] : [])),
  )
  const here = only(since, 'shot')
    .filter(({ shotId, body }) => body.isCallAsked && !isKnown.has(shotId))
    .map(({ shotId, body: { personId, pulledAt } }) => ({ shotId, personId, pulledAt }))
  return [...here, ...told].filter(({ shotId }) => !called.has(shotId))
}

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

/** What was said of a shot, with what was said here since; a slip of another is not opened by it before both are in. */
export function tastingOver(told: Tasting, shotId: string, since: Since): Tasting {
  const here = ofShot(since, shotId)
  const [slips, calls, rulings] = [only(here, 'slip'), only(here, 'call'), only(here, 'ruling')]
  const sides = { ...told.sides }
  for (const { body } of slips) sides[body.side] = body.taste === null ? 'skipped' : 'in'
  const isCalled = (stage: Call['stage']) =>
    told.called[stage] || calls.some(({ body }) => body.stage === stage)
  const isOpen = sides.trainee !== 'waiting' && sides.trainer !== 'waiting'
  const [toldSlips, toldCalls, toldRulings] = [
    new Set(told.slips.map(({ slipId }) => slipId)),
    new Set(told.calls.map(({ callId }) => callId)),
    new Set(told.rulings.map(({ rulingId }) => rulingId)),
  ]
  return {
    ...told,
    sides,
    isOpen,
    called: { first: isCalled('first'), final: isCalled('final') },
    slips: [
      ...told.slips,
      ...(isOpen ? slips.filter(({ slipId }) => !toldSlips.has(slipId)).map(slipHere) : []),
    ],
    calls: [...told.calls, ...calls.filter(({ callId }) => !toldCalls.has(callId)).map(callHere)],
    rulings: [
      ...told.rulings,
      ...rulings.filter(({ rulingId }) => !toldRulings.has(rulingId)).map(rulingHere),
    ],
  }
}

function slipHere({ slipId, shotId, body }: Of<'slip'>): Slip {
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

function callHere({ callId, shotId, body }: Of<'call'>): Call {
  const { calledBy: personId, rulesVersion = null, ...said } = body
  const unsent = { takenDownBy: null, receivedAt: body.calledAt, isClaimed: false }
  return { callId, shotId, personId, ...said, rulesVersion, ...unsent }
}

function rulingHere({ rulingId, shotId, body }: Of<'ruling'>): Tasting['rulings'][number] {
  const { rulesVersion = null, ...said } = body
  return { rulingId, shotId, ...said, rulesVersion, receivedAt: body.ruledAt }
}

const NOT_TASTED = { trainee: null, trainer: null }
