import { type ShotInput, pulledWith, standsNow } from '@calm-apron/contract'
import { type AsItStood, type Focus, isSameFocus } from '@calm-apron/core'
import { findAcademy } from '../academies/queries.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { together } from '../database/together.ts'
import { eventsOf } from '../training/queries.ts'
import { findRecipeRevisions } from './queries.ts'
import { thingsAt } from '../prepare/queries.ts'

type Named = Pick<
  ShotInput,
  | 'personId'
  | 'bagId'
  | 'machineId'
  | 'groupNo'
  | 'grinderId'
  | 'recipeRevisionId'
  | 'trainingId'
  | 'focus'
  | 'purpose'
>

/**
 * What a shot was pulled with, as it stood when it was pulled.
 * @param asked those who teach, who may still be asked for
 */
export async function stoodThen(
  transaction: AcademyTransaction,
  shot: Named,
  pulledAt: Date,
  asked: Promise<ReadonlySet<string>>,
): Promise<AsItStood> {
  const { bagId, machineId, grinderId } = shot
  const [things, [recipe], { timeZone }, focus, teachers] = await together([
    thingsAt(transaction, present([bagId, machineId, grinderId]), pulledAt),
    findRecipeRevisions(transaction, [shot.recipeRevisionId]),
    findAcademy(transaction),
    focusOf(transaction, shot),
    asked,
  ])
  const recipesBasketId = recipe?.method.basketId ?? null
  return standsNow(pulledWith({ ...shot, recipesBasketId }, things), {
    pulledAt: pulledAt.toISOString(),
    timeZone,
    isPullerTeaching: teachers.has(shot.personId),
    focus,
  })
}

/** What a shot was looked at for: only what whoever leads had set it to, or less would be judged of it than of others'. */
async function focusOf(
  transaction: AcademyTransaction,
  { trainingId, focus, purpose }: Pick<ShotInput, 'trainingId' | 'focus' | 'purpose'>,
): Promise<Focus | null> {
  if (trainingId === null || focus === null || purpose === 'assessment') return null
  const events = await eventsOf(transaction, trainingId)
  const isTheirs = events.some(
    ({ happening }) => happening.kind === 'focused' && isSameFocus(happening.focus, focus),
  )
  return isTheirs ? focus : null
}

const present = (ids: readonly (string | null)[]) => ids.filter((each) => each !== null)
