import type { FileThing, RoutineStep } from '@calm-apron/contract'
import { PRESET_STEPS, type RoutinePreset, shippedStep } from '@calm-apron/core'
import { demoId } from './ids.ts'

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
    content: { name, isOrderEnforced: false, steps: [...PRESET_STEPS[preset].map(shippedStep), ...own] },
  },
})

export const ROUTINES: FileThing[] = [
  routine(1, 'Quay room, by weight', 'by-weight', [
    {
      ...shippedStep('rinse'),
      key: null,
      what: 'Turn the handle towards the next person',
      reason: 'Whoever comes next finds it without looking.',
      isSafety: false,
      observedBy: 'self',
    },
  ]),
  routine(2, 'Loft lever', 'lever'),
  routine(3, 'Sail loft, to the line', 'basket-line'),
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
