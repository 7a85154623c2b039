import type { Readings } from '../reading/types.ts'
import type { Cause } from './causes.ts'
import type { EvidenceOfShot } from './evidence.ts'
import type { EvidenceKey } from './evidenceTypes.ts'
import { HYPOTHESES } from './hypotheses.ts'
import type { Inference } from './infer.ts'
import { tellingLooks, whenToLook } from './nextLook.ts'
import { normalised, posteriorOpen } from './naming.ts'
import type { Ruling } from './rules.ts'
import { type Diagnosis, type Move, OBSERVATIONS, type Observation } from './types.ts'

/** A look that would tell less than this, in nats, is not asked for; one that costs another shot has to tell more. */
const TELLS_FROM = { still: 0.03, 'next-shot': 0.08 } as const
/** Nothing that is seen of the next shot is worth as much as what can still be seen of this one. */
const NEXT_SHOT_WORTH = 0.6

interface Asked {
  readings: Readings
  evidence: EvidenceOfShot
  inference: Inference
  ruling: Ruling
}

/** The look that would tell most of what is behind the shot. */
export function tellingLook(asked: Asked): Move {
  const [best] = looks(asked, open(asked))
  return { lever: 'observe', observation: best?.observation ?? 'pull-another' }
}

/** The look that parts two causes best, or null where none would. */
export function partingLook(one: Cause, other: Cause, asked: Asked): Move | null {
  const has = (at: number, cause: Cause) => {
    const faults = HYPOTHESES[at]?.faults ?? []
    return cause === 'none' ? faults.length === 0 : faults.includes(cause)
  }
  const parted = normalised(open(asked).map((weight, at) => (has(at, one) === has(at, other) ? 0 : weight)))
  const [best] = parted === null ? [] : looks(asked, parted)
  return best === undefined ? null : { lever: 'observe', observation: best.observation }
}

/** What to look at beside a move: never a shot of its own, which the move would spoil. */
export function lookBeside(asked: Asked): Diagnosis['lookNext'] {
  const best = looks(asked, open(asked)).find(({ observation }) => observation !== 'pull-another')
  return best === undefined ? null : { observation: best.observation, isStillThere: best.when === 'still' }
}

function open({ inference, ruling }: Asked): Float64Array {
  return posteriorOpen(inference.posterior, ruling.open)
}

/** Looks that can be made and are worth it, the most telling first. */
function looks(
  { readings, evidence, inference }: Asked,
  posterior: Float64Array,
): { observation: Observation; when: 'still' | 'next-shot'; worth: number }[] {
  const noted: ReadonlySet<EvidenceKey> = new Set(evidence.items.map(({ key }) => key))
  const when = new Map(OBSERVATIONS.map((each) => [each, whenToLook(each, readings)]))
  return tellingLooks(inference, posterior, noted, (observation) => when.get(observation) !== null)
    .flatMap(({ observation, gain }) => {
      const its = when.get(observation) ?? null
      if (its === null || gain <= TELLS_FROM[its]) return []
      return [{ observation, when: its, worth: its === 'still' ? gain : NEXT_SHOT_WORTH * gain }]
    })
    .sort((a, b) => b.worth - a.worth)
}
