import { seeded } from '../random/seeded.ts'
import { onAtLeast } from './onProbability.ts'
import { moreShots } from './moreShots.ts'
import { tallyOf } from './tally.ts'
import { DEFAULT_PROGRAMME } from './types.ts'

const { steadyFrom, halvingShots } = DEFAULT_PROGRAMME

test('whoever goes on as they do is steady between the two four times in five', () => {
  const chance = seeded(5)
  let [told, kept] = [0, 0]
  for (let person = 0; person < 150; person += 1) {
    const on = chance.between(0.6, 0.95)
    const pull = () => (chance.chance(on) ? ('on' as const) : ('near' as const))
    const run = Array.from({ length: 8 }, pull)
    const tally = tallyOf(run, halvingShots)
    if (onAtLeast(tally) >= steadyFrom) continue
    const said = moreShots(tally, run.length, DEFAULT_PROGRAMME)
    if (said === null) continue
    told += 1
    let more = 0
    do {
      run.push(pull())
      more += 1
    } while (onAtLeast(tallyOf(run, halvingShots)) < steadyFrom && more < 200)
    if (more >= said.low && more <= said.high) kept += 1
    expect(said.low <= said.about && said.about <= said.high).toBe(true)
  }
  expect(told).toBeGreaterThan(20)
  expect(kept / told).toBeGreaterThan(0.75)
})

test('of somebody who would not get there nothing is foretold', () => {
  const off = tallyOf(
    Array.from({ length: 12 }, () => 'off' as const),
    halvingShots,
  )
  expect(moreShots(off, 12, DEFAULT_PROGRAMME)).toBeNull()
})
