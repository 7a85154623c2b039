import { PUMP_RECIPE, carefulShot, taste } from '../testing/index.ts'
import { type AsItStood, type RecordedShot, grindBefore, isRunBefore, readRecorded } from './recorded.ts'

const STOOD: AsItStood = {
  pulledOn: '2026-11-26',
  isPullerTeaching: false,
  coffee: null,
  machine: null,
  grinder: { settingStep: 1, finerIs: 'lower' },
}
const recorded = (part: Partial<RecordedShot> = {}): RecordedShot => ({
  shotId: 's',
  pulledAt: '2026-11-26T09:00:00.000Z',
  facts: carefulShot(),
  tasted: { trainee: null, trainer: null },
  isJudgeTeaching: true,
  purpose: 'practice',
  isSimulated: false,
  grindOwner: 'trainee',
  stood: STOOD,
  ...part,
})
const contextOf = (part: Partial<RecordedShot>) => readRecorded(recorded(part), PUMP_RECIPE).of.context
const TASTED = taste(3, 7, 3)

describe('whose tongue', () => {
  const byPupil = { ...STOOD, isPullerTeaching: false }
  test.each<[string, Partial<RecordedShot>, 'trusted' | 'learning']>([
    ['somebody who taught noted it', { isJudgeTeaching: true }, 'trusted'],
    ['a trainee noted it', { isJudgeTeaching: false }, 'learning'],
    ['a trainer’s slip', { isJudgeTeaching: false, tasted: { trainee: TASTED, trainer: TASTED } }, 'trusted'],
    ['a trainee’s slip alone', { stood: byPupil, tasted: { trainee: TASTED, trainer: null } }, 'learning'],
    [
      'a trainer pulled and tasted',
      { stood: { ...STOOD, isPullerTeaching: true }, tasted: { trainee: TASTED, trainer: null } },
      'trusted',
    ],
  ])('%s', (_name, part, tongue) => {
    expect(contextOf(part).tongue).toBe(tongue)
  })
})

test('the machine at its group as it stood: lever or not, its valve, its basket, and how long it was on', () => {
  const machine = { isLever: true, hasReleaseValve: false, warmUpMinutes: 25, basketNominalG: 9 }
  const on = (switchedOnAt: string | null) => ({ stood: { ...STOOD, machine: { ...machine, switchedOnAt } } })
  expect(contextOf(on('2026-11-26T08:50:00.000Z'))).toMatchObject({
    machine: { isLever: true, hasReleaseValve: false },
    basketNominalG: 9,
    warmUp: { minutesOn: 10, minutesNeeded: 25 },
  })
  // It was switched on after this one.
  expect(contextOf(on('2026-11-26T10:00:00.000Z')).warmUp).toBeNull()
  expect(contextOf({})).toMatchObject({ machine: null, basketNominalG: null, warmUp: null })
})

test('the coffee as it stood: its age on that day, without what it spent in the freezer', () => {
  const coffee = {
    roastedOn: '2026-11-10',
    frozen: null,
    freshness: { restDays: 5, bestUntilDays: 21, usableUntilDays: 35 },
    isRoastDark: true,
  }
  const of = (part: Partial<typeof coffee | object>) =>
    contextOf({ stood: { ...STOOD, coffee: { ...coffee, ...part } } })
  expect(of({})).toMatchObject({ coffeeAgeDays: 16, isRoastDark: true })
  expect(of({ frozen: { frozenOn: '2026-11-12', thawedOn: '2026-11-22' } }).coffeeAgeDays).toBe(6)
  expect(of({ roastedOn: null }).coffeeAgeDays).toBeNull()
  // A bag roasted after the shot was mixed up with another.
  expect(of({ roastedOn: '2026-11-28' }).coffeeAgeDays).toBeNull()
})

