import { PRESET_RECIPES, checkRecipe } from '@calm-apron/core'
import { recipeDraftOf } from './recipeDraft.ts'

const { targets, method } = PRESET_RECIPES['normale-pump']
const nominal = (basketId: string) => (basketId === 'known' ? 18 : null)

test('a whole recipe is read whole, with its basket', () => {
  const content = { name: 'A', targets, method: { ...method, basketId: 'known' } }
  const draft = recipeDraftOf(content, 2, nominal)
  expect(draft).toMatchObject({
    doseG: 18,
    clock: 'pump',
    timeMaxS: 31,
    ratio: 2,
    basketNominalG: 18,
    volume: null,
  })
})

test('what can’t be read yet is not known, and the rest is read all the same', () => {
  const content = {
    targets: { ...targets, doseG: Number.NaN, timeMinS: null, clock: '' },
    method: { ...method, basketId: 'unknown' },
  }
  expect(recipeDraftOf(content, null, nominal)).toMatchObject({
    doseG: null,
    timeMinS: null,
    clock: null,
    yieldG: targets.yieldG,
    basketNominalG: null,
  })
})

test('nothing at all is no recipe, and disagrees with nothing', () => {
  expect(checkRecipe(recipeDraftOf({}, null, nominal))).toEqual([])
  expect(checkRecipe(recipeDraftOf({ targets: 'x', method: 7 }, null, nominal))).toEqual([])
})
