import {
  type Call,
  type ShotDetail,
  type ShotRevision,
  type ShotSummary,
  type Slip,
  type SlipSide,
  type Tasting,
  type Today,
  askedBefore,
} from '@calm-apron/contract'
import type { AsItStood, AssessmentEvent, TrainingEvent } from '@calm-apron/core'
import { type UnsentWrite, type Write, idOf } from '../device/deviceDatabase.ts'

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
  const { facts, judgedBy, note, focus: _focus, ...setting } = write.body
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
  return withSlips(asCalledHere(shot, since), since)
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
  const shot = asCalledHere(told, since)
  return withSlips({ ...shot, revisions, current: revisions[0] ?? told.current }, since)
}

/** A list's row with the newest correction and the slips that it was told without. */
export function rowOver(told: ShotSummary, since: Since, { isTeaching }: KnownHere): ShotSummary {
  const newest = only(ofShot(since, told.shotId), 'correction').at(-1)
  const isNewer = newest !== undefined && newest.body.basedOnNo >= told.current.revisionNo
  const current = isNewer ? correctionHere(newest, told.current, isTeaching) : told.current
  return withSlips({ ...asCalledHere(told, since), current }, since)
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

/** A shot as it was called here since, in whichever way that was the last. */
function asCalledHere<S extends ShotSummary>(told: S, since: Since): S {
  const last = only(ofShot(since, told.shotId), 'repurposing').at(-1)
  return last === undefined ? told : { ...told, purpose: last.body.purpose, faultShown: last.body.faultShown }
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
  const here = only(since, 'training-event')
    .filter((write) => write.trainingId === trainingId)
    .map(({ eventId, body }) => ({ eventId, ...body }))
  return withUntold(told, here)
}

/** What happened in an assessment, with what happened here since. */
export function assessmentEventsOver(
  told: readonly AssessmentEvent[],
  assessmentId: string,
  since: Since,
): AssessmentEvent[] {
  const here = only(since, 'assessment-event')
    .filter((write) => write.assessmentId === assessmentId)
    .map(({ eventId, body }) => ({ eventId, ...body, text: body.text || null }))
  return withUntold(told, here)
}

/** What was told, and what happened here of which it does not know. */
function withUntold<E extends { eventId: string }>(told: readonly E[], here: readonly E[]): E[] {
  const isKnown = new Set(told.map(({ eventId }) => eventId))
  return [...told, ...here.filter(({ eventId }) => !isKnown.has(eventId))]
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
  asks: { first: true, notes: true, isTasted: true },
  called: { first: false, final: false },
  slips: [],
  calls: [],
  rulings: [],
  photos: [],
  repurposings: [],
  watches: [],
}

/** What was said of a shot, with what was said here since; a slip of another is not opened by it before both are in. */
export function tastingOver(told: Tasting, shotId: string, since: Since): Tasting {
  const here = ofShot(since, shotId)
  const [slips, calls] = [only(here, 'slip'), only(here, 'call')]
  const [rulings, repurposings] = [only(here, 'ruling'), only(here, 'repurposing')]
  const sides = { ...told.sides }
  for (const { body } of slips) sides[body.side] = body.taste === null ? 'skipped' : 'in'
  const isCalled = (stage: Call['stage']) =>
    told.called[stage] || calls.some(({ body }) => body.stage === stage)
  const asks = asksOver(told.asks, here)
  const isCalledNow = isCalled('final')
  const isOpen = asks.notes
    ? sides.trainee !== 'waiting' && sides.trainer !== 'waiting'
    : told.isOpen || isCalledNow
  const isKnown = idsTold(told)
  const isUntold = (write: Write) => !isKnown.has(idOf(write))
  return {
    ...told,
    sides,
    isOpen,
    asks,
    called: { first: isCalled('first'), final: isCalledNow },
    slips: [...told.slips, ...(isOpen ? slips.filter(isUntold).map(slipHere) : [])],
    calls: [...told.calls, ...calls.filter(isUntold).map(callHere)],
    rulings: [...told.rulings, ...rulings.filter(isUntold).map(rulingHere)],
    repurposings: [...told.repurposings, ...repurposings.filter(isUntold).map(repurposingHere)],
  }
}

/** By which ids what was said of a shot is known, where it can be laid over. */
function idsTold({ slips, calls, rulings, repurposings }: Tasting): Set<string> {
  return new Set([
    ...slips.map(({ slipId }) => slipId),
    ...calls.map(({ callId }) => callId),
    ...rulings.map(({ rulingId }) => rulingId),
    ...repurposings.map(({ repurposingId }) => repurposingId),
  ])
}

/** What is asked of a shot that only this device has stands in what it was recorded with. */
function asksOver(told: Tasting['asks'], here: Since): Tasting['asks'] {
  const [recorded] = only(here, 'shot')
  const tastedHere = only(here, 'slip').some(({ body }) => body.taste !== null)
  if (recorded === undefined) return { ...told, isTasted: told.isTasted || tastedHere }
  const { sour, sweet, bitter } = recorded.body.facts.taste
  const isTasted = tastedHere || sour !== null || sweet !== null || bitter !== null
  return { ...askedBefore(recorded.body), isTasted }
}

function repurposingHere({
  repurposingId,
  shotId,
  body,
}: Of<'repurposing'>): Tasting['repurposings'][number] {
  return { repurposingId, shotId, ...body, receivedAt: body.repurposedAt }
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
