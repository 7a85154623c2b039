import { inSetup } from '../../testing/inSetup.ts'

const { useFormat } = await import('./useFormat.ts')
const { usePreferences } = await import('../preferences.ts')

const { result: format } = await inSetup(() => ({ ...useFormat(), preferences: usePreferences() }))

afterEach(() => {
  format.preferences.units = {
    ...format.preferences.units,
    mass: 'g',
    volume: 'ml',
    temperature: 'C',
    force: 'N',
  }
})

test('weights, times and ratios are said as the trade says them', () => {
  expect([format.mass(18.2), format.seconds(27.5), format.ratio(2.08), format.percent(0.9)]).toEqual([
    '18.2 g',
    '27.5 s',
    '1:2.1',
    '90\u00A0%',
  ])
})

test('what is stored in base units is shown in the chosen ones', () => {
  format.preferences.units = {
    ...format.preferences.units,
    mass: 'oz',
    volume: 'floz',
    temperature: 'F',
    force: 'kgf',
  }
  expect(format.mass(18)).toBe('0.635 oz')
  expect(format.quantity('volume', 29.57)).toBe('1.00 fl oz')
  expect(format.quantity('temperature', 93)).toBe('199.4 °F')
  expect(format.quantity('force', 130)).toBe('13.3 kgf')
})

test('a difference of temperatures has no zero of its own', () => {
  format.preferences.units = { ...format.preferences.units, temperature: 'F' }
  expect(format.difference('temperature', -5)).toBe('9.0 °F')
})

test('a flow is told in the chosen unit, with a figure more where there is time to read it', () => {
  format.preferences.units = { ...format.preferences.units, mass: 'g' }
  expect([format.flow(1.234), format.flow(1.234, true)]).toEqual(['1.2 g/s', '1.23 g/s'])
  format.preferences.units = { ...format.preferences.units, mass: 'oz' }
  expect([format.flow(1.5), format.flow(1.5, true)]).toEqual(['0.053 oz/s', '0.053 oz/s'])
})

test('a date is that of the academy, not of whoever reads it', () => {
  expect(format.dateOf('2026-11-24T00:30:00Z', 'Atlantic/Azores')).toBe('Mon 23 Nov')
  expect(format.timeOf('2026-11-24T00:30:00Z', 'Atlantic/Azores')).toBe('23:30')
  expect(format.calendarDate('2026-11-24')).toBe('Tue 24 Nov')
})

test('times of day are told as the academy tells them', () => {
  const at = (instant: string) => format.timeOf(instant, 'UTC')
  format.preferences.clockHabit = '12-hours'
  expect([at('2026-11-24T00:30:00Z'), at('2026-11-24T14:05:00Z')]).toEqual(['12:30 am', '2:05 pm'])
  format.preferences.clockHabit = '24-hours'
  expect([at('2026-11-24T00:30:00Z'), at('2026-11-24T14:05:00Z')]).toEqual(['00:30', '14:05'])
})
