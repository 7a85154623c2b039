import { BAR_STEPS } from '../shot/barSteps.ts'
import { stagesOf } from './stages.ts'
import { PRESET_STEPS, ROUTINE_PRESETS, STEP_KEYS, type StepKey, shippedStep } from './steps.ts'

const stagesBy = (...keys: (StepKey | null)[]) => {
  const { order, at } = stagesOf(keys.map((key) => ({ key })))
  return {
    order,
    at: Object.fromEntries(Object.entries(at).map(([stage, steps]) => [stage, steps.map(({ key }) => key)])),
  }
}

test('what houses do at different times is done where the routine has it: before dosing, or before locking in', () => {
  expect(stagesBy('take-out', 'flush', 'grind', 'tamp', 'lock-in').at).toMatchObject({
    ready: ['take-out', 'flush'],
  })
  expect(stagesBy('take-out', 'grind', 'tamp', 'flush', 'lock-in').at).toMatchObject({
    tamp: ['tamp', 'flush', 'lock-in'],
  })
  expect(stagesBy('tamp', 'lock-in', 'cup-under', 'start').at).toMatchObject({
    tamp: ['tamp', 'lock-in', 'cup-under'],
  })
  expect(stagesBy('tamp', 'lock-in', 'start', 'cup-under').at).toMatchObject({ pull: ['start', 'cup-under'] })
  expect(stagesBy('grind', null, 'tamp', null).at).toEqual({ dose: ['grind', null], tamp: ['tamp', null] })
})

test('stages come in the order of the routine, and those that it says nothing of where they usually are', () => {
  expect(stagesBy().order).toEqual([...BAR_STEPS])
  expect(stagesBy('start', 'taste', 'look').order).toEqual([
    'ready',
    'dose',
    'tamp',
    'pull',
    'cup',
    'taste',
    'look',
  ])
})

test.each(ROUTINE_PRESETS)(
  'in %s every stage comes once, every step at one, and nothing is pulled before it is tamped',
  (preset) => {
    const steps = PRESET_STEPS[preset].map(shippedStep)
    const { order, at } = stagesOf(steps)
    expect([...order].sort()).toEqual([...BAR_STEPS].sort())
    expect(Object.values(at).flat()).toHaveLength(steps.length)
    for (const [before, after] of [
      ['ready', 'dose'],
      ['dose', 'tamp'],
      ['tamp', 'pull'],
      ['pull', 'cup'],
      ['cup', 'taste'],
    ] as const)
      expect(order.indexOf(before)).toBeLessThan(order.indexOf(after))
  },
)

test('every step has a stage', () => {
  for (const key of STEP_KEYS) expect(Object.values(stagesOf([{ key }]).at).flat()).toEqual([{ key }])
})
