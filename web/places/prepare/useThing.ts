import {
  ENDPOINTS,
  type PreparedDetail,
  type PreparedInput,
  type PreparedRecord,
  preparedInput,
  preparedRecord,
} from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { ref, shallowRef } from 'vue'
import { call } from '../../data/api/client.ts'
import { RefusedByServer } from '../../kit/failures.ts'
import { useAcademy } from '../../data/academy/academy.ts'

/** What a change led to: stored, or somebody else was first and both versions are there to choose from. */
export type Saved = 'saved' | 'conflict'

/** One thing that is prepared: changing it, taking that back, putting it away, copying it. */
export function useThing(found: PreparedRecord) {
  const academy = useAcademy()
  const record = shallowRef(found)
  /** What stood before the last change, so that it can be taken back. */
  const before = shallowRef<PreparedRecord | null>(null)
  const theirs = shallowRef<PreparedRecord | null>(null)
  const justDone = ref<'saved' | 'put-away' | 'brought-back' | 'undone' | null>(null)

  const thingOf = (content: unknown): PreparedInput =>
    preparedInput.parse({ kind: record.value.kind, parentId: record.value.parentId, content })

  /** Stores a content as the next revision. @throws {RefusedByServer} for all but a conflict */
  async function save(content: unknown, basedOnNo = record.value.revisionNo): Promise<Saved> {
    const { preparedId } = record.value
    const was = record.value
    try {
      record.value = await call(ENDPOINTS.putPreparedRevision, {
        params: { preparedId, revisionId: uuidv7() },
        body: { basedOnNo, thing: thingOf(content) },
      })
    } catch (error) {
      if (!(error instanceof RefusedByServer) || error.problem.code !== 'changed-meanwhile') throw error
      theirs.value = preparedRecord.parse(error.problem.versions?.current)
      return 'conflict'
    }
    before.value = was
    theirs.value = null
    justDone.value = 'saved'
    void academy.load()
    return 'saved'
  }

  /** Takes what the other one stored, and drops one's own. */
  function takeTheirs(): void {
    if (theirs.value) record.value = theirs.value
    theirs.value = null
  }

  /** Takes the last change back: the former content becomes the newest revision. */
  async function undo(): Promise<void> {
    if (justDone.value === 'put-away') return archive(false)
    const former = before.value
    if (former === null) return
    await save(former.content)
    before.value = null
    justDone.value = 'undone'
  }

  async function archive(isArchived: boolean): Promise<void> {
    const { preparedId } = record.value
    record.value = await call(ENDPOINTS.archivePrepared, { params: { preparedId }, body: { isArchived } })
    justDone.value = isArchived ? 'put-away' : 'brought-back'
    void academy.load()
  }

  async function revisions(): Promise<PreparedDetail['revisions']> {
    return (await call(ENDPOINTS.getPrepared, { params: { preparedId: record.value.preparedId } })).revisions
  }

  /** Makes a second thing that says the same under another name; returns it. */
  async function copyAs(name: string): Promise<PreparedRecord> {
    return makeThing(thingOf({ ...record.value.content, name }))
  }

  return { record, before, theirs, justDone, save, takeTheirs, undo, archive, revisions, copyAs }
}

/** Makes a new thing, under an id that is made here. */
export async function makeThing(thing: PreparedInput, preparedId = uuidv7()): Promise<PreparedRecord> {
  return call(ENDPOINTS.putPrepared, { params: { preparedId }, body: thing })
}
