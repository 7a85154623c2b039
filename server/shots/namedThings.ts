import type { ShotInput } from '@calm-apron/contract'
import type { AcademyTransaction } from '../database/pool.ts'
import { type Named, refuseWrong, wrongNames, wrongNamesAndRecipe } from '../prepare/namedThings.ts'

type Facts = ShotInput['facts']

/**
 * Sees to it that what a shot names is there and of the right kind.
 * @throws {Refusal} `invalid-input` naming each field that leads elsewhere
 */
export async function refuseWrongThings(
  transaction: AcademyTransaction,
  shot: Omit<ShotInput, 'facts'>,
  facts: Facts,
): Promise<void> {
  const named: Named[] = [
    ['barId', 'bar', shot.barId],
    ['grinderId', 'grinder', shot.grinderId],
    ['bagId', 'bag', shot.bagId],
    ['machineId', 'machine', shot.machineId],
    ...vesselsOf(facts),
  ]
  refuseWrong(await wrongNamesAndRecipe(transaction, named, ['recipeRevisionId', shot.recipeRevisionId]))
}

/** The same of a correction, which names vessels only. @throws {Refusal} `invalid-input` */
export async function refuseWrongVessels(transaction: AcademyTransaction, facts: Facts): Promise<void> {
  refuseWrong(await wrongNames(transaction, vesselsOf(facts)))
}

function vesselsOf({ dose, cup }: Facts): Named[] {
  return [
    ['facts.dose.vesselId', 'vessel', dose?.by === 'gross' ? dose.vesselId : null],
    ['facts.cup.vesselId', 'vessel', cup?.by === 'gross' ? cup.vesselId : null],
  ]
}
