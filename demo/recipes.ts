import type { FileThing, RecipeContent } from '@calm-apron/contract'
import { PRESET_RECIPES, type RecipePresetKey } from '@calm-apron/core'
import { demoId } from './ids.ts'

interface Written {
  name: string
  school: RecipePresetKey
  targets?: Partial<RecipeContent['targets']>
  basket: number
  drink: string
  tastingWords: string
  note?: string
}

/** Twelve recipes of the house, over all the schools its trainers were brought up in. */
const WRITTEN: Written[] = [
  {
    name: 'House double',
    school: 'normale-pump',
    targets: { doseG: 18.4, yieldG: 39, timeMinS: 26, timeMaxS: 32 },
    basket: 1,
    drink: 'Espresso, and the base of milk drinks',
    tastingWords: 'cocoa, dried pear, round',
    note: 'The first recipe everybody learns. Stop early enough: two grams still fall.',
  },
  {
    name: 'Harbour double',
    school: 'normale-drop',
    targets: { doseG: 17.6, yieldG: 34, firstDropMinS: 6, firstDropMaxS: 11 },
    basket: 1,
    drink: 'Espresso',
    tastingWords: 'toffee, orange peel',
    note: 'The clock starts when the first drop falls, not with the pump.',
  },
  {
    name: 'Breakwater short',
    school: 'short',
    targets: { doseG: 18, yieldG: 27 },
    basket: 1,
    drink: 'Ristretto',
    tastingWords: 'syrup, dark plum',
  },
  {
    name: 'Long tide',
    school: 'long',
    targets: { doseG: 18, yieldG: 55 },
    basket: 1,
    drink: 'Lungo',
    tastingWords: 'tea, lemon, light',
  },
  {
    name: 'Old quay cup',
    school: 'volume',
    basket: 3,
    drink: 'Espresso in the old style',
    tastingWords: 'roasted nuts, thick crema',
    note: 'Filled level, not weighed; read the cup at the line, crema and all.',
  },
  {
    name: 'By the tongue',
    school: 'taste-led',
    targets: { doseG: 19, yieldG: 42 },
    basket: 4,
    drink: 'Espresso',
    tastingWords: 'bright, red berries, honey',
    note: 'Stop on weight. The time is written down and nobody is judged by it.',
  },
  {
    name: 'Small thimble',
    school: 'single',
    basket: 2,
    drink: 'Single espresso',
    tastingWords: 'cocoa, short and soft',
  },
  {
    name: 'First week',
    school: 'beginners',
    targets: { doseG: 18.4, yieldG: 39 },
    basket: 1,
    drink: 'Espresso',
    tastingWords: 'neither sour nor bitter',
    note: 'Wide on purpose: land anywhere inside before you aim for the middle.',
  },
  {
    name: 'Slow soak',
    school: 'held-preinfusion',
    targets: { doseG: 18.5, yieldG: 40 },
    basket: 4,
    drink: 'Espresso',
    tastingWords: 'floral, sweet lemon',
    note: 'Hold the low pressure until the first beads show, then let go.',
  },
  {
    name: 'Milk strong',
    school: 'normale-pump',
    targets: { doseG: 20, yieldG: 38, timeMinS: 28, timeMaxS: 34 },
    basket: 4,
    drink: 'Milk drinks',
    tastingWords: 'caramel, heavy',
  },
  {
    name: 'Loft lever',
    school: 'held-preinfusion',
    targets: { doseG: 16, yieldG: 32, timeMinS: 20, timeMaxS: 30 },
    basket: 5,
    drink: 'Espresso from the lever',
    tastingWords: 'walnut, brown sugar',
  },
  {
    name: 'Night watch',
    school: 'normale-pump',
    targets: { doseG: 18, yieldG: 36 },
    basket: 1,
    drink: 'Decaffeinated espresso',
    tastingWords: 'malt, mild',
  },
]

export const RECIPES: FileThing[] = WRITTEN.map(
  ({ name, school, targets, basket, drink, tastingWords, note = '' }, index) => {
    const preset = PRESET_RECIPES[school]
    return {
      preparedId: demoId('recipe', index + 1),
      thing: {
        kind: 'recipe',
        parentId: null,
        content: {
          name,
          targets: {
            ...preset.targets,
            school: { ...preset.targets.school, onlyRecorded: [...preset.targets.school.onlyRecorded] },
            ...targets,
          },
          method: { ...preset.method, basketId: demoId('basket', basket) },
          drink,
          tastingWords,
          note,
          coffeeId: null,
        },
      },
    }
  },
)
