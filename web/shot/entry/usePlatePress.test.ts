import { BASE_UNITS } from '@calm-apron/core'
import { nextTick, reactive, ref } from 'vue'
import { byHand } from '../../data/devices/byHand.ts'
import { DRAFT } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { readDraft } from '../draft/readDraft.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { usePlatePress } from './usePlatePress.ts'

test.each([
  ['N', '131'],
  ['kgf', '13.4'],
] as const)(
  'a press on the plate is stored in newtons, whatever forces are typed in: %s',
  async (force, text) => {
    const draft = reactive<ShotDraft>({
      ...DRAFT,
      texts: { ...DRAFT.texts },
      units: { ...BASE_UNITS, force },
    })
    const plate = ref<{ plate?: { sensor: 'plate'; value: number; atS: number } }>({})
    const feel = async (value: number) => {
      plate.value = { plate: { sensor: 'plate', value, atS: 0 } }
      await nextTick()
    }
    const { result, end } = await inSetup(() =>
      usePlatePress(
        () => draft,
        () => ({ ...byHand(), last: plate }),
      ),
    )
    for (const forceN of [4, 80, 131, 60, 3]) await feel(forceN)
    expect(draft.texts.tampForceN).toBe(text)
    expect(readDraft(draft).facts.measured?.tampForceN).toBeCloseTo(131, -1)
    expect(result.pressedN.value).toBeCloseTo(131, -1)
    end()
  },
)
