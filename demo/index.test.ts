import { academyFile } from '@calm-apron/contract'
import { diagnose, readShot } from '@calm-apron/core'
import { demoAcademy } from './index.ts'

const NOW = new Date('2026-11-23T10:00:00Z')
const academy = demoAcademy(NOW)

test('the made-up academy is a valid academy, the same each time', () => {
  expect(academyFile.parse(academy)).toEqual(academy)
  expect(demoAcademy(NOW)).toEqual(academy)
})

test('its two recipes differ in school', () => {
  expect(academy.recipes.map(({ targets }) => targets.clock)).toEqual(['pump', 'drop'])
})

test('its shots lie in the past and show under, balanced, over and uneven', () => {
  const verdicts = academy.shots.map((shot) => {
    expect(Date.parse(shot.pulledAt)).toBeLessThan(NOW.getTime())
    const recipe = academy.recipes.find((each) => each.recipeRevisionId === shot.recipeRevisionId)
    if (!recipe) throw new Error('a shot without its recipe')
    return diagnose(readShot(shot.facts, recipe.targets), { setting: shot.facts.grindSetting, grinder: null })
      .verdict
  })
  expect(new Set(verdicts)).toEqual(new Set(['under', 'balanced', 'over', 'uneven', 'unclear']))
})
