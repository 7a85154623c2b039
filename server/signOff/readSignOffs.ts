import {
  type Assessment,
  type AssessmentList,
  type PersonSignOffs,
  type ShotSummary,
  asKind,
  programmeOf,
  reachOf,
  teaches,
} from '@calm-apron/contract'
import {
  type AssessmentEvent,
  type AssessmentState,
  isWaiting,
  runStanding,
  signedOff,
} from '@calm-apron/core'
import { findAcademy } from '../academies/queries.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { roleOf } from '../people/queries.ts'
import { allPrepared } from '../prepare/queries.ts'
import { recipesOf } from '../shots/queries.ts'
import { countedShots } from '../skill/queries.ts'
import { readerBy } from '../skill/readings.ts'
import { saidOfShots, skillShots } from '../skill/skillShots.ts'
import { factsNow } from './judged.ts'
import { assessmentsOf, assessmentsSince, findAssessment } from './queries.ts'
import { type Stood, stoodAt } from './stood.ts'

const MS_PER_DAY = 86_400_000
/** As far back as one can wait for somebody. */
const WAITING_DAYS = 60
const MOST_WAITING = 200

/** @throws {Refusal} `not-found` */
export async function readAssessment(errand: Errand, assessmentId: string): Promise<Assessment> {
  const found = await findAssessment(errand.transaction, assessmentId)
  if (found === null) throw notThere()
  refuseUnlessOwn(errand.actor, 'see-sign-offs', found.personId === errand.actor.personId)
  const [told] = await toldTo(errand, stoodAt([found], errand.now))
  if (told === undefined) throw notThere()
  return told
}

/** Assessments that are on, or wait for somebody. */
export async function listAssessments(errand: Errand): Promise<AssessmentList> {
  const { actor, transaction, now } = errand
  const since = new Date(now.getTime() - WAITING_DAYS * MS_PER_DAY)
  const all = await assessmentsSince(transaction, since, MOST_WAITING)
  const isForAll = reachOf(actor.part, 'see-sign-offs') === 'all'
  const waiting = stoodAt(all, now).filter(
    ({ state, personId }) => isWaiting(state.stage) && (isForAll || personId === actor.personId),
  )
  return { assessments: await toldTo(errand, waiting) }
}

/** How somebody stands in each programme, and their assessments, newest first. @throws {Refusal} `not-found` */
export async function readSignOffs(errand: Errand, personId: string): Promise<PersonSignOffs> {
  const { actor, transaction, now } = errand
  refuseUnlessOwn(actor, 'see-sign-offs', personId === actor.personId)
  if ((await roleOf(transaction, personId)) === null) throw notThere()
  const stood = stoodAt(await assessmentsOf(transaction, personId), now)
  const { timeZone } = await findAcademy(transaction)
  const programmes = await programmesStood(errand, personId, { stood, timeZone })
  const isTeaching = teaches(actor.part)
  return {
    personId,
    programmes: programmes.map((each) => ({ ...each, passToday: isTeaching ? each.passToday : null })),
    assessments: await toldTo(errand, stood.toReversed()),
  }
}

/** How somebody stands in each programme of the house, by their assessments. */
export async function programmesStood(
  errand: Errand,
  personId: string,
  { stood, timeZone }: { stood: readonly Stood[]; timeZone: string },
): Promise<PersonSignOffs['programmes']> {
  const { transaction, now } = errand
  const when = { now, timeZone }
  const run = await runOf(errand, personId)
  const records = await allPrepared(transaction, ['programme'])
  const programmes = records.flatMap((record) => asKind(record, 'programme') ?? [])
  const trainedBy = trainerOf(run.summaries)
  const standings = programmes.map((programme) => {
    const of = stood.filter(({ programmeId }) => programmeId === programme.preparedId)
    const content = programmeOf(programme.content)
    const shots = run.shots.filter(
      ({ recipeId }) => content.recipeIds.length === 0 || content.recipeIds.includes(recipeId),
    )
    const machineId = of.findLast(({ state }) => state.stage === 'signed')?.state.setup.machineId ?? null
    const since = (hasShifted: boolean) => ({
      lastShotAt: shots.at(-1)?.pulledAt ?? null,
      hasShifted,
      isEquipmentNew:
        machineId !== null &&
        shots.length > 0 &&
        shots.slice(-10).every((each) => each.machineId !== machineId),
    })
    return { programme, content, of, shots, since }
  })
  const signed = new Set(
    standings.flatMap(({ programme, content, of, since }) =>
      signedOff(of, content, since(false), when).is === 'signed' ? [programme.preparedId] : [],
    ),
  )
  return standings.map(({ programme, content, of, shots, since }) => {
    const { lacking, passToday, hasShifted } = runStanding(shots, content, signed)
    return {
      programmeId: programme.preparedId,
      programmeRevisionId: programme.revisionId,
      name: programme.content.name,
      standing: signedOff(of, content, since(hasShifted), when),
      lacking,
      passToday,
      trainedBy: content.assessors === 'not-their-trainer' ? trainedBy : null,
    }
  })
}

