import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { ShotDraft } from '../bar/shotDraft.ts'
import { asPlain, deviceDatabase } from './deviceDatabase.ts'

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
    await (await deviceDatabase()).put('drafts', asPlain(draft))
  }

  async function drop(shotId: string): Promise<void> {
    await (await deviceDatabase()).delete('drafts', shotId)
    await reload()
  }

  return { drafts, reload, find, keep, drop }
})
