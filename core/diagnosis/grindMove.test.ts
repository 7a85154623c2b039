import { adviseGrind } from '../dialin/adviseGrind.ts'
import { finestAdvised, isClearOfTouching } from '../equipment/fineEnd.ts'
import { readShot } from '../reading/readShot.ts'
import { bankShot } from '../testing/shotBank.ts'
import { GRINDER, PUMP_RECIPE, carefulShot, grindShot } from '../testing/examples.ts'
import { diagnose } from './diagnose.ts'
import type { GrindBehind } from './grindMove.ts'

const behind: GrindBehind = {
  grinder: { ...GRINDER, innerBurr: null, lnTimePerUnit: null, purgeG: 3 },
  history: [],
  session: [],
  wish: { coffeeId: 'tern', basketId: null, doseRangeG: null, pricePerKg: null },
}
const fast = readShot(carefulShot({ stopS: 20 }), PUMP_RECIPE)
const said = (part: Partial<GrindBehind> = {}) =>
  diagnose(fast, { setting: 18, grinder: GRINDER, behind: { ...behind, ...part } })

test('the reading says what dialling in says', () => {
  const { grindTo, move } = said()
  expect(move).toEqual({ lever: 'grind', direction: 'finer' })
  const { setting } = adviseGrind({
    ...behind,
    recipe: PUMP_RECIPE,
    session: [grindShot(18, { stopS: 20 })],
  })
  expect(grindTo?.toSetting).toBe(setting)
})

test('what this grinder did before tells how far, and the way back', () => {
  const history = [14, 14, 18, 18].map((setting, no) =>
    grindShot(setting, { stopS: [28, 28.4, 20, 20.3][no] ?? 28 }, { where: { daysAgo: 1 } }),
  )
  expect(said({ history }).grindTo).toEqual({ steps: 4, toSetting: 14, ranWellAt: 14 })
})

test('that it ran well where it stands is not said beside a move away from it', () => {
  const history = [18, 18, 18].map((setting) => grindShot(setting, { stopS: 28 }, { where: { daysAgo: 1 } }))
  const { move, grindTo } = said({ history })
  expect(move.lever).toBe('grind')
  expect(grindTo?.toSetting).toBeLessThan(18)
  expect(grindTo?.ranWellAt).toBeNull()
})

test('where it ran well is not said of a move that leads away from it', () => {
  const ranWell = [16, 16, 16].map((setting) => grindShot(setting, { stopS: 28 }, { where: { daysAgo: 1 } }))
  const slow = readShot(carefulShot({ firstDropS: 60, stopS: 75, cupG: null }), PUMP_RECIPE)
  const { move, grindTo } = diagnose(slow, {
    setting: 18,
    grinder: GRINDER,
    behind: { ...behind, history: ranWell, session: [] },
  })
  expect(move).toEqual({ lever: 'grind', direction: 'coarser' })
  expect(grindTo?.toSetting).toBeGreaterThan(18)
  expect(grindTo?.ranWellAt).toBeNull()
})

test('without a scale there is no size, and no setting', () => {
  expect(diagnose(fast, { setting: 18, grinder: null }).grindTo).toBeNull()
  expect(diagnose(fast, { setting: null, grinder: GRINDER }).grindTo).toBeNull()
})

test('over shots of every sort: never at or past touching burrs, never beyond what may be advised, never the wrong way', () => {
  let moves = 0
  for (let seed = 0; seed < 900; seed += 1) {
    const { facts, recipe, context, grind } = bankShot(seed)
    const { move, grindTo } = diagnose(readShot(facts, recipe, context), grind)
    const { grinder, setting } = grind
    if (move.lever !== 'grind' || grindTo === null || grinder === null || setting === null) continue
    moves += 1
    const isLower = grinder.finerIs === 'lower'
    const { toSetting } = grindTo
    const finerBy = isLower ? setting - toSetting : toSetting - setting
    const finest = finestAdvised(grinder, [setting])
    if (move.direction === 'finer') {
      expect(finerBy).toBeGreaterThan(0)
      expect(isLower ? toSetting >= finest : toSetting <= finest).toBe(true)
      expect(isClearOfTouching(toSetting, grinder)).toBe(true)
    } else expect(finerBy).toBeLessThanOrEqual(0)
  }
  expect(moves).toBeGreaterThan(30)
})
