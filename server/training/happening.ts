import type { Action, AuditKind } from '@calm-apron/contract'
import type { TrainingHappening } from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { rolesOf } from '../people/queries.ts'
import { type Named, refuseWrong, wrongNamesAndRecipe } from '../prepare/namedThings.ts'
import { unknownId } from '../prepare/references.ts'

/** What may be noted by whom: a setting is locked by whoever may dial in, all else by those who lead. */
export const ACTION_OF = {
  started: 'lead-training',
  changed: 'lead-training',
  focused: 'lead-training',
  'break-began': 'lead-training',
  'break-ended': 'lead-training',
  locked: 'dial-in',
  unlocked: 'dial-in',
  ended: 'lead-training',
  reopened: 'lead-training',
} as const satisfies Record<TrainingHappening['kind'], Action>

/** What leaves a trace: beginnings, ends and who is where; the focus, breaks and locks tell of themselves. */
export const TRACE_OF: Readonly<Partial<Record<TrainingHappening['kind'], AuditKind>>> = {
  started: 'training-started',
  changed: 'training-changed',
  ended: 'training-ended',
  reopened: 'training-reopened',
}

/**
 * Sees to it that what an event names is there and of the right kind; what is another academy’s is as little there as
 * what nobody has.
 * @throws {Refusal} `invalid-input` naming each field that leads elsewhere
 */
export async function refuseWrongSetup(
  transaction: AcademyTransaction,
  happening: TrainingHappening,
): Promise<void> {
  if ('setup' in happening) await refuseSetup(transaction, happening)
  if (happening.kind === 'locked') await refuseLock(transaction, happening)
}

async function refuseSetup(
  transaction: AcademyTransaction,
  { setup }: Extract<TrainingHappening, { setup: object }>,
): Promise<void> {
  const at = (field: string) => `happening.setup.${field}`
  const people = await rolesOf(
    transaction,
    setup.seats.map(({ personId }) => personId),
  )
  refuseWrong([
    ...(await wrongNamesAndRecipe(
      transaction,
      [
        [at('barId'), 'bar', setup.barId],
        [at('grinderId'), 'grinder', setup.grinderId],
        [at('bagId'), 'bag', setup.bagId],
        [at('routineId'), 'routine', setup.routineId],
        ...setup.seats.flatMap(({ machineId, with: own }, no): Named[] => [
          [at(`seats.${no}.machineId`), 'machine', machineId],
          [at(`seats.${no}.with.grinderId`), 'grinder', own?.grinderId ?? null],
          [at(`seats.${no}.with.routineId`), 'routine', own?.routineId ?? null],
        ]),
      ],
      [at('recipeRevisionId'), setup.recipeRevisionId],
      ...(setup.alsoRecipeRevisionIds ?? []).map(
        (each, no) => [at(`alsoRecipeRevisionIds.${no}`), each] as const,
      ),
      ...setup.seats.flatMap(({ with: own }, no) =>
        own?.recipeRevisionId === undefined
          ? []
          : [[at(`seats.${no}.with.recipeRevisionId`), own.recipeRevisionId] as const],
      ),
    )),
    ...setup.seats.flatMap(({ personId }, no) =>
      people.has(personId) ? [] : [unknownId(at(`seats.${no}.personId`))],
    ),
  ])
}

async function refuseLock(
  transaction: AcademyTransaction,
  { lock }: Extract<TrainingHappening, { kind: 'locked' }>,
): Promise<void> {
  const at = (field: string) => `happening.lock.${field}`
  const named: Named[] = [
    [at('grinderId'), 'grinder', lock.grinderId],
    [at('bagId'), 'bag', lock.bagId],
    [at('basketId'), 'basket', lock.basketId],
  ]
  refuseWrong(await wrongNamesAndRecipe(transaction, named, [at('recipeRevisionId'), lock.recipeRevisionId]))
}