test.each(['reference', 'dial-in', 'demonstration', 'deliberate-fault', 'sink', 'comparison'] as const)(
  'one that was pulled for %s is charged to nobody; nor is one that was not pulled for real',
  (purpose) => {
    const accounts = (part: Partial<RecordedShot>) =>
      new Set(Object.values(readRecorded(recorded(part), PUMP_RECIPE).accounts))
    expect(accounts({ purpose })).toEqual(new Set(['nobody']))
    expect(accounts({ isSimulated: true })).toEqual(new Set(['nobody']))
    expect(accounts({}).has('trainee')).toBe(true)
  },
)

describe('before it', () => {
  const at = (
    shotId: string,
    grindSetting: number | null,
    minutes: number,
    part: Partial<RecordedShot> = {},
  ) =>
    recorded({
      shotId,
      pulledAt: new Date(Date.parse('2026-11-26T09:00:00.000Z') + minutes * 60_000).toISOString(),
      facts: carefulShot({}, { grindSetting }),
      ...part,
    })

  test.each([
    ['finer', 12, { direction: 'finer', steps: 2 }],
    ['coarser', 17, { direction: 'coarser', steps: 3 }],
    ['not at all', 14, { direction: 'coarser', steps: 0 }],
  ])('the last move of the grinder: %s', (_name, setting, moved) => {
    expect(grindBefore(at('e', setting, 10), [at('d', 14, 5)]).grindMoved).toEqual(moved)
  })

  test('where finer is higher, up is finer', () => {
    const stood = { ...STOOD, grinder: { settingStep: 0.5, finerIs: 'higher' as const } }
    expect(grindBefore(at('e', 15, 10, { stood }), [at('d', 14, 5)]).grindMoved).toEqual({
      direction: 'finer',
      steps: 2,
    })
  })

  test('of several the newest before it counts; later ones and itself don’t', () => {
    const shot = at('e', 12, 10)
    expect(grindBefore(shot, [at('g', 20, 20), shot, at('d', 13, 8), at('c', 16, 2)]).grindMoved).toEqual({
      direction: 'finer',
      steps: 1,
    })
  })

  test('no move is told where nobody knows one, and where it ran in the session is known', () => {
    const moved = (shot: RecordedShot, others: RecordedShot[]) => grindBefore(shot, others).grindMoved
    expect(moved(at('e', 12, 10), [])).toBeNull()
    expect(moved(at('e', null, 10), [at('d', 14, 5)])).toBeNull()
    expect(moved(at('e', 12, 10), [at('d', null, 5)])).toBeNull()
    expect(moved(at('e', 12, 10, { stood: { ...STOOD, grinder: null } }), [at('d', 14, 5)])).toBeNull()
    // Of another day.
    expect(moved(at('e', 12, 24 * 60), [at('d', 14, 5)])).toBeNull()
    expect(grindBefore(at('e', 12, 10), [at('g', 9, 20), at('d', 14, 5), at('c', null, 2)]).ranAt).toEqual([
      9, 14,
    ])
  })

  test('a run is of one session at one setting', () => {
    expect(isRunBefore(at('d', 12, 0), at('e', 12, 10))).toBe(true)
    expect(isRunBefore(at('d', 13, 0), at('e', 12, 10))).toBe(false)
    expect(isRunBefore(at('d', 12, 20), at('e', 12, 10))).toBe(false)
    expect(isRunBefore(at('d', 12, 0), at('e', 12, 300))).toBe(false)
  })
})

test('what differs from the shot before is found by itself; what was not noted of both is no difference', () => {
  const shotAt = (time: string, facts: Partial<RecordedShot['facts']>) =>
    recorded({ shotId: time, pulledAt: `2026-11-26T${time}:00.000Z`, facts: { ...carefulShot(), ...facts } })
  const before = shotAt('09:00', { grindSetting: 14 })
  const after = shotAt('09:06', { grindSetting: 13, dose: { by: 'net', netG: 19 } })
  expect(grindBefore(after, [after, before]).changed).toEqual(['grind', 'dose'])
  expect(grindBefore(before, [after, before]).changed).toBeNull()
  expect(grindBefore(after, [after, shotAt('09:00', { grindSetting: null })]).changed).toEqual(['dose'])
})
