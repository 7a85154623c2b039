import { readShot } from '../reading/readShot.ts'
import { PUMP_RECIPE, type Pull, carefulShot, taste } from '../testing/examples.ts'
import { assessSkill } from './assessSkill.ts'
import type { SkillShot } from './skillRuns.ts'
import { chargeReadings, countedReading, type ChargeContext } from './charging.ts'
import { DEFAULT_PROGRAMME } from './types.ts'

const PRACTICE: ChargeContext = { purpose: 'practice', grindOwner: 'trainee', isReferenceOff: false }
const GOOD = taste(3, 7, 3)

function shot(
  pull: Pull = {},
  context: Partial<ChargeContext> = {},
  also: Partial<SkillShot> = {},
): SkillShot {
  return {
    shotId: 's',
    pulledAt: '2026-11-26T09:00:00.000Z',
    family: { by: 'mass', basketId: null },
    readings: readShot(carefulShot(pull, { taste: GOOD }), PUMP_RECIPE),
    context: { ...PRACTICE, ...context },
    isHelped: false,
    callScore: null,
    calledAs: null,
    isServeRight: null,
    steps: null,
    lock: null,
    ...also,
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
    const learning = assess(times(5, () => shot())).skills.yield
    expect(learning).toMatchObject({ rung: 'learning', onShotsToNextRung: 3 })
    const after = assess(times(8, () => shot())).skills.yield
    expect(after.rung).not.toBe('learning')
  })

  test('steady hands become ready; a poor ear for calls holds them at steady', () => {
    expect(assess(times(25, () => shot())).rung).toBe('ready')
    expect(assess(times(25, () => shot({}, {}, { callScore: 0.4 }))).rung).toBe('steady')
    expect(assess(times(25, () => shot({}, {}, { callScore: 0.9 }))).rung).toBe('ready')
  })

  test('a recent signal of worsening holds back from ready', () => {
    const wobble = times(24, (n) => shot({ doseG: 18 + (n % 2 === 0 ? 0.02 : -0.02) }))
    expect(assess([...wobble, shot({ doseG: 18.28 })]).skills.dose).toMatchObject({
      rung: 'steady',
      recentWorsening: [expect.objectContaining({ kind: 'outside' })],
    })
  })

  test('a sign-off lasts ninety days, or until drift', () => {
    const good = times(25, () => shot())
    expect(assess(good, { ageDays: 10 }).rung).toBe('signed-off')
    expect(assess(good, { ageDays: 183 }).rung).toBe('due')
    const wobble = times(24, (n) => shot({ doseG: 18 + (n % 2 === 0 ? 0.02 : -0.02) }))
    expect(assess([...wobble, shot({ doseG: 19.5 })], { ageDays: 10 }).rung).toBe('due')
  })

  test('the bar’s faults never hold a trainee back', () => {
    const offByTheBar = times(25, () => shot({ stopS: 21 }, { grindOwner: 'trainer' }))
    const skill = assess(offByTheBar)
    expect(skill.skills.time.shots).toBe(0)
    expect(skill.rung).toBe('ready')
  })
})

describe('the story', () => {
  test('steady but heavy is told from right on average and all over the place', () => {
    const heavy = assess(times(12, (n) => shot({ doseG: 18.6 + (n % 2) / 100 }))).skills.dose
    expect(heavy).toMatchObject({ story: 'steady-but-off', bias: expect.closeTo(2.02, 1) })
    const scattered = assess(times(12, (n) => shot({ doseG: 18 + (n % 2 === 0 ? 0.7 : -0.7) }))).skills.dose
    expect(scattered).toMatchObject({ story: 'scattered', bias: expect.closeTo(0, 0) })
  })

  test('a tamp is only seen, so it has no bias', () => {
    expect(assess(times(12, () => shot())).skills.tamp).toMatchObject({
      story: 'seen-only',
      bias: null,
      spread: null,
    })
  })

  test('what is most likely to fail a set is practised next', () => {
    const skill = assess(times(12, (n) => shot({ doseG: n % 3 === 0 ? 19 : 18 })))
    expect(skill.practiseNext).toMatchObject({ skill: 'dose' })
  })
})

test('an assessment is worth it once a set would probably be passed', () => {
  expect(assess(times(10, () => shot())).isAssessmentWorthIt).toBe(false)
  const skill = assess(times(90, () => shot()))
  expect(skill.passToday).toBeGreaterThan(0.5)
  expect(skill.isAssessmentWorthIt).toBe((skill.passToday ?? 0) >= 0.8)
})

