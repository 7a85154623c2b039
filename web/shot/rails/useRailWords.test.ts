import { PRESET_RECIPES, type ReadingKind, type Recipe, type ShotFacts, readShot } from '@calm-apron/core'
import { DROP_RECIPE, PUMP_RECIPE, carefulShot, taste } from '@calm-apron/core/testing'
import { inSetup } from '../../testing/inSetup.ts'

const { useRailWords } = await import('./useRailWords.ts')
const { usePreferences } = await import('../../kit/preferences.ts')

const { result: rail } = await inSetup(() => ({ ...useRailWords(), preferences: usePreferences() }))

const readingsOf = (facts: ShotFacts, recipe: Recipe = PUMP_RECIPE) => readShot(facts, recipe)
/** What stands at the end of a shot's rail, and what was measured. */
const says = (kind: ReadingKind, facts: ShotFacts, recipe?: Recipe) =>
  rail.deviationOf(kind, readingsOf(facts, recipe))
const shows = (kind: ReadingKind, facts: ShotFacts, recipe?: Recipe) =>
  rail.valueOf(kind, readingsOf(facts, recipe))

test.each([
  [18, 'on target', '18.0 g'],
  [18.6, '0.6 g heavy', '18.6 g'],
  [17.1, '0.9 g light', '17.1 g'],
])('a dose of %d g is %s', (doseG, words, value) => {
  const facts = carefulShot({ doseG })
  expect([says('dose', facts), shows('dose', facts)]).toEqual([words, value])
})

test.each([
  [50, 'on target'],
  [58, '8 ml too much'],
  [44, '6 ml short'],
])('of a volume of %d ml there is neither heavy nor light: %s', (cupMl, words) => {
  const { targets } = PRESET_RECIPES.volume
  const facts = carefulShot({ cupG: null }, { measured: { cupMl, tampForceN: null, leadG: null } })
  expect(says('yield', facts, targets)).toBe(words)
})

test('a weight is told apart in the unit the reader chose', () => {
  rail.preferences.units = { ...rail.preferences.units, mass: 'oz' }
  expect(says('dose', carefulShot({ doseG: 19 }))).toBe('0.035 oz heavy')
  rail.preferences.units = { ...rail.preferences.units, mass: 'g' }
})

test.each([
  [28, 'in the window'],
  [22, '3.0 s fast'],
  [35.5, '4.5 s slow'],
])('stopped at its target after %d s it is %s', (stopS, words) => {
  expect(says('time', carefulShot({ stopS }))).toBe(words)
  expect(shows('time', carefulShot({ stopS }))).toBe(`${stopS.toFixed(1)} s`)
})

test('a cup that ended past its target is judged at the target, and says so where that matters', () => {
  const late = carefulShot({ stopS: 32, cupG: 42 })
  expect(shows('time', late)).toBe('32.0 s')
  expect(says('time', late)).toMatch(/^in the window.+target/)
  // Both the clock and what is judged lie in the window: nobody needs the difference.
  expect(says('time', carefulShot({ stopS: 28, cupG: 37 }))).toBe('in the window')
})

test('a shot that was given up is longer than its clock, not as long', () => {
  const choked = carefulShot({ stopS: 60, cupG: 4 }, { abandoned: 'choked' })
  expect(shows('time', choked)).toBe('longer than 60.0 s')
  expect(says('time', choked)).toBe('29.0 s slow')
})

test('a time that a reload lay in is estimated', () => {
  const clock = { firstDrop: 'marked', firstDropS: 7, stopS: 28, estimated: true } as const
  expect(shows('time', carefulShot({}, { clock }))).toBe('28.0 s, estimated')
})

test('a drop window is never judged by a pump time: the rail stays empty and says why', () => {
  const unseen = carefulShot({ firstDropS: null })
  expect(shows('time', unseen, DROP_RECIPE)).toBe('')
  expect(says('time', unseen, DROP_RECIPE)).toMatch(/first drop/i)
})

test.each([
  [{ tilt: 'level', lowSide: null, settled: true }, 'level, settled'],
  [{ tilt: 'clear', lowSide: 'left', settled: true }, 'clearly tilted, low on the left, settled'],
  [{ tilt: 'slight', lowSide: 'back', settled: null }, 'slightly tilted, low at the back'],
  [{ tilt: null, lowSide: null, settled: false }, 'not settled'],
] as const)('a tamp says which side is low: %j', (tamp, words) => {
  expect(says('tamp', carefulShot({}, { tamp }))).toBe(words)
})

test.each([
  [taste(4, 6, 4), /^in balance$/],
  [taste(8, 4, 2), /sour by 6/],
  [taste(2, 4, 8), /bitter by 6/],
  [taste(8, 3, 8), /both/],
  [taste(5, 7, 1), /^bright, and sweet with it$/],
])('a cup of %j leans one way, or is both', (tasted, words) => {
  expect(says('taste', carefulShot({}, { taste: tasted }))).toMatch(words)
})

test('every rail without a reading says why, in words', () => {
  const nothing = { ...carefulShot(), dose: null, cup: null, clock: null }
  nothing.tamp = { tilt: null, lowSide: null, settled: null }
  for (const kind of ['dose', 'tamp', 'yield', 'time', 'taste'] as const) {
    expect(shows(kind, nothing)).toBe('')
    expect(says(kind, nothing)).toMatch(/^[A-Za-z][^.]* /)
  }
})

test('the targets are told with their tolerance, the window with its clock', () => {
  expect(rail.targetOf('dose', PUMP_RECIPE)).toContain('18.0 g')
  expect(rail.targetOf('time', DROP_RECIPE)).toMatch(/^target 20–26 s, drop clock$/)
  const volume = { targetMl: 30, toleranceMl: 3, gPerMl: 0.75, gPerMlSd: 0.12 }
  const byVolume = { ...PUMP_RECIPE, school: { onlyRecorded: [], volume, tampForce: null } }
  expect(rail.targetOf('yield', byVolume)).toContain('30 ml')
})

test('a recipe with a taste of its own is what its cup is held against', () => {
  const recipe = { ...PUMP_RECIPE, taste: { sour: 5, sweet: 7, bitter: 2 } }
  expect(rail.targetOf('taste', recipe)).toBe('sour 5, sweet 7, bitter 2, each within 2')
  expect(says('taste', carefulShot({}, { taste: taste(5, 7, 2) }), recipe)).toBe('in balance')
  expect(says('taste', carefulShot({}, { taste: taste(3, 7, 4) }), recipe)).toBe('leans bitter by 4')
})
