import { academyFile } from '@calm-apron/contract'
import { coffeeAge, headingOf, readShot } from '@calm-apron/core'
import { demoAcademy } from './index.ts'

const NOW = new Date('2026-11-23T10:00:00Z')
const academy = demoAcademy(NOW)

test('the made-up academy is a valid academy, the same each time', () => {
  expect(academyFile.parse(academy)).toEqual(academy)
  expect(demoAcademy(NOW)).toEqual(academy)
})

const named = (kind: string) => academy.prepared.filter(({ thing }) => thing.kind === kind)

test('it has two rooms, machines of three kinds, twelve recipes over three clocks, and eight coffees', () => {
  const count = (kind: string) => named(kind).length
  expect([count('bar'), count('recipe'), count('coffee')]).toEqual([2, 12, 8])
  const machines = academy.prepared.flatMap(({ thing }) =>
    thing.kind === 'machine' ? [thing.content.kind] : [],
  )
  expect(new Set(machines).size).toBe(3)
  const clocks = academy.prepared.flatMap(({ thing }) =>
    thing.kind === 'recipe' ? [thing.content.targets.clock] : [],
  )
  expect(new Set(clocks)).toEqual(new Set(['pump', 'drop', 'pressure']))
})

test('its bags are too fresh, right, fading and past', () => {
  const windows = new Map(
    academy.prepared.flatMap(({ preparedId, thing }) =>
      thing.kind === 'coffee' ? [[preparedId, thing.content.freshness] as const] : [],
    ),
  )
  const states = academy.prepared.flatMap(({ thing }) => {
    const window = windows.get(thing.parentId ?? '')
    if (thing.kind !== 'bag' || thing.content.roastedOn === null || !window) return []
    return [coffeeAge(thing.content.roastedOn, '2026-11-23', window).freshness]
  })
  expect(new Set(states)).toEqual(new Set(['too-fresh', 'in-window', 'fading', 'past']))
})

test('everything belongs to something that is there', () => {
  const ids = new Set(academy.prepared.map(({ preparedId }) => preparedId))
  expect(ids.size).toBe(academy.prepared.length)
  expect(academy.prepared.filter(({ thing }) => thing.parentId !== null && !ids.has(thing.parentId))).toEqual(
    [],
  )
})

test('its shots lie in the past and show under, balanced, uneven and choked', () => {
  const verdicts = academy.shots.map((shot) => {
    expect(Date.parse(shot.pulledAt)).toBeLessThan(NOW.getTime())
    // The first revision of a thing goes by its own id.
    const recipe = named('recipe').find(({ preparedId }) => preparedId === shot.recipeRevisionId)?.thing
    if (recipe?.kind !== 'recipe') throw new Error('a shot without its recipe')
    return headingOf(readShot(shot.facts, recipe.content.targets))
  })
  expect([...new Set(verdicts)]).toEqual(expect.arrayContaining(['under', 'balanced', 'uneven', 'choked']))
})
