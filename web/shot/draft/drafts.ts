import type { ShotInput } from '@calm-apron/contract'
import { defineStore } from 'pinia'
import { computed, shallowRef, ref } from 'vue'
import { type ShotDraft, upToDate } from './shotDraft.ts'
import { type KeptDraft, asPlain, deviceDatabase } from '../../data/device/deviceDatabase.ts'
import { writeOnDevice } from '../../data/device/writeOnDevice.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'

/** Half-entered shots and corrections of this device; each survives reloads until it is recorded or thrown away. */
export const useDrafts = defineStore('drafts', () => {
  const door = useDoor()
  const outbox = useOutbox()
  const all = shallowRef<KeptDraft[]>([])
  /** Whether the device was asked for them, and had its say. */
  const isRead = ref(false)

  /** What whoever is here may go on with; one that was recorded on a device without room still lies there. */
  function isForHere({ academyId, personId, shotId, correcting }: KeptDraft): boolean {
    const isOwn = personId === door.session?.person.personId
    const isRecorded = outbox.writes.some((write) => write.kind === 'shot' && write.shotId === shotId)
    if (correcting === null && isRecorded) return false
    return academyId === door.session?.academy.academyId && door.may('record-shot', isOwn)
  }

  const drafts = computed(() => all.value.filter(isForHere).map(asDraft))

  async function reload(): Promise<void> {
    try {
      all.value = await (await deviceDatabase()).getAll('drafts')
    } finally {
      isRead.value = true
    }
  }

  async function find(shotId: string): Promise<ShotDraft | null> {
    const found = await (await deviceDatabase()).get('drafts', shotId)
    return found !== undefined && isForHere(found) ? asDraft(found) : null
  }

  async function keep(draft: ShotDraft): Promise<void> {
    const academyId = door.session?.academy.academyId ?? ''
    await outbox.keeping(() =>
      writeOnDevice(['drafts'], (store) => [store('drafts').put(asPlain({ ...draft, academyId }))]),
    )
  }

  /** Makes a draft again of what was recorded, with what sensors saw of it, both or neither; tells whether there was room. */
  async function takeBack(draft: ShotDraft, series: ShotInput['series']): Promise<boolean> {
    const academyId = door.session?.academy.academyId ?? ''
    const packed = { weight: series?.weight ?? '', pressure: series?.pressure ?? '' }
    return outbox.keeping(() =>
      writeOnDevice(['drafts', 'series'], (store) => [
        store('drafts').put(asPlain({ ...draft, academyId })),
        ...(series === null ? [] : [store('series').put(packed, draft.shotId)]),
      ]),
    )
  }

  async function drop(shotId: string): Promise<void> {
    await writeOnDevice(['drafts'], (store) => [store('drafts').delete(shotId)])
    await reload()
  }

  void reload()
  return { drafts, isRead, reload, find, keep, takeBack, drop }
})

/** As this release, or an earlier one, kept it. */
function asDraft(kept: KeptDraft): ShotDraft {
  // The device's database knows of a draft only what it is found by; all else is as this module kept it.
  return upToDate(kept as unknown as Parameters<typeof upToDate>[0])
}
