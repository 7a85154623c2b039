import { asKind, programmeOf } from '@calm-apron/contract'
import {
  type Programme,
  type Seat,
  type SeenInSet,
  type SetProgress,
  cupCodes,
  setProgress,
  termsFor,
} from '@calm-apron/core'
import { computed } from 'vue'
import { programmesAsked } from '../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import type { ListedShot } from '../../data/queries/useShots.ts'
import { readListed } from '../reading/readListed.ts'
import type { OpenAssessment } from './assessments.ts'

/** The programmes of the house, by name. */
export function useProgrammes() {
  const answer = useAnswer(programmesAsked)
  const programmes = computed(() =>
    (answer.value.value?.things ?? []).flatMap((record) => asKind(record, 'programme') ?? []),
  )
  const byId = (programmeId: string) =>
    programmes.value.find(({ preparedId }) => preparedId === programmeId) ?? null
  return { programmes, byId, state: answer.state }
}

const pulledIn = (assessmentId: string, listed: readonly ListedShot[]) =>
  listed
    .filter(({ shot }) => shot.assessmentId === assessmentId)
    .toSorted((a, b) => a.shot.pulledAt.localeCompare(b.shot.pulledAt))

/** How far a set is by the shots that this tablet knows, sent or not: told by the very rule by which the server tells it. */
export function progressHere(
  { assessmentId, state }: OpenAssessment,
  programme: Pick<Programme, 'set'>,
  listed: readonly ListedShot[],
): SetProgress<SeenInSet> {
  const shots = pulledIn(assessmentId, listed).map((each) => {
    const { shotId, personId, pulledAt, purpose } = each.shot
    return { shotId, personId, pulledAt, readings: readListed(each), context: { purpose } }
  })
  return setProgress(shots, state.setup.personId, programme)
}

/** The digits that the newest cup of a set bears while it is tasted; null where nobody tastes, or nothing was pulled. */
export function lastCup(
  { assessmentId, state }: OpenAssessment,
  listed: readonly ListedShot[],
): string | null {
  if (!state.setup.isTasted) return null
  const codes = cupCodes(pulledIn(assessmentId, listed).map(({ shot }) => shot.shotId))
  return [...codes.values()].at(-1) ?? null
}

/** The programme of a set, as core judges by it; null while it is not known. */
export function useProgrammeOf(assessment: () => OpenAssessment) {
  const { byId } = useProgrammes()
  return computed(() => {
    const found = byId(assessment().state.setup.programmeId)
    if (found === null) return null
    return { name: found.content.name, ...termsFor(programmeOf(found.content), assessment().state.setup) }
  })
}

/** The seat of whoever pulls at the group of a set. */
export const seatAt = ({ state: { setup } }: OpenAssessment, personId: string): Seat => ({
  personId,
  machineId: setup.machineId,
  groupNo: setup.groupNo,
})
