import { RECIPE_PRESETS } from './presetKinds.ts'
import { PRESET_RECIPES } from './presets.ts'
import { type RecipeDraft, checkRecipe } from './checkRecipe.ts'

const FINE: RecipeDraft = {
  doseG: 18,
  yieldG: 36,
  ratio: 2,
  clock: 'pump',
  timeMinS: 25,
  timeMaxS: 30,
  firstDropMinS: 5,
  firstDropMaxS: 10,
  onlyRecorded: [],
  volume: null,
  basketNominalG: 18,
  mayExceedBasket: false,
}
const codes = (part: Partial<RecipeDraft>) => checkRecipe({ ...FINE, ...part }).map(({ code }) => code)

test('a recipe at one with itself is left in peace, and so is an empty one', () => {
  expect(codes({})).toEqual([])
  const nothing = Object.fromEntries(Object.keys(FINE).map((key) => [key, null]))
  expect(codes({ ...nothing, onlyRecorded: [] })).toEqual([])
})

test.each<[string, Partial<RecipeDraft>, string[]]>([
  ['more than the basket takes', { doseG: 19.2, yieldG: 38.4 }, ['over-basket']],
  ['less than the basket wants', { doseG: 16.9, yieldG: 33.8 }, ['under-basket']],
  ['just inside the basket', { doseG: 19, yieldG: 38 }, []],
  ['a ratio that gives another yield', { ratio: 2.5 }, ['ratio-against-yield']],
  ['a ratio as one rounds it', { doseG: 18.4, yieldG: 39, ratio: 2.1 }, []],
  ['a window with no clock', { clock: null }, ['window-without-clock']],
  ['a window the wrong way round', { timeMinS: 31 }, ['window-reversed']],
  ['first drops the wrong way round', { firstDropMinS: 11 }, ['first-drops-reversed']],
  ['a first drop after the pump’s window', { firstDropMaxS: 30 }, ['first-drop-after-window']],
  ['the same on the drop clock, which has not begun by then', { firstDropMaxS: 30, clock: 'drop' }, []],
  [
    'a volume judged in grams that it can’t weigh',
    { volume: { targetMl: 80, gPerMl: 0.75, gPerMlSd: 0.12 } },
    ['volume-against-mass'],
  ],
  ['a volume that may weigh so much', { volume: { targetMl: 50, gPerMl: 0.75, gPerMlSd: 0.12 } }, []],
  ['nothing judged', { onlyRecorded: ['dose', 'tamp', 'yield', 'time', 'taste'] }, ['nothing-judged']],
])('%s', (_, part, expected) => {
  expect(codes(part)).toEqual(expected)
})

test.each(RECIPE_PRESETS)('the preset %s agrees with itself', (key) => {
  const { targets } = PRESET_RECIPES[key]
  const { school } = targets
  const draft = { ...targets, ratio: null, onlyRecorded: school.onlyRecorded, volume: school.volume }
  expect(checkRecipe({ ...draft, basketNominalG: null, mayExceedBasket: false })).toEqual([])
})

test('the presets cover every clock, both ways to read a yield, and a time that is only recorded', () => {
  const all = RECIPE_PRESETS.map((key) => PRESET_RECIPES[key].targets)
  expect(new Set(all.map(({ clock }) => clock))).toEqual(new Set(['pump', 'drop', 'pressure']))
  expect(new Set(all.map(({ school }) => school.volume === null)).size).toBe(2)
  expect(all.some(({ school }) => school.onlyRecorded.includes('time'))).toBe(true)
})
