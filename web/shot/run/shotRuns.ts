import { usualFirstDropS } from '@calm-apron/core'
import { defineStore } from 'pinia'
import { effectScope } from 'vue'
import { groupKey } from '../../data/devices/groupKey.ts'
import { useDevices } from '../../data/devices/devices.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useStoodNow } from '../../data/academy/stoodNow.ts'
import { useDrafts } from '../draft/drafts.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { useDraft } from '../draft/useDraft.ts'
import { useHelp } from './useHelp.ts'
import { useOpenRuns } from './openRuns.ts'
import { useRecording } from './useRecording.ts'
import { useSeries } from './useSeries.ts'
import { useShotClock } from './useShotClock.ts'

/** One shot that is under way on this tablet, whether its page is looked at or not. */
export type ShotRun = ReturnType<typeof makeRun>

function makeRun(found: ShotDraft) {
  const academy = useAcademy()
  const devices = useDevices()
  const entered = useDraft(found)
  const { draft, recipe } = entered
  const device = devices.at(groupKey(draft.machineId, draft.groupNo))
  const clock = useShotClock(draft.clock)
  const series = useSeries(draft.shotId)
  const { isTeaching } = useStoodNow()
  const usualDropS = () => usualFirstDropS(recipe.value?.targets ?? { firstDropMinS: 5, firstDropMaxS: 10 })
  const help = useHelp(draft, () => isTeaching(draft.personId))
  const recording = useRecording({
    draft,
    clock,
    series,
    device,
    isHelped: () => help.isOn.value,
    isCueOn: () => help.isCueOn.value,
    targetG: () => recipe.value?.targets.yieldG ?? null,
    cupsG: () => entered.vessels.value.filter(({ kind }) => kind === 'cup').map(({ emptyG }) => emptyG),
    leadsG: () => academy.leadsOf(draft.machineId),
    usualFirstDropS: usualDropS,
  })
  void series.restore()
  return { ...entered, device, clock, series, recording, help, usualDropS }
}

/** The shots under way: two groups on one tablet go on side by side, whichever is looked at. */
export const useShotRuns = defineStore('shot-runs', () => {
  const drafts = useDrafts()
  const { runs, close } = useOpenRuns()

  /** The shot by this id as it runs, or as it was left on this device; null where it is not here. */
  async function open(shotId: string): Promise<ShotRun | null> {
    const known = runs.get(shotId)
    if (known) return known.run
    const found = await drafts.find(shotId)
    if (found === null || found.correcting !== null) return null
    const scope = effectScope(true)
    const run = scope.run(() => makeRun(found))
    if (!run) return null
    runs.set(shotId, { run, scope })
    return run
  }

  return { runs, open, close }
})
