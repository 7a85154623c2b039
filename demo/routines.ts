import type { FileThing, RoutineStep } from '@calm-apron/contract'
import {
  FULL_VIEW_ONLY,
  PRESET_STEPS,
  SAFETY_STEPS,
  type RoutinePreset,
  type StepKey,
  TIMER_OF_STEP,
  TIMER_SECONDS,
} from '@calm-apron/core'
import { demoId } from './ids.ts'

/** A known step as it ships: its words are the catalogue's. */
function shipped(key: StepKey): RoutineStep {
  const timer = TIMER_OF_STEP[key] ?? 'none'
  return {
    key,
    what: '',
    reason: '',
    mistake: '',
    caution: '',
    isSafety: SAFETY_STEPS.includes(key),
    observedBy: 'trainer',
    timer,
    timerS: TIMER_SECONDS[timer],
    isInShortView: !FULL_VIEW_ONLY.includes(key),
  }
}

const routine = (
  number: number,
  name: string,
  preset: RoutinePreset,
  own: RoutineStep[] = [],
): FileThing => ({
  preparedId: demoId('routine', number),
  thing: {
    kind: 'routine',
    parentId: null,
    content: { name, isOrderEnforced: false, steps: [...PRESET_STEPS[preset].map(shipped), ...own] },
  },
})

export const ROUTINES: FileThing[] = [
  routine(1, 'Quay room, by weight', 'by-weight', [
    {
      ...shipped('rinse'),
      key: null,
      what: 'Turn the handle towards the next person',
      reason: 'Whoever comes next finds it without looking.',
      isSafety: false,
      observedBy: 'self',
    },
  ]),
  routine(2, 'Loft lever', 'lever'),
]

export const CAUTIONS: FileThing[] = [
  {
    preparedId: demoId('caution', 1),
    thing: {
      kind: 'caution',
      parentId: null,
      content: {
        name: 'Stairs to the loft',
        key: null,
        act: 'any',
        text: 'Never carry hot cups down the loft stairs: use the tray lift.',
      },
    },
  },
]
