import type { RecipeSchool } from '../recipe/recipe.ts'
import type { ShotMeasures } from '../shot/facts.ts'
import { PUMP_RECIPE, carefulShot } from '../testing/examples.ts'
import { NO_CONTEXT } from './context.ts'
import { readShot } from './readShot.ts'

const PLAIN: RecipeSchool = { onlyRecorded: [], volume: null, tampForce: null }
const NOTHING: ShotMeasures = { cupMl: null, tampForceN: null, leadG: null }
const school = (part: Partial<RecipeSchool>) => ({ ...PUMP_RECIPE, school: { ...PLAIN, ...part } })

describe('by volume with its crema', () => {
  const recipe = school({ volume: { targetMl: 50, toleranceMl: 5, gPerMl: 0.72, gPerMlSd: 0.06 } })
  const shot = (cupMl: number, stopS = 28) =>
    readShot(carefulShot({ cupG: null, stopS }, { measured: { ...NOTHING, cupMl } }), recipe)

  test('judged in ml, with the weight it stands for and how unsure that is', () => {
    expect(shot(58).yield).toMatchObject({
      standing: 'near',
      unit: 'ml',
      deviation: 8,
      estimatedG: { g: expect.closeTo(41.76, 2), sdG: expect.closeTo(3.48, 2) },
    })
  })

  test('the time is scaled by it, within its limits', () => {
    expect(shot(50).time).toMatchObject({ judged: true, standing: 'on' })
    expect(shot(20, 16).time).toEqual({ judged: false, why: 'stopped-too-far' })
  })

  test('a volume means nothing to a house that weighs', () => {
    const facts = carefulShot({ cupG: null }, { measured: { ...NOTHING, cupMl: 50 } })
    expect(readShot(facts, PUMP_RECIPE).yield).toEqual({ judged: false, why: 'not-weighed' })
  })
})

test.each(['dose', 'tamp', 'yield', 'taste'] as const)('a %s that is only recorded is not judged', (kind) => {
  const taste = { sour: 3, sweet: 6, bitter: 3, body: 5, dryness: 2 }
  const facts = carefulShot({ stopS: 28 }, { taste })
  expect(readShot(facts, school({}))[kind].judged).toBe(true)
  expect(readShot(facts, school({ onlyRecorded: [kind] }))[kind]).toEqual({
    judged: false,
    why: 'only-recorded',
  })
})

describe('pre-infusion held by hand, on the pressure clock', () => {
  const recipe = { ...school({}), clock: 'pressure' as const, timeMinS: 20, timeMaxS: 26 }
  const clock = { firstDrop: 'marked' as const, firstDropS: 9, stopS: 34, estimated: false }

  test('the time runs from the release', () => {
    const facts = carefulShot({}, { clock: { ...clock, preinfusionEndS: 11 } })
    expect(readShot(facts, recipe).time).toMatchObject({ judged: true, standing: 'on', clockS: 23 })
  })

  test('a release that nobody marked leaves the time unjudged: no other clock stands in', () => {
    expect(readShot(carefulShot({}, { clock }), recipe).time).toEqual({
      judged: false,
      why: 'release-not-marked',
    })
  })
})

describe('time only recorded', () => {
  const recipe = school({ onlyRecorded: ['time'] })

  test('neither on nor off, and no flow is made of it', () => {
    const { time, flow, timeAtTarget } = readShot(carefulShot({ stopS: 18 }), recipe)
    expect(time).toEqual({ judged: false, why: 'only-recorded' })
    expect(flow.state).toBe('unknown')
    expect(timeAtTarget).toMatchObject({ kind: 'known', s: 18 })
  })

  test('a choke is a choke all the same', () => {
    const choked = carefulShot({ firstDropS: 20, stopS: 60, cupG: 4 }, { abandoned: 'choked' })
    expect(readShot(choked, recipe).flow.state).toBe('choking')
  })
})

test('a set tamping force is judged beside level and settled; without one it is not', () => {
  const facts = carefulShot({}, { measured: { ...NOTHING, tampForceN: 90 } })
  const { tamp } = readShot(facts, school({ tampForce: { targetN: 150, toleranceN: 25 } }))
  expect(tamp).toMatchObject({ standing: 'off', force: { deviation: -60, direction: 'under' } })
  expect(readShot(facts, PUMP_RECIPE).tamp).toMatchObject({ standing: 'on', force: null })
})

test('with a scale under the cup the time is the moment of crossing target − lead, not a scaled one', () => {
  // 1.5 g/s from second 8: 34 g at 30.67 s; 2 g drip on after the stop at 33 s.
  const samples = Array.from({ length: 331 }, (_, tenth) => ({
    timeS: tenth / 10,
    weightG: Math.max(0, (tenth / 10 - 8) * 1.5),
  }))
  const facts = carefulShot(
    { firstDropS: 8, stopS: 33, cupG: 39.5 },
    { measured: { ...NOTHING, leadG: 2 }, samples },
  )
  expect(readShot(facts, PUMP_RECIPE).timeAtTarget).toMatchObject({
    kind: 'known',
    s: expect.closeTo(30.667, 2),
  })
  const unlearned = { ...facts, measured: NOTHING, samples }
  expect(readShot(unlearned, PUMP_RECIPE).timeAtTarget).toMatchObject({ s: expect.closeTo(30.667, 2) })
})

describe('what goes with a shot', () => {
  test('a machine that was not on for long enough fails the gate, unless somebody felt that it is hot', () => {
    const context = { ...NO_CONTEXT, warmUp: { minutesOn: 8, minutesNeeded: 25 } }
    const unseen = readShot(carefulShot({}, { machineHot: null }), PUMP_RECIPE, context)
    expect(unseen.gate.faults).toEqual(['machine-cold'])
    expect(readShot(carefulShot(), PUMP_RECIPE, context).gate.faults).toEqual([])
  })

  test('a wrong time at the trainer’s grind goes to the bar, at the trainee’s own to the trainee', () => {
    const facts = carefulShot({ stopS: 20 })
    const by = (grindOwner: 'trainer' | 'trainee') =>
      readShot(facts, PUMP_RECIPE, { ...NO_CONTEXT, grindOwner }).accounts
    expect(by('trainer')).toMatchObject({ time: 'bar', dose: 'trainee', taste: 'nobody' })
    expect(by('trainee').time).toBe('trainee')
  })

  test('what is missing most is named, in the order in which it matters', () => {
    expect(readShot(carefulShot(), PUMP_RECIPE).missing).toBe('taste')
    expect(readShot(carefulShot({}, { clock: null, dose: null }), PUMP_RECIPE).missing).toBe('clock')
  })

  test('several changes at once are said', () => {
    const context = { ...NO_CONTEXT, changedSinceLast: ['grind', 'dose'] as const }
    expect(readShot(carefulShot(), PUMP_RECIPE, context).severalChanged).toBe(true)
  })

  test('steps of preparation that were done are told apart from those nobody saw', () => {
    const { gate } = readShot(carefulShot({ doseG: 17 }, { bedEven: null }), PUMP_RECIPE)
    expect(gate.done).toEqual(['machine', 'basket', 'basket-size', 'purge', 'tamp'])
    expect(gate.unknowns).toEqual(['bed'])
  })
})
