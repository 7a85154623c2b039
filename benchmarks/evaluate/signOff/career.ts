import {
  type CupNote,
  PRESET_PROGRAMMES,
  type Programme,
  type ReadingKind,
  type RunShot,
  type SetShot,
  type SignedPart,
  cupCodes,
  judgeSet,
  openParts,
  partsOf,
  runStanding,
} from '@calm-apron/core'
import { type Seeded, seeded } from '@calm-apron/core/bench'
import { type Trainee, shotOf } from './trainee.ts'

/** The programme that is measured. */
export const PROGRAMME: Programme = { ...PRESET_PROGRAMMES['espresso-at-the-bar'], ticks: [] }

/** How it is done in a house of this kind. */
export interface Terms {
  programme: Programme
  /** Whether somebody is presented once the run says so; else at once, as where a set alone decides. */
  byRun: boolean
  /** Whether a trainer's reference is pulled afterwards. */
  hasReferences: boolean
  /** Share of sets during which the bar drifts off. */
  drifts: number
  sets: number
}

/** What came of one trainee. */
export interface Career {
  trainee: Trainee
  /** In which set they were signed, from 1; null where they were not. */
  signedIn: number | null
  /** How truly they are on at the time they were signed, or at the end. */
  truly: Record<ReadingKind, number>
}

const [SESSION_SHOTS, MOST_SESSIONS] = [8, 16]
/** A drift that makes a shot in the middle of the window run off. */
const DRIFT_TIME_OFF = 1.6
const TRAINER = { callsRight: 1, leavesOut: 0 }
const TRAINERS_HANDS = { dose: 0.99, tamp: 0.99, yield: 0.99, time: 0.97, taste: 0.97 }

/** Practises, is presented by the rule, and pulls sets until signed or no more of them are looked at. */
export function careerOf(trainee: Trainee, terms: Terms, seed: number): Career {
  const chance = seeded(seed)
  const run: RunShot[] = []
  let [open, sets] = [partsOf(terms.programme), 0]
  for (let session = 0; session < MOST_SESSIONS && sets < terms.sets; session += 1) {
    const day = session * 3
    for (let at = 0; at < SESSION_SHOTS; at += 1)
      run.push(
        shotOf(
          trainee.ability(run.length),
          trainee,
          { no: run.length, day, purpose: 'practice' },
          { timeOff: 0 },
          chance,
        ),
      )
    if (terms.byRun && !isPresented(run, open, terms.programme)) continue
    sets += 1
    open = openAfter(pulledSet(trainee, run.length, day + 1, terms, chance), open, terms)
    if (open.length === 0) return { trainee, signedIn: sets, truly: trainee.ability(run.length) }
  }
  return { trainee, signedIn: null, truly: trainee.ability(run.length) }
}

/** The run must hold for what is still open; what is shown already is not asked again. */
function isPresented(run: readonly RunShot[], open: readonly SignedPart[], programme: Programme): boolean {
  return runStanding(run, programme).lacking.every(({ kind, ...lacks }) => {
    if (kind === 'shots' || kind === 'days' || kind === 'bags') return false
    return 'skill' in lacks && !open.includes(lacks.skill)
  })
}

/** The shots of one set, with a trainer's references after it. */
export function pulledSet(
  trainee: Trainee,
  before: number,
  day: number,
  { programme, drifts, hasReferences }: Terms,
  chance: Seeded,
): SetShot[] {
  const timeOff = chance.chance(drifts) ? chance.pick([-1, 1]) * DRIFT_TIME_OFF : 0
  const reference = (no: number, off: number) =>
    shotOf(
      TRAINERS_HANDS,
      TRAINER,
      { no, day, purpose: 'reference', isTrainers: true },
      { timeOff: off },
      chance,
    )
  // It begins when a reference is on; then the bar drifts.
  const own = Array.from({ length: programme.set.shots }, (_each, at) =>
    shotOf(trainee.ability(before), trainee, { no: 1 + at, day, purpose: 'assessment' }, { timeOff }, chance),
  )
  return [
    ...own,
    ...(hasReferences ? [reference(20, timeOff), reference(21, timeOff)] : [reference(20, 0)]),
  ].map((shot, at) => ({ ...shot, pulledAt: new Date(Date.parse(shot.pulledAt) + at).toISOString() }))
}

function openAfter(
  shots: readonly SetShot[],
  open: readonly SignedPart[],
  { programme }: Terms,
): SignedPart[] {
  return openParts(judgeSet(shots, 'trainee', programme, { cups: tastedByTwo(shots), parts: open }))
}

/** Every cup as two assessors tasted it, each by its code: alike, so that taste is judged. */
export function tastedByTwo(shots: readonly SetShot[]): CupNote[] {
  const codes = cupCodes(shots.map(({ shotId }) => shotId))
  return ['first', 'second'].flatMap((by) =>
    shots.map(({ shotId, readings }) => ({
      by,
      cup: codes.get(shotId) ?? '',
      taste: readings.of.facts.taste,
    })),
  )
}
