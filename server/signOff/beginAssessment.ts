import {
  type AssessmentEventInput,
  type Part,
  type ProgrammeContent,
  asKind,
  programmeOf,
  reachOf,
} from '@calm-apron/contract'
import { type AssessmentHappening, dateInZone, partsOf } from '@calm-apron/core'
import { findAcademy } from '../academies/queries.ts'
import { deviceInstant } from '../http/clock.ts'
import type { Errand } from '../http/serve.ts'
import { countTeaching, roleOf } from '../people/queries.ts'
import { type Named, refuseWrong, wrongNamesAndRecipe } from '../prepare/namedThings.ts'
import { findPrepared } from '../prepare/queries.ts'
import { findRecipeRevisions } from '../shots/queries.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { eventsOf } from '../training/queries.ts'
import { assessmentsOf, findAssessment, insertAssessment, programmeRevisions } from './queries.ts'
import { programmesStood } from './readSignOffs.ts'
import { stoodAt } from './stood.ts'

/** What is noted, whichever way it came. */
export type Sent = Omit<AssessmentEventInput, 'happening'> & { happening: AssessmentHappening }

/** The part that whoever it is said by plays here. */
export async function partOf({ actor, transaction }: Errand, by: string): Promise<Part> {
  return by === actor.personId ? actor.part : ((await roleOf(transaction, by)) ?? 'trainee')
}

type Setup = Extract<AssessmentHappening, { kind: 'begun' }>['setup']

/**
 * Begins an assessment: by somebody who teaches, of somebody else, in a programme of the house.
 * @throws {Refusal} `not-allowed`, `id-taken`, `invalid-input`
 */
export async function beginAssessment(
  errand: Errand,
  assessmentId: string,
  { by, happening, at, text }: Sent,
): Promise<void> {
  const { actor, transaction, now } = errand
  if (happening.kind !== 'begun') return
  const { setup } = happening
  if (reachOf(await partOf(errand, by), 'sign') === 'none')
    throw new Refusal('not-allowed', 'A set is begun by those who teach.')
  if ((await findAssessment(transaction, assessmentId)) !== null)
    throw new Refusal('id-taken', 'Another assessment was begun under this id.')
  await refuseWrongSetup(errand, by, setup)
  await refuseUnfair(errand, by, setup, text)
  await insertAssessment(transaction, {
    academyId: actor.academyId,
    assessmentId,
    personId: setup.personId,
    programmeId: setup.programmeId,
    begunAt: deviceInstant(at, now).at,
    // There is nothing to seal where things are ticked off.
    closedAt: setup.trainingId === null ? now : null,
  })
}

/** What is named must be there. @throws {Refusal} `invalid-input` */
async function refuseWrongSetup({ transaction }: Errand, by: string, setup: Setup): Promise<void> {
  const at = (field: string) => `happening.setup.${field}`
  if ((await roleOf(transaction, setup.personId)) === null)
    throw refuseField(at('personId'), 'unknown-id', 'There is nobody by this id.')
  if (setup.personId === by) throw refuseField(at('personId'), 'not-oneself', 'Nobody assesses themselves.')
  const programme = (await programmeRevisions(transaction, [setup.programmeRevisionId])).get(
    setup.programmeRevisionId,
  )
  if (programme?.programmeId !== setup.programmeId)
    throw refuseField(at('programmeRevisionId'), 'unknown-id', 'There is no such programme.')
  await refuseOutside(transaction, setup, programme)
  const judged = partsOf(programmeOf(programme))
  if (setup.parts.some((part) => !judged.includes(part)))
    throw refuseField(at('parts'), 'not-in-programme', 'The programme does not judge this.')
  if ((programme.way === 'ticks') !== (setup.trainingId === null))
    throw refuseField(at('trainingId'), 'missing', 'A set is pulled in a training; a card of ticks is not.')
  const named: Named[] = [
    [at('machineId'), 'machine', setup.machineId],
    [at('grinderId'), 'grinder', setup.grinderId],
  ]
  if (setup.recipeRevisionId !== null)
    refuseWrong(
      await wrongNamesAndRecipe(transaction, named, [at('recipeRevisionId'), setup.recipeRevisionId]),
    )
  if (setup.trainingId !== null && (await eventsOf(transaction, setup.trainingId)).length === 0)
    throw refuseField(at('trainingId'), 'unknown-id', 'There is no such training.')
}

/** A programme may be of certain recipes, and of certain kinds of machine. */
async function refuseOutside(
  transaction: Errand['transaction'],
  { recipeRevisionId, machineId }: Setup,
  { recipes, machineKinds }: Pick<ProgrammeContent, 'recipes' | 'machineKinds'>,
): Promise<void> {
  const [recipe] = recipeRevisionId === null ? [] : await findRecipeRevisions(transaction, [recipeRevisionId])
  const isItsRecipe = recipes.length === 0 || recipes.some(({ recipeId }) => recipeId === recipe?.recipeId)
  if (recipeRevisionId !== null && !isItsRecipe)
    throw refuseField(
      'happening.setup.recipeRevisionId',
      'not-in-programme',
      'The programme is of other recipes.',
    )
  if (machineKinds.length === 0 || machineId === null) return
  const [record] = await findPrepared(transaction, [machineId])
  const machine = record === undefined ? null : asKind(record, 'machine')
  if (machine !== null && !machineKinds.includes(machine.content.kind))
    throw refuseField('happening.setup.machineId', 'not-in-programme', 'The programme is of other machines.')
}

/** Not by whoever trained them, not twice a day, and not before the run is there, unless a reason is given. */
async function refuseUnfair(errand: Errand, by: string, setup: Setup, text: string): Promise<void> {
  const { transaction, now } = errand
  const stood = stoodAt(await assessmentsOf(transaction, setup.personId), now)
  const programmes = await programmesStood(errand, setup.personId, stood)
  const programme = programmes.find(({ programmeId }) => programmeId === setup.programmeId)
  if (programme === undefined)
    throw refuseField('happening.setup.programmeId', 'put-away', 'This programme was put away.')
  const { standing, lacking, trainedBy } = programme
  if (standing.is === 'running' || standing.is === 'to-decide')
    throw refuseField('happening.setup.programmeId', 'on-already', 'An assessment in this is on already.')
  if (trainedBy === by && (await countTeaching(transaction)) > 1)
    throw refuseField(
      'by',
      'their-trainer',
      'Whoever trained them does not assess them, where there is another.',
    )
  const { timeZone } = await findAcademy(transaction)
  const today = dateInZone(now, timeZone)
  if (standing.is === 'not-yet' && today < standing.from && text === '')
    throw refuseField('text', 'too-soon', `It is repeated from ${standing.from}, or a reason is given.`)
  if (standing.is !== 'under-appeal' && lacking.length > 0 && text === '')
    throw refuseField('text', 'reason-needed', 'Not all that comes before is there: give a reason.')
}
