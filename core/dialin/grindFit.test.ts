import { PUMP_RECIPE, grindShot } from '../testing/examples.ts'
import { grindFit } from './grindFit.ts'
import type { DialInGrinder, SessionShot } from './types.ts'

const grinder: DialInGrinder = {
  minSetting: 0,
  maxSetting: 40,
  settingStep: 1,
  finerIs: 'lower',
  touchingAt: null,
  innerBurr: null,
  lnTimePerUnit: null,
  purgeG: 4,
}
const wish = { coffeeId: 'tern', basketId: null, doseRangeG: null, pricePerKg: null }
const shot = (setting: number, stopS: number) => grindShot(setting, { stopS })
const fit = (...session: SessionShot[]) =>
  grindFit({ history: [], session, recipe: PUMP_RECIPE, grinder, wish }, [8, 20])

test('the line runs down towards the coarse end, inside its band, and passes near the shots', () => {
  const { line, shots } = fit(shot(10, 36), shot(14, 28), shot(18, 22))
  expect(shots.map(({ setting }) => setting)).toEqual([10, 14, 18])
  for (const [at, point] of line.entries()) {
    expect(point.lowS).toBeLessThan(point.s)
    expect(point.highS).toBeGreaterThan(point.s)
    if (at > 0) expect(point.s).toBeLessThan(line[at - 1]?.s ?? 0)
  }
  const near = line.reduce((best, each) =>
    Math.abs(each.setting - 14) < Math.abs(best.setting - 14) ? each : best,
  )
  expect(near.s).toBeGreaterThan(25)
  expect(near.s).toBeLessThan(31)
})

test('it bends: towards fine a step does more than towards coarse', () => {
  const { line } = fit(shot(14, 28))
  const [fine, middle, coarse] = [line[0], line[12], line.at(-1)].map((each) => Math.log(each?.s ?? 1))
  expect((fine ?? 0) - (middle ?? 0)).toBeGreaterThan((middle ?? 0) - (coarse ?? 0))
})

test('each shot narrows the band', () => {
  const widthAt = ({ line }: ReturnType<typeof fit>) =>
    Math.log((line[12]?.highS ?? 1) / (line[12]?.lowS ?? 1))
  expect(widthAt(fit(shot(14, 28), shot(14, 28.4), shot(15, 26.6)))).toBeLessThan(widthAt(fit(shot(14, 28))))
  expect(widthAt(fit(shot(14, 28)))).toBeLessThan(widthAt(fit()))
})
