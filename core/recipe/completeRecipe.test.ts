import { type Amount, completeAmounts, drinkLength } from './completeRecipe.ts'

const amounts = (doseG: number | null, yieldG: number | null, ratio: number | null) => ({
  doseG,
  yieldG,
  ratio,
})

test.each<[string, ReturnType<typeof amounts>, Amount[], ReturnType<typeof amounts>]>([
  ['yield follows dose and ratio', amounts(18, null, 2), ['ratio', 'doseG'], amounts(18, 36, 2)],
  ['ratio follows dose and yield', amounts(20, 30, 9), ['yieldG', 'doseG'], amounts(20, 30, 1.5)],
  ['dose follows yield and ratio', amounts(1, 40, 2.5), ['ratio', 'yieldG'], amounts(16, 40, 2.5)],
])('%s', (_, given, lastGiven, whole) => {
  expect(completeAmounts(given, lastGiven)).toEqual(whole)
})

test.each<[string, ReturnType<typeof amounts>, Amount[]]>([
  ['only one was given', amounts(18, null, 2), ['ratio']],
  ['one of the two is empty', amounts(null, null, 2), ['ratio', 'doseG']],
  ['one of the two is nothing', amounts(0, null, 2), ['ratio', 'doseG']],
  ['one of the two can’t be read', amounts(Number.NaN, null, 2), ['ratio', 'doseG']],
])('nothing follows while %s', (_, given, lastGiven) => {
  expect(completeAmounts(given, lastGiven)).toEqual(given)
})

test('what was given is never changed, whichever two it is', () => {
  const start = amounts(18.4, 39, 2.12)
  expect(completeAmounts(start, ['yieldG', 'doseG'])).toMatchObject({ doseG: 18.4, yieldG: 39 })
  expect(completeAmounts(start, ['ratio', 'doseG'])).toMatchObject({ doseG: 18.4, ratio: 2.12 })
})

test.each([
  [18, 27, 'ristretto'],
  [18, 31.5, 'normale'],
  [18, 49.5, 'normale'],
  [18, 55, 'lungo'],
] as const)('%d g in, %d g out is a %s', (doseG, yieldG, length) => {
  expect(drinkLength(doseG, yieldG)).toBe(length)
})
