import {
  type AssessmentEventInput,
  type Part,
  type ProgrammeContent,
  asKind,
  programmeOf,
  reachOf,
} from '@calm-apron/contract'
import {
  type AssessmentDue,
  type AssessmentHappening,
  type SignedOff,
  type SignedPart,
  assessmentDue,
  dateInZone,
  hasSeenFirst,
  partsOf,
} from '@calm-apron/core'
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
import { type Stood, stoodAt } from './stood.ts'

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
  const content = await refuseWrongSetup(errand, by, setup)
  await refuseUnfair(errand, { by, setup, text, content })
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

/** What is named must be there; its programme, as it stood in its revision. @throws {Refusal} `invalid-input` */
async function refuseWrongSetup(
  { transaction }: Errand,
  by: string,
  setup: Setup,
): Promise<ProgrammeContent> {
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
  return programme
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

/**
 * Not by whoever trained them, not twice a day, and not before the run is there, unless a reason is given; of what is due or of all,
 * and under appeal only afresh, by somebody who has not seen the first.
 */
async function refuseUnfair(
  errand: Errand,
  { by, setup, text, content }: { by: string; setup: Setup; text: string; content: ProgrammeContent },
): Promise<void> {
  const { transaction, now } = errand
  const stood = stoodAt(await assessmentsOf(transaction, setup.personId), now)
  const { timeZone } = await findAcademy(transaction)
  const programmes = await programmesStood(errand, setup.personId, { stood, timeZone })
  const programme = programmes.find(({ programmeId }) => programmeId === setup.programmeId)
  if (programme === undefined)
    throw refuseField('happening.setup.programmeId', 'put-away', 'This programme was put away.')
  const { standing, lacking, trainedBy } = programme
  const isLookOn = standing.is === 'signed' && standing.look !== null
  if (standing.is === 'running' || standing.is === 'to-decide' || isLookOn)
    throw refuseField('happening.setup.programmeId', 'on-already', 'An assessment in this is on already.')
  refuseNotDue(setup, assessmentDue(standing, programmeOf(content)), content)
  const teaching = await countTeaching(transaction)
  // What was pulled without network is kept: it says so, and their trainer does not sign it all the same.
  const isKnown = setup.isOffline === undefined || text === ''
  if (trainedBy === by && teaching > 1 && isKnown)
    throw refuseField(
      'by',
      'their-trainer',
      'Whoever trained them does not assess them, where there is another.',
    )
  if (standing.is === 'under-appeal') {
    refuseSeen(by, standing, stood, teaching)
    return
  }
  const today = dateInZone(now, timeZone)
  // A card is gone through again whenever there is time.
  const isSet = setup.trainingId !== null
  if (isSet && standing.is === 'not-yet' && today < standing.from && text === '')
    throw refuseField('text', 'too-soon', `It is repeated from ${standing.from}, or a reason is given.`)
  // What they are looked at again for was there once.
  if (setup.isLook !== true && lacking.length > 0 && text === '')
    throw refuseField('text', 'reason-needed', 'Not all that comes before is there: give a reason.')
}

/** All that the programme judges, or what is due: nobody is signed off by parts alone. */
function refuseNotDue(setup: Setup, due: AssessmentDue, content: ProgrammeContent): void {
  const isOf = (parts: readonly SignedPart[]) =>
    parts.length === setup.parts.length && parts.every((part) => setup.parts.includes(part))
  const isWhole =
    setup.after === undefined && setup.isLook === undefined && isOf(partsOf(programmeOf(content)))
  const isDue = setup.after === due.after && setup.isLook === due.isLook && isOf(due.parts)
  if (!isWhole && !isDue)
    throw refuseField(
      'happening.setup.parts',
      'not-due',
      'A set judges all of its programme, or what is open of the one before.',
    )
}

/** A fresh set that was asked for is assessed by somebody who neither began nor decided the first, where there is one. */
function refuseSeen(
  by: string,
  { assessmentId, afresh }: Extract<SignedOff, { is: 'under-appeal' }>,
  stood: readonly Stood[],
  teaching: number,
): void {
  if (afresh === null)
    throw refuseField('happening.setup.programmeId', 'under-appeal', 'Somebody else looks at it again first.')
  const first = stood.find((each) => each.assessmentId === assessmentId)?.state
  if (first !== undefined && hasSeenFirst(first, by, teaching))
    throw refuseField('by', 'has-seen', 'Whoever has seen the first set does not assess the fresh one.')
}
