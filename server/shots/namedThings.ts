import type { FieldError, PreparedKind, ShotInput } from '@calm-apron/contract'
import type { AcademyTransaction } from '../database/pool.ts'
import { kindOfRevision, kindsOf } from '../prepare/queries.ts'
import { Refusal } from '../refusal.ts'

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
  const errors = await wrongThings(transaction, [
    ['barId', 'bar', shot.barId],
    ['grinderId', 'grinder', shot.grinderId],
    ['bagId', 'bag', shot.bagId],
    ['machineId', 'machine', shot.machineId],
    ...vesselsOf(facts),
  ])
  if ((await kindOfRevision(transaction, shot.recipeRevisionId)) !== 'recipe')
    errors.push(unknownId('recipeRevisionId'))
  if (errors.length > 0) throw new Refusal('invalid-input', 'What the shot names is not there.', errors)
}

/** The same of a correction, which names vessels only. @throws {Refusal} `invalid-input` */
export async function refuseWrongVessels(transaction: AcademyTransaction, facts: Facts): Promise<void> {
  const errors = await wrongThings(transaction, vesselsOf(facts))
  if (errors.length > 0) throw new Refusal('invalid-input', 'What the shot names is not there.', errors)
}

type Named = [path: string, kind: PreparedKind, preparedId: string | null]

function vesselsOf({ dose, cup }: Facts): Named[] {
  return [
    ['facts.dose.vesselId', 'vessel', dose?.by === 'gross' ? dose.vesselId : null],
    ['facts.cup.vesselId', 'vessel', cup?.by === 'gross' ? cup.vesselId : null],
  ]
}

async function wrongThings(transaction: AcademyTransaction, named: readonly Named[]): Promise<FieldError[]> {
  const kinds = await kindsOf(
    transaction,
    named.flatMap(([, , preparedId]) => preparedId ?? []),
  )
  return named
    .filter(([, kind, preparedId]) => preparedId !== null && kinds.get(preparedId) !== kind)
    .map(([path]) => unknownId(path))
}

function unknownId(path: string): FieldError {
  return { path, reason: 'unknown-id', message: 'There is nothing by this id.' }
}
