import type { Readings } from '../reading/types.ts'
import { type GrindContext, grindTo } from './grindMove.ts'
import { lookBeside } from './lookFor.ts'
import { keepsAll } from './mend.ts'
import { RULES_VERSION } from './rulesVersion.ts'
import { isSaidOfHands } from './ofHands.ts'
import { judge } from './statement.ts'
import type { Diagnosis, Named } from './types.ts'
import { weighedEvidence } from './weighedEvidence.ts'

/**
 * What is behind a shot, how sure, and the one next move, with the reasons and the next look: exact inference over no
 * fault, one fault and pairs of faults, under the craft's fixed order of judgement (gate, flow, evenness, taste). It can
 * be asked at any moment, however little is known.
 * @param earlier readings of the shots before it in this session at the same setting, oldest first; left out, it is
 *   judged alone
 */
export function diagnose(last: Readings, grind: GrindContext, earlier: readonly Readings[] = []): Diagnosis {
  const judgement = judge(last, grind, earlier)
  const { statement, evidence, inference, readings } = judgement
  const { move, named, causes } = statement
  const about = named.causes[0] ?? causes[0]?.cause ?? 'none'
  const isOfHands = isSaidOfHands(readings)
  const isAlone = isOfHands || move.lever === 'observe' || keepsAll(move)
  return {
    ...statement,
    // Of hands alone nothing is inferred: what is said was seen.
    evidence: isOfHands ? [] : weighedEvidence(evidence, inference, about, readings),
    grindTo: move.lever === 'grind' ? grindTo(move.direction, readings, grind) : null,
    lookNext: isAlone ? null : lookBeside(judgement),
    rulesVersion: RULES_VERSION,
  }
}

/**
 * What `diagnose` would name, for whoever asks of very many shots: without what speaks for it and the next look, which
 * take as long again.
 */
export function causesNamed(last: Readings, grind: GrindContext, earlier: readonly Readings[] = []): Named {
  return judge(last, grind, earlier).statement.named
}
