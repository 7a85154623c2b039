import { type ShotInput, behindNamed, pulledWith, standsNow } from '@calm-apron/contract'
import type { AsItStood } from '@calm-apron/core'
import { findAcademy } from '../academies/queries.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { findRecipeRevisions } from './queries.ts'
import { thingsAt } from '../prepare/queries.ts'

type Named = Pick<ShotInput, 'bagId' | 'machineId' | 'groupNo' | 'grinderId' | 'recipeRevisionId'>

/** What a shot was pulled with, as it stood when it was pulled. */
export async function stoodThen(
  transaction: AcademyTransaction,
  shot: Named,
  pulledAt: Date,
  isPullerTeaching: boolean,
): Promise<AsItStood> {
  const { bagId, machineId, grinderId } = shot
  const named = await thingsAt(transaction, present([bagId, machineId, grinderId]), pulledAt)
  const { coffeeId, basketId } = behindNamed(shot, named)
  const behind = await thingsAt(transaction, present([coffeeId, basketId]), pulledAt)
  const { timeZone } = await findAcademy(transaction)
  // Of no use where nobody knows what is in the group.
  const [recipe] = basketId === null ? [] : await findRecipeRevisions(transaction, [shot.recipeRevisionId])
  const recipesBasketId = recipe?.method.basketId ?? null
  return standsNow(pulledWith({ ...shot, recipesBasketId }, new Map([...named, ...behind])), {
    pulledAt: pulledAt.toISOString(),
    timeZone,
    isPullerTeaching,
  })
}

const present = (ids: readonly (string | null)[]) => ids.filter((each) => each !== null)
