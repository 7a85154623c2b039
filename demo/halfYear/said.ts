import type { AcademyFile } from '@calm-apron/contract'
import type { CallWord, Cause } from '@calm-apron/core'
import type { Seeded } from '@calm-apron/core/bench'
import { demoId } from '../ids.ts'
import type { Trainer } from './hands.ts'
import { type Pull, tastedBy, worseAt } from './pull.ts'
import type { Turn } from './trainings.ts'

type FileCall = AcademyFile['calls'][number]
type FileSlip = AcademyFile['slips'][number]
type FileRuling = AcademyFile['rulings'][number]

/** From so many points apart the cup is said to lean. */
const LEANS_FROM = 3
/** A learner's tongue is off by so much at best; a trainer's by so much. */
const [LEARNER_SD, TRAINER_SD] = [0.9, 0.5]

/** What is to be said of a cup. */
interface Word {
  verdict: CallWord
  cause: Cause | null
  move: 'finer' | 'coarser' | 'hold'
}
const WORDS = {
  under: { verdict: 'under', cause: 'grind-too-coarse', move: 'finer' },
  over: { verdict: 'over', cause: 'grind-too-fine', move: 'coarser' },
  uneven: { verdict: 'uneven', cause: 'tamp-tilted', move: 'hold' },
  balanced: { verdict: 'balanced', cause: 'none', move: 'hold' },
} as const satisfies Record<string, Word>
/** What each is taken for by whoever gets it wrong. */
const TAKEN_FOR = {
  under: ['balanced', 'uneven'],
  over: ['balanced', 'under'],
  uneven: ['under', 'over'],
  balanced: ['under', 'over'],
} as const satisfies Record<keyof typeof WORDS, readonly (keyof typeof WORDS)[]>

function trueWord({ truth: { sour, bitter, tilt } }: Pull): keyof typeof WORDS {
  if (tilt === 'clear') return 'uneven'
  const lean = bitter - sour
  if (lean <= -LEANS_FROM) return 'under'
  return lean >= LEANS_FROM ? 'over' : 'balanced'
}

/** What was said of a shot, and noted by both sides. */
export interface Said {
  call: FileCall
  slips: [FileSlip, FileSlip]
}

/** What somebody calls their shot, and how they and their trainer note the cup. */
export function saidOf(
  { shotId, no, personId, trainerId }: { shotId: string; no: number; personId: string; trainerId: string },
  turn: Turn,
  made: Pull,
  trainer: Trainer,
  chance: Seeded,
): Said {
  const truly = trueWord(made)
  const isRight = chance.chance(turn.hands.callsRight / worseAt(turn) ** 0.5)
  const word = WORDS[isRight ? truly : chance.pick(TAKEN_FOR[truly])]
  const at = (seconds: number) => new Date(turn.atMs + seconds * 1000).toISOString()
  const slip = (
    side: 'trainee' | 'trainer',
    half: number,
    filledBy: string,
    taste: FileSlip['taste'],
  ): FileSlip => ({
    shotId,
    slipId: demoId('slip', no * 2 + half),
    filledBy,
    side,
    basedOnNo: 0,
    reason: null,
    taste,
    tastedAt: at(80 + half * 10),
  })
  const learner = { milder: 0, sd: LEARNER_SD * worseAt(turn) ** 0.5 }
  return {
    call: {
      shotId,
      callId: demoId('call', no),
      calledBy: personId,
      stage: 'final',
      ...word,
      calledAt: at(100),
    },
    slips: [
      slip('trainee', 0, personId, tastedBy(made, learner, chance)),
      slip('trainer', 1, trainerId, tastedBy(made, { milder: trainer.milder, sd: TRAINER_SD }, chance)),
    ],
  }
}

/** How a trainer read a shot otherwise. */
export function ruledOf(shotId: string, no: number, ruledBy: string, atMs: number): FileRuling {
  return {
    shotId,
    rulingId: demoId('ruling', no),
    ruledBy,
    verdict: 'balanced',
    cause: null,
    move: 'hold',
    reason: 'We both tasted it twice: it is bright, and nothing is wrong with it.',
    ruledAt: new Date(atMs + 200_000).toISOString(),
  }
}

/** What people wrote beside a shot. */
export const NOTES: readonly string[] = [
  'The tamper was still wet from the rinse.',
  'Hopper nearly empty: topped up before the next.',
  'Somebody called from the counter while the pump ran.',
  'Grounds stuck to the funnel; tapped twice.',
  'Tasted of orange peel, and kept on the tongue.',
  'The cup was cold.',
  'Tray overflowing: emptied it.',
  'Talked through why the stream went pale.',
]
