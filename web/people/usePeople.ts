import { ENDPOINTS, type PersonChange, type PersonRecord, personRecord } from '@calm-apron/contract'
import { ref } from 'vue'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'

export type PeopleState = 'looking' | 'here' | 'unreachable'

/** The academy's people as the server has them; they can't be changed without it. */
export function usePeople() {
  const people = ref<PersonRecord[]>([])
  const state = ref<PeopleState>('looking')

  async function load(): Promise<void> {
    try {
      people.value = (await call(ENDPOINTS.listPeople)).people
      state.value = 'here'
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
      state.value = 'unreachable'
    }
  }

  /** Puts a person's newest record in the place of the old one. */
  function replace(person: PersonRecord): void {
    people.value = people.value.map((each) => (each.personId === person.personId ? person : each))
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

  return { people, state, load, replace, change }
}
