import { defineStore } from 'pinia'
import { ref } from 'vue'
import { type ShotDraft, upToDate } from '../bar/shotDraft.ts'
import { type KeptDraft, asPlain, deviceDatabase } from './deviceDatabase.ts'
import { useDoor } from './door.ts'
import { useOutbox } from './outbox.ts'

/** Half-entered shots and corrections of this device; each survives reloads until it is recorded or thrown away. */
export const useDrafts = defineStore('drafts', () => {
  const door = useDoor()
  const outbox = useOutbox()
  const drafts = ref<ShotDraft[]>([])

  /** What whoever is here may go on with. */
  function isForHere({ academyId, personId }: KeptDraft): boolean {
    const isOwn = personId === door.session?.person.personId
    return academyId === door.session?.academy.academyId && door.may('record-shot', isOwn)
  }

  async function reload(): Promise<void> {
    drafts.value = (await (await deviceDatabase()).getAll('drafts')).filter(isForHere).map(upToDate)
  }

  async function find(shotId: string): Promise<ShotDraft | null> {
    const found = await (await deviceDatabase()).get('drafts', shotId)
    return found !== undefined && isForHere(found) ? upToDate(found) : null
  }

  async function keep(draft: ShotDraft): Promise<void> {
    const academyId = door.session?.academy.academyId ?? ''
    await outbox.keeping(async () => (await deviceDatabase()).put('drafts', asPlain({ ...draft, academyId })))
  }

  async function drop(shotId: string): Promise<void> {
    await (await deviceDatabase()).delete('drafts', shotId)
    await reload()
  }

  return { drafts, reload, find, keep, drop }
})
