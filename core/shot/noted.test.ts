import { carefulShot } from '../testing/index.ts'
import { isBedEven } from '../reading/gate.ts'
import { coloursSay, colourShares } from './colours.ts'
import { extractionPercent } from './extraction.ts'
import { firstDropSays } from './firstDrop.ts'
import { noNotes } from './notes.ts'
import { projectedFrom } from './weightsSeen.ts'

const clock = { firstDrop: 'marked', firstDropS: 8, stopS: 28, estimated: false } as const
const turned = (goldenS: number, paleS: number) =>
  [
    { mark: 'golden', atS: goldenS },
    { mark: 'pale', atS: paleS },
  ] as const

test('the colours of a stream are shares of its time, where both turns were marked', () => {
  const usual = colourShares([...turned(13, 23)], clock)
  expect(usual).toEqual({ dark: 0.25, golden: 0.5, pale: 0.25 })
  expect(usual && coloursSay(usual)).toBe('usual')
  const early = colourShares([...turned(11, 16)], clock)
  expect(early && coloursSay(early)).toBe('pale-early')
  const dark = colourShares([...turned(20, 26)], clock)
  expect(dark && coloursSay(dark)).toBe('dark-long')
  expect(colourShares([{ mark: 'pale', atS: 20 }], clock)).toBeNull()
  expect(colourShares([...turned(24, 12)], clock)).toBeNull()
  expect(colourShares([...turned(13, 23)], null)).toBeNull()
})

test('extraction is what was dissolved of the dose, and a first drop has a word', () => {
  expect(extractionPercent({ tdsPercent: 9, cupG: 38, doseG: 18 })).toBe(19)
  const recipe = { firstDropMinS: 5, firstDropMaxS: 10 }
  expect([4.9, 5, 10, 10.1].map((s) => firstDropSays(s, recipe))).toEqual(['early', 'usual', 'usual', 'late'])
})

test('two weights that were read say when the stop is due; one does with the first drop, and none says nothing', () => {
  const seen = [
    { atS: 12, weightG: 10 },
    { atS: 18, weightG: 22 },
  ]
  expect(projectedFrom(seen, 6, 36)).toBe(25)
  expect(projectedFrom(seen.slice(0, 1), 7, 36)).toBe(25)
  expect(projectedFrom(seen.slice(0, 1), null, 36)).toBeNull()
  expect(projectedFrom([], 7, 36)).toBeNull()
  expect(projectedFrom([...seen, { atS: 20, weightG: 22 }], 6, 36)).toBeNull()
})

test('a tool’s whole outline is an even bed where nobody said, and clumps are an uneven one all the same', () => {
  const bed = (bedEven: boolean | null, clumps: boolean | null, toolOutline: boolean | null) =>
    isBedEven(carefulShot({}, { bedEven, noted: { ...noNotes(), clumps, toolOutline } }))
  expect([bed(null, null, true), bed(null, null, false), bed(null, null, null)]).toEqual([true, false, null])
  expect([bed(true, null, false), bed(null, true, true)]).toEqual([true, false])
})
