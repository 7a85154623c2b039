import type { AcademyFile } from '@calm-apron/contract'
import {
  DEFAULT_PROGRAMME,
  type SkillSaying,
  type SkillShot,
  assessSkill,
  readShot,
  serveScore,
  skillSaying,
} from '@calm-apron/core'
import { demoId } from '../ids.ts'

/** As many of the newest as a person's figures rest on. */
const WEIGHED_SHOTS = 200

/** What is said of somebody of the half-year, by their shots of the one family that it is of. */
export function sayingOf(
  academy: Pick<AcademyFile, 'prepared' | 'shots' | 'corrections'>,
  personNo: number,
  now: Date,
): SkillSaying {
  const recipes = new Map(
    academy.prepared.flatMap(({ preparedId, thing }) =>
      thing.kind === 'recipe' ? [[preparedId, thing.content.targets] as const] : [],
    ),
  )
  const corrected = new Map(academy.corrections.map(({ shotId, facts }) => [shotId, facts]))
  const shots = academy.shots
    .filter(({ personId }) => personId === demoId('person', personNo))
    .toSorted((a, b) => a.pulledAt.localeCompare(b.pulledAt))
    .slice(-WEIGHED_SHOTS)
    .flatMap(({ shotId, pulledAt, facts: noted, recipeRevisionId, purpose, grindOwner }): SkillShot[] => {
      const facts = corrected.get(shotId) ?? noted
      const targets = recipes.get(recipeRevisionId)
      if (targets === undefined) return []
      const readings = readShot(facts, targets)
      return [
        {
          shotId,
          pulledAt,
          family: { by: 'mass', basketId: null },
          readings,
          context: { purpose, grindOwner, isReferenceOff: false },
          isHelped: facts.noted?.isHelped === true,
          callScore: null,
          calledAs: null,
          isServeRight: serveScore(readings),
          steps: facts.noted ?? null,
          lock: null,
        },
      ]
    })
  return skillSaying(assessSkill(shots, DEFAULT_PROGRAMME), now.getTime())
}
