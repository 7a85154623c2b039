import { GRINDER, PUMP_RECIPE, grindShot } from '../testing/examples.ts'
import { grinderBelief } from './grinderBelief.ts'
import { observationsOf } from './observations.ts'
import type { DialInGrinder, GrindSeen } from './types.ts'

const MILL: DialInGrinder = { ...GRINDER, innerBurr: null, lnTimePerUnit: 0.07, purgeG: 3 }
const before = (setting: number, stopS: number, where: Partial<GrindSeen> = {}): GrindSeen => ({
  ...grindShot(setting, { stopS }),
  daysAgo: 1,
  ...where,
})
const learnt = (history: readonly GrindSeen[]) =>
  grinderBelief(MILL, observationsOf(history, PUMP_RECIPE, MILL))
const likeliest = ({ bends }: ReturnType<typeof learnt>) => bends.reduce((a, b) => (b.log > a.log ? b : a))

test('the slope is learned over the whole history, whatever the coffee', () => {
  const history = ['a', 'b', 'c'].flatMap((coffeeId, day) =>
    [12, 13, 14, 15, 16].map((setting) =>
      before(setting, 28 * Math.exp(-0.12 * (setting - 14) + 0.05 * day), { coffeeId, daysAgo: day + 1 }),
    ),
  )
  const [first, after] = [likeliest(learnt([])), likeliest(learnt(history))]
  expect(Math.exp(after.lnMean)).toBeGreaterThan(0.105)
  expect(after.lnSd).toBeLessThan(first.lnSd / 3)
})

test('a scale that bends towards fine is told from one that does not', () => {
  const bending = [20, 17, 14, 12, 10].map((setting, no) => before(setting, [19, 22.5, 28, 36, 52][no] ?? 28))
  const straight = [20, 17, 14, 12, 10].map((setting) =>
    before(setting, 28 * Math.exp(-0.065 * (setting - 14))),
  )
  expect(likeliest(learnt(bending)).bend).toBeGreaterThan(likeliest(learnt(straight)).bend)
})

test('what the dose does is learned where nothing else differs, and else taken from the trade', () => {
  expect(learnt([]).dose.elasticity).toBe(3.6)
  const doses = [17.4, 17.7, 18, 18.3, 18.6, 17.5, 18.5, 17.8, 18.2]
  const history = doses.map((doseG) => before(14, 28 * (doseG / 18) ** 5.5, { doseG, spreadLn: 0 }))
  const { elasticity, sd } = learnt([...history, ...history]).dose
  expect(elasticity).toBeGreaterThan(4)
  expect(sd).toBeLessThan(1)
})
