import { HANDS, type Hands, TRAINERS, type Trainer } from './hands.ts'

const [MS_PER_DAY, MS_PER_MINUTE] = [86_400_000, 60_000]
/** Each comes twice a week, and pulls so many. */
const [TRAINING_DAYS_A_WEEK, SHOTS_EACH] = [2, 8]
/** The rooms open at ten, an hour behind; a training every two hours. */
const [OPENS_MIN, APART_MIN] = [11 * 60, 120]
/** Two groups: at one or the other somebody begins every so often. */
const TURN_MIN = 2.5
/** Before it somebody looks for the grind. */
const DIAL_IN_MIN = 12
/** What was pulled since is the demo's own shot book. */
export const UNTIL_DAYS_AGO = 3

/** Whose turn it is, and when. */
export interface Turn {
  hands: Hands
  /** How many they had pulled before. */
  before: number
  atMs: number
}

/** One training of the half-year. */
export interface DemoTraining {
  startMs: number
  endMs: number
  daysAgo: number
  trainer: Trainer
  turns: Turn[]
}

/** All of them, oldest first: whoever sets their own grind alone, the others in two rounds. */
export function trainingsUntil(nowMs: number): DemoTraining[] {
  const before = new Map<number, number>()
  const days = Math.max(...HANDS.map(({ weeks }) => weeks.from)) * TRAINING_DAYS_A_WEEK
  return Array.from({ length: days }, (_each, at) => days - 1 - at).flatMap((ago) => {
    const here = HANDS.filter(({ weeks }) => isIn(weeks, ago))
    const [first, second] = [0, 1].map((half) =>
      here.filter(({ overCorrects }) => !overCorrects).filter((_hands, at) => at % 2 === half),
    )
    const alone = here.filter(({ overCorrects }) => overCorrects)
    const rounds = [first, second, alone].filter((round) => round !== undefined && round.length > 0)
    return rounds.map((round, no) => trainingOf(round ?? [], { ago, no, nowMs }, before))
  })
}

function isIn({ from, until }: Hands['weeks'], ago: number): boolean {
  const week = ago / TRAINING_DAYS_A_WEEK
  return week >= until && week < Math.max(from, until + 1 / TRAINING_DAYS_A_WEEK)
}

function trainingOf(
  round: readonly Hands[],
  { ago, no, nowMs }: { ago: number; no: number; nowMs: number },
  before: Map<number, number>,
): DemoTraining {
  const daysAgo = Math.round((ago * 7) / TRAINING_DAYS_A_WEEK) + UNTIL_DAYS_AGO
  const day = Math.floor(nowMs / MS_PER_DAY) - daysAgo
  const startMs = day * MS_PER_DAY + (OPENS_MIN + no * APART_MIN) * MS_PER_MINUTE
  const turns = Array.from({ length: round.length * SHOTS_EACH }, (_each, at): Turn => {
    const hands = round[at % round.length] ?? HANDS[0]
    if (hands === undefined) throw new RangeError('Nobody is in this training.')
    const pulled = before.get(hands.who) ?? 0
    before.set(hands.who, pulled + 1)
    return { hands, before: pulled, atMs: startMs + (DIAL_IN_MIN + at * TURN_MIN) * MS_PER_MINUTE }
  })
  const last = turns.at(-1)?.atMs ?? startMs
  return {
    startMs,
    endMs: last + 6 * MS_PER_MINUTE,
    daysAgo,
    trainer: TRAINERS[ago % 3 === 2 ? 1 : 0],
    turns,
  }
}
