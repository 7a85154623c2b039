import { defineStore } from 'pinia'
import { ref, toRaw } from 'vue'
import type { ShotDraft } from '../bar/shotDraft.ts'
import { deviceDatabase } from './deviceDatabase.ts'

/** Half-entered shots and corrections of this device; each survives reloads until it is recorded or thrown away. */
export const useDrafts = defineStore('drafts', () => {
  const drafts = ref<ShotDraft[]>([])

  async function reload(): Promise<void> {
    drafts.value = await (await deviceDatabase()).getAll('drafts')
  }

  async function find(shotId: string): Promise<ShotDraft | null> {
    return (await (await deviceDatabase()).get('drafts', shotId)) ?? null
  }

  async function keep(draft: ShotDraft): Promise<void> {
    // The database can't clone reactive parts; a draft is plain JSON, so it comes back as it went.
    await (await deviceDatabase()).put('drafts', JSON.parse(JSON.stringify(toRaw(draft))) as ShotDraft)
  }

  async function drop(shotId: string): Promise<void> {
    await (await deviceDatabase()).delete('drafts', shotId)
    await reload()
  }

  return { drafts, reload, find, keep, drop }
})