describe('what counts', () => {
  const helped = { isHelped: true }

  test('dose and yield are steady and ready by shots without help alone; the rest by all', () => {
    const skill = assess(times(25, () => shot({}, {}, helped)))
    expect(skill.skills.dose).toMatchObject({ shots: 25, deciding: 0, rung: 'learning', on: null })
    expect(skill.skills.yield.rung).toBe('learning')
    expect(skill.skills.time.rung).toBe('ready')
    expect(skill).toMatchObject({ rung: 'learning', passToday: null })
    const alone = assess([...times(25, () => shot({}, {}, helped)), ...times(25, () => shot())])
    expect(alone.skills.dose).toMatchObject({ shots: 50, deciding: 25, rung: 'ready' })
  })

  test('below eight shots there is no figure, no trend, and nothing to practise by chance', () => {
    const skill = assess([shot({ doseG: 19 }), ...times(6, () => shot())])
    expect(skill.skills.dose).toMatchObject({
      on: null,
      bias: null,
      spread: null,
      chart: null,
      recentWorsening: [],
      story: 'too-few',
    })
    expect(skill).toMatchObject({ practiseNext: null, passToday: null, isAssessmentWorthIt: false })
  })

  test('neither simulated shots nor others than practice and assessment count for any skill', () => {
    const seen = {
      callScore: 0,
      steps: { stepsDone: [], stepsPrompted: [], stepsMissed: ['flush' as const] },
    }
    const skill = assess([
      ...times(9, () => shot({ doseG: 19 }, { isSimulated: true }, seen)),
      ...times(9, () => shot({ doseG: 19 }, { purpose: 'deliberate-fault' }, seen)),
    ])
    for (const each of Object.values(skill.skills)) expect(each.shots).toBe(0)
  })

  test('recipes of unlike tolerances are held together in tolerances', () => {
    const wide = { ...PUMP_RECIPE, doseToleranceG: 0.6 }
    const wideShot = () => ({
      ...shot(),
      readings: readShot(carefulShot({ doseG: 18.6 }, { taste: GOOD }), wide),
    })
    const skill = assess([...times(6, () => shot({ doseG: 18.3 })), ...times(6, wideShot)])
    expect(skill.skills.dose.bias).toBeCloseTo(1)
    expect(skill.tolerances).toMatchObject({ dose: 0.6, tamp: null })
  })
})

describe('preparing and calling', () => {
  const steps = (part: object) => ({ steps: { stepsDone: [], stepsPrompted: [], stepsMissed: [], ...part } })

  test('a step left out is a miss, one that was said nearly; what nobody watched is neither', () => {
    const skill = assess([
      shot(),
      shot({}, {}, steps({ stepsDone: ['tamp'] })),
      shot({}, {}, steps({ stepsDone: ['tamp'], stepsPrompted: ['wipe-rim'] })),
      shot({}, {}, steps({ stepsMissed: ['wipe-rim'] })),
    ])
    expect(skill.runs.prep.map(({ standing }) => standing)).toEqual(['on', 'near', 'off'])
    expect(skill.safetyMissed).toBe(0)
  })

  test('a safety step that was left out of late keeps anybody from being ready', () => {
    const done = steps({ stepsDone: ['flush'] })
    const unsafe = shot({}, {}, steps({ stepsMissed: ['flush'] }))
    const skill = assess([...times(25, () => shot({}, {}, done)), unsafe])
    expect(skill).toMatchObject({ safetyMissed: 1, rung: 'steady', isAssessmentWorthIt: false })
    expect(assess([unsafe, ...times(25, () => shot({}, {}, done))]).safetyMissed).toBe(0)
  })

  test('whoever would serve what should be pulled again misses, whatever the call says', () => {
    const skill = assess([
      shot({}, {}, { callScore: 1 }),
      shot({}, {}, { callScore: 1, isServeRight: false }),
      shot({}, {}, { callScore: 0.5, isServeRight: true }),
      shot({}, {}, { isServeRight: true }),
    ])
    expect(skill.runs.call.map(({ standing }) => standing)).toEqual(['on', 'off', 'near', 'on'])
  })

  test('pulling alike is practised where time is never theirs, and follows from the rest elsewhere', () => {
    const at = (n: number) => ({
      lock: 'a',
      pulledAt: new Date(Date.UTC(2026, 10, 26, 9, 0) + n * 240_000).toISOString(),
    })
    const uneven = (n: number, owner: 'trainer' | 'trainee') =>
      shot({ stopS: n % 2 === 0 ? 26.5 : 31.5 }, { grindOwner: owner }, at(n))
    const ofTrainers = assess(times(30, (n) => uneven(n, 'trainer')))
    expect(ofTrainers.practiseNext?.skill).toBe('alike')
    const ofTheirs = assess(times(30, (n) => uneven(n, 'trainee')))
    expect(ofTheirs.practiseNext?.skill).not.toBe('alike')
  })

  test('what went right in the last session is named, as long as it was right each time', () => {
    const skill = assess([shot({ doseG: 19 }), shot({ doseG: 18 })])
    expect(skill.wentRight).not.toBe('dose')
    expect(skill.wentRight).not.toBeNull()
  })
})
