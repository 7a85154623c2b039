import { confusionOf, helpApart } from './forTrainer.ts'
import { firstGoodOf, lastSessionOf } from './sessions.ts'
import { type SkillEntry, eachSkill } from './types.ts'

const at = (minute: number, standing: SkillEntry['standing'], isHelped = false): SkillEntry => ({
  shotId: `shot-${minute}`,
  pulledAt: new Date(Date.UTC(2026, 10, 1) + minute * 60_000).toISOString(),
  standing,
  deviation: null,
  isHelped,
})

test('what is taken for what, by where it happens; two causes of one place are no confusion; below ten nothing', () => {
  const wrong = { said: 'grind-too-fine', truly: 'tamp-tilted' } as const
  const near = { said: 'tamp-light', truly: 'tamp-tilted' } as const
  const none = { said: 'none', truly: 'grind-too-fine' } as const
  expect(confusionOf([wrong, near])).toBeNull()
  expect(
    confusionOf([none, ...Array.from({ length: 3 }, () => wrong), ...Array.from({ length: 6 }, () => near)]),
  ).toEqual({
    calls: 10,
    right: 6,
    taken: [
      { truly: 'bed', said: 'grind', times: 3 },
      { truly: 'grind', said: 'nothing', times: 1 },
    ],
  })
})

test('with help and without it side by side', () => {
  expect(helpApart([at(0, 'on', true), at(4, 'off', true), at(8, 'on')])).toEqual({
    helped: { on: 1, shots: 2 },
    alone: { on: 1, shots: 1 },
  })
})

test('which shot of a session is usually the first good one: good is on in everything that was judged', () => {
  const day = 24 * 60
  const dose = [at(0, 'off'), at(4, 'on'), at(day, 'on'), at(day + 4, 'on'), at(2 * day, 'off')]
  const time = [at(day, 'near'), at(day + 4, 'on')]
  const runs = { ...eachSkill((): SkillEntry[] => []), dose, time }
  // The second, the second, and none: two of three had one.
  expect(firstGoodOf(runs)).toBe(2)
  expect(firstGoodOf({ ...runs, dose: dose.slice(0, 2), time: [] })).toBeNull()
  expect(lastSessionOf(runs)).toEqual({ shots: 1, good: 0 })
  expect(lastSessionOf({ ...runs, dose: dose.slice(0, 4) })).toEqual({ shots: 2, good: 1 })
  expect(lastSessionOf({ ...runs, dose: [], time: [] })).toBeNull()
})
