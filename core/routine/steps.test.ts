import { ACTS, ACT_OF_CAUTION, CAUTION_KEYS } from '../caution/cautions.ts'
import { PRESET_STEPS, ROUTINE_PRESETS, SAFETY_STEPS, STEP_KEYS, TIMER_OF_STEP } from './steps.ts'

test.each(ROUTINE_PRESETS)(
  'the routine %s does each of its steps once, and cleans up at its end',
  (preset) => {
    const steps = PRESET_STEPS[preset]
    expect(new Set(steps).size).toBe(steps.length)
    expect(steps.every((step) => STEP_KEYS.includes(step))).toBe(true)
    expect(['warm-up', 'wash-hands', 'bench-ready']).toContain(steps[0])
    expect(steps.at(-1)).toBe('rinse')
  },
)

test.each(ROUTINE_PRESETS)(
  'in the routine %s coffee is ground before it is tamped, and tamped before it is locked in',
  (preset) => {
    const at = (step: (typeof STEP_KEYS)[number]) => PRESET_STEPS[preset].indexOf(step)
    expect(at('grind')).toBeGreaterThan(-1)
    expect(at('grind')).toBeLessThan(at('tamp'))
    expect(at('tamp')).toBeLessThan(at('lock-in'))
    expect(at('lock-in')).toBeLessThan(at('taste'))
  },
)

test('routines differ', () => {
  const written = ROUTINE_PRESETS.map((preset) => PRESET_STEPS[preset].join(' '))
  expect(new Set(written).size).toBe(ROUTINE_PRESETS.length)
})

test('every known step is used by some routine, and so is every step that is timed or about safety', () => {
  const used = new Set(ROUTINE_PRESETS.flatMap((preset) => PRESET_STEPS[preset]))
  expect(STEP_KEYS.filter((step) => !used.has(step))).toEqual([])
  expect(SAFETY_STEPS.every((step) => used.has(step))).toBe(true)
  expect(Object.keys(TIMER_OF_STEP).every((step) => STEP_KEYS.some((key) => key === step))).toBe(true)
})

test('every act has a caution, and every caution an act', () => {
  expect(ACTS.filter((act) => !CAUTION_KEYS.some((key) => ACT_OF_CAUTION[key] === act))).toEqual([])
})
