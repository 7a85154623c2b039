import { readShot } from '../reading/readShot.ts'
import { PUMP_RECIPE, type Pull, carefulShot, taste } from '../testing/examples.ts'
import { type SkillShot, assessSkill } from './assessSkill.ts'
import { chargeReadings, countedReading, type ChargeContext } from './charging.ts'
import { DEFAULT_PROGRAMME } from './types.ts'

const PRACTICE: ChargeContext = { purpose: 'practice', grindOwner: 'trainee', isReferenceOff: false }
const GOOD = taste(3, 7, 3)

function shot(
  pull: Pull = {},
  context: Partial<ChargeContext> = {},
  callScore: number | null = null,
): SkillShot {
  return {
    readings: readShot(carefulShot(pull, { taste: GOOD }), PUMP_RECIPE),
    context: { ...PRACTICE, ...context },
    callScore,
  }
}
const times = <T>(count: number, make: (n: number) => T) => Array.from({ length: count }, (_, n) => make(n))
const assess = (shots: SkillShot[], signOff: { ageDays: number } | null = null) =>
  assessSkill(shots, DEFAULT_PROGRAMME, signOff)

describe('charging', () => {
  const fast = readShot(carefulShot({ stopS: 21 }, { taste: taste(8, 3, 2) }), PUMP_RECIPE)
  const fastAndTilted = readShot(
    carefulShot({ stopS: 21 }, { tamp: { tilt: 'clear', lowSide: null, settled: true } }),
    PUMP_RECIPE,
  )
  const trainers = { ...PRACTICE, grindOwner: 'trainer' } as const

  test('with the trainer’s grind and the gate passed, time and the taste that follows are the bar’s', () => {
    expect(chargeReadings(fast, trainers)).toEqual({
      dose: 'trainee',
      tamp: 'trainee',
      yield: 'trainee',
      time: 'bar',
      taste: 'bar',
    })
  })
  test('with their own grind they are the trainee’s', () => {
    expect(chargeReadings(fast, PRACTICE)).toMatchObject({ time: 'trainee', taste: 'trainee' })
  })
  test('a failed gate is the trainee’s, whoever set the grind', () => {
    expect(chargeReadings(fastAndTilted, trainers).time).toBe('trainee')
  })
  test.each(['deliberate-fault', 'experiment', 'sink', 'equipment-failure'] as const)(
    'a %s counts for nothing',
    (purpose) => {
      expect(new Set(Object.values(chargeReadings(fast, { ...PRACTICE, purpose })))).toEqual(
        new Set(['nobody']),
      )
    },
  )
  test('where the reference shot was off, time and taste of the set are not judged', () => {
    const context = { ...PRACTICE, purpose: 'assessment', isReferenceOff: true } as const
    expect(chargeReadings(fast, context)).toMatchObject({ dose: 'trainee', time: 'nobody', taste: 'nobody' })
  })
  test('a bound counts as a miss without a size', () => {
    const choked = readShot(carefulShot({ firstDropS: 20, stopS: 60, cupG: 4 }), PUMP_RECIPE)
    expect(countedReading('time', choked, PRACTICE)).toEqual({ standing: 'off', deviation: null })
  })
})

describe('the ladder', () => {
  test('no shots: new; a few: learning', () => {
    expect(assess([]).rung).toBe('new')
    expect(assess(times(3, () => shot())).rung).toBe('learning')
  })

  test('it says how many more on in a row bring the next rung', () => {
    const learning = assess(times(5, () => shot())).readings.yield
    expect(learning).toMatchObject({ rung: 'learning', onShotsToNextRung: 3 })
    const after = assess(times(8, () => shot())).readings.yield
    expect(after.rung).not.toBe('learning')
  })

  test('steady hands become ready; a poor ear for calls holds them at steady', () => {
    expect(assess(times(25, () => shot())).rung).toBe('ready')
    expect(assess(times(25, () => shot({}, {}, 0.4))).rung).toBe('steady')
    expect(assess(times(25, () => shot({}, {}, 0.9))).rung).toBe('ready')
  })

  test('a recent signal of worsening holds back from ready', () => {
    const wobble = times(24, (n) => shot({ doseG: 18 + (n % 2 === 0 ? 0.02 : -0.02) }))
    expect(assess([...wobble, shot({ doseG: 18.28 })]).readings.dose).toMatchObject({
      rung: 'steady',
      recentWorsening: [expect.objectContaining({ kind: 'outside' })],
    })
  })

  test('a sign-off lasts ninety days, or until drift', () => {
    const good = times(25, () => shot())
    expect(assess(good, { ageDays: 10 }).rung).toBe('signed-off')
    expect(assess(good, { ageDays: 90 }).rung).toBe('due')
    const wobble = times(24, (n) => shot({ doseG: 18 + (n % 2 === 0 ? 0.02 : -0.02) }))
    expect(assess([...wobble, shot({ doseG: 19.5 })], { ageDays: 10 }).rung).toBe('due')
  })

  test('the bar’s faults never hold a trainee back', () => {
    const offByTheBar = times(25, () => shot({ stopS: 21 }, { grindOwner: 'trainer' }))
    const skill = assess(offByTheBar)
    expect(skill.readings.time.shots).toBe(0)
    expect(skill.rung).toBe('ready')
  })
})

describe('the story', () => {
  test('steady but heavy is told from right on average and all over the place', () => {
    const heavy = assess(times(12, (n) => shot({ doseG: 18.6 + (n % 2) / 100 }))).readings.dose
    expect(heavy).toMatchObject({ story: 'steady-but-off', bias: expect.closeTo(0.605) })
    const scattered = assess(times(12, (n) => shot({ doseG: 18 + (n % 2 === 0 ? 0.7 : -0.7) }))).readings.dose
    expect(scattered).toMatchObject({ story: 'scattered', bias: expect.closeTo(0) })
  })

  test('a tamp is only seen, so it has no bias', () => {
    expect(assess(times(12, () => shot())).readings.tamp).toMatchObject({
      story: 'seen-only',
      bias: null,
      spread: null,
    })
  })

  test('what is most likely to fail a set is practised next', () => {
    const skill = assess(times(12, (n) => shot({ doseG: n % 3 === 0 ? 19 : 18 })))
    expect(skill.practiseNext).toMatchObject({ reading: 'dose' })
  })
})

test('an assessment is worth it once a set would probably be passed', () => {
  expect(assess(times(10, () => shot())).isAssessmentWorthIt).toBe(false)
  const skill = assess(times(90, () => shot()))
  expect(skill.passToday).toBeGreaterThan(0.5)
  expect(skill.isAssessmentWorthIt).toBe(skill.passToday >= 0.8)
})
