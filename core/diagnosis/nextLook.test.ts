import { NO_CONTEXT } from '../reading/context.ts'
import { readShot } from '../reading/readShot.ts'
import { type ShotFacts, unknownFacts } from '../shot/facts.ts'
import type { SignsSeen } from '../shot/signs.ts'
import { PUMP_RECIPE, carefulShot, taste } from '../testing/examples.ts'
import { evidenceOf } from './evidence.ts'
import { infer } from './infer.ts'
import { tellingLooks } from './nextLook.ts'

function looks(facts: Partial<ShotFacts>, signs: SignsSeen = {}) {
  const evidence = evidenceOf(
    readShot({ ...unknownFacts(), ...facts }, PUMP_RECIPE, { ...NO_CONTEXT, signs }),
  )
  const inference = infer(evidence)
  return tellingLooks(inference, inference.posterior, new Set(evidence.items.map(({ key }) => key)))
}
const gainOf = (all: ReturnType<typeof looks>, observation: string) =>
  all.find((each) => each.observation === observation)?.gain ?? 0

test('no look tells less than nothing, and the most telling comes first', () => {
  const all = looks(carefulShot({ stopS: 21 }))
  expect(all.every(({ gain }) => gain >= 0)).toBe(true)
  const gains = all.map(({ gain }) => gain)
  expect(gains).toEqual([...gains].sort((a, b) => b - a))
})

test('what was looked at is not asked for again', () => {
  const names = looks(carefulShot({}, { taste: taste(3, 6, 3) })).map(({ observation }) => observation)
  for (const done of ['weigh-dose', 'weigh-cup', 'time-it', 'mark-first-drop', 'taste-it', 'read-puck']) {
    expect(names).not.toContain(done)
  }
})

test('on time and untasted, the taste tells most', () => {
  expect(looks(carefulShot())[0]?.observation).toBe('taste-it')
})

test('sour on time, knowing nothing else: whether it is the day’s first shot tells more than the gauge', () => {
  const all = looks(carefulShot({}, { taste: taste(6, 4, 1), machineHot: null }))
  expect(gainOf(all, 'check-heat')).toBeGreaterThan(gainOf(all, 'read-gauge'))
})

test('a look tells less once its answer is as good as known', () => {
  const open = looks(carefulShot({ stopS: 21 }))
  const known = looks(carefulShot({ stopS: 21 }), {
    'thin-crema': true,
    'tastes-papery': true,
    'tastes-flat': true,
    'same-for-everyone': true,
    'times-fall': true,
  })
  expect(gainOf(known, 'ask-roast-date')).toBeLessThan(gainOf(open, 'ask-roast-date'))
})
