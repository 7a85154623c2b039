import { ENDPOINTS, type PersonChange, type PersonRecord, personRecord } from '@calm-apron/contract'
import { computed } from 'vue'
import { call } from '../../data/api/client.ts'
import { RefusedByServer } from '../../kit/failures.ts'
import { peopleAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'

/** The academy's people as the server has them; they can't be changed without it. */
export function usePeople() {
  const answer = useAnswer(peopleAsked)
  const people = computed<PersonRecord[]>(() => answer.value.value?.people ?? [])
  const state = computed(() => {
    if (answer.value.value !== null) return 'here'
    return answer.state.value === 'away' ? 'unreachable' : 'looking'
  })

  /** Puts a person's newest record in the place of the old one. */
  function replace(person: PersonRecord): void {
    answer.tell({
      people: people.value.map((each) => (each.personId === person.personId ? person : each)),
    })
  }

  /** Changes a person; where someone else was first, theirs is shown and `isConflict` says so. */
  async function change(
    person: PersonRecord,
    what: Omit<PersonChange, 'basedOnNo'>,
  ): Promise<{ isConflict: boolean }> {
    const { personId, revisionNo: basedOnNo } = person
    try {
      replace(await call(ENDPOINTS.changePerson, { params: { personId }, body: { basedOnNo, ...what } }))
      return { isConflict: false }
    } catch (error) {
      if (!(error instanceof RefusedByServer) || error.problem.code !== 'changed-meanwhile') throw error
      replace(personRecord.parse(error.problem.versions?.current))
      return { isConflict: true }
    }
  }

  return { people, state, load: answer.load, replace, change }
}