/** All of somebody's assessments as whoever asks may know them, oldest first. */
export async function assessmentsTold(errand: Errand, personId: string): Promise<Assessment[]> {
  return toldTo(errand, stoodAt(await assessmentsOf(errand.transaction, personId), errand.now))
}

/** Somebody's run with what each was pulled with, oldest first. */
async function runOf({ actor, transaction }: Errand, personId: string) {
  const summaries = (await countedShots(transaction, actor.academyId, personId)).toReversed()
  const recipes = await recipesOf(transaction, summaries)
  const said = await saidOfShots(transaction, summaries)
  const byId = new Map(summaries.map((summary) => [summary.shotId, summary]))
  const shots = skillShots(summaries, readerBy(recipes), said).flatMap((shot) => {
    const summary = byId.get(shot.shotId)
    if (summary === undefined) return []
    const { bagId, machineId, stood, recipeRevisionId } = summary
    const recipeId = recipes.get(recipeRevisionId)?.recipeId ?? ''
    return [{ ...shot, bagId, machineId, recipeId, day: stood.pulledOn }]
  })
  return { summaries, shots }
}

/** Of the newest so many it is told who trained somebody. */
const TRAINED_SHOTS = 40

/** Who of those who teach judged most of their newest shots; null where nobody did. */
export function trainerOf(summaries: readonly ShotSummary[]): string | null {
  const counts = new Map<string, number>()
  for (const { current, purpose } of summaries.slice(-TRAINED_SHOTS))
    if (current.judgedBy !== null && current.isJudgeTeaching && purpose === 'practice')
      counts.set(current.judgedBy, (counts.get(current.judgedBy) ?? 0) + 1)
  return [...counts].toSorted((a, b) => b[1] - a[1])[0]?.[0] ?? null
}

/** Whom the newest of somebody's shots were judged by most. */
export async function whoTrained({ actor, transaction }: Errand, personId: string): Promise<string | null> {
  return trainerOf((await countedShots(transaction, actor.academyId, personId)).toReversed())
}

/** As whoever asks may know them: what is on is closed to whoever is assessed, what was decided to who looks at it again. */
async function toldTo(errand: Errand, all: readonly Stood[]): Promise<Assessment[]> {
  if (all.length === 0) return []
  const { actor, transaction } = errand
  const facts = await factsNow(transaction, actor.academyId, all)
  return all.flatMap(({ assessmentId, events, state }): Assessment[] => {
    const found = facts.get(assessmentId)
    if (found === undefined) return []
    const isTheirs = actor.personId === state.setup.personId
    const isClosed = state.stage === 'running' || (isTheirs && state.decided === null)
    const isOver = !isClosed
    const isBlind = isBlindTo(state, actor.personId) && !isTheirs
    return [
      {
        assessmentId,
        events: events.filter(isTold).map((event) => (isBlind ? withoutDecision(event) : event)),
        progress: isTheirs && state.stage === 'running' ? null : found.progress,
        cups: {
          known: isClosed && isTheirs ? [] : found.cups,
          notes: isOver ? state.tasted : state.tasted.filter(({ by }) => by === actor.personId),
        },
        notices: isClosed ? [] : found.notices,
        judged: isClosed ? null : found.judged,
        digest: isClosed ? null : found.digest,
        isBlind,
      },
    ]
  })
}

/** Until a second opinion is there, nobody but whoever decided is told what that was. */
function isBlindTo(state: AssessmentState, personId: string): boolean {
  return state.stage === 'appealed' && state.decided?.by !== personId
}

/** What was tasted is told with the cups, to whom it may be. */
const isTold = ({ happening }: AssessmentEvent) => happening.kind !== 'tasted'

function withoutDecision(event: AssessmentEvent): AssessmentEvent {
  const { happening } = event
  return happening.kind === 'decided'
    ? { ...event, text: null, happening: { ...happening, outcomes: [], proposed: [] } }
    : event
}
