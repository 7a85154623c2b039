import { defineStore } from 'pinia'
import { type EffectScope, shallowReactive } from 'vue'
import type { ShotRun } from './shotRuns.ts'

/** The shots under way on this tablet. Apart from what runs them, which a place that only ends one need not fetch. */
export const useOpenRuns = defineStore('open-runs', () => {
  const runs = shallowReactive(new Map<string, { run: ShotRun; scope: EffectScope }>())

  /** A shot that was recorded, or thrown away, is under way no more. */
  function close(shotId: string): void {
    runs.get(shotId)?.scope.stop()
    runs.delete(shotId)
  }

  return { runs, close }
})
