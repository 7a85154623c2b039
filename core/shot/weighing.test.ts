import fc from 'fast-check'
import { DOSING_CUP, PORTAFILTER } from '../testing/examples.ts'
import { doseTrimG, netG, rescueForgottenTare } from './weighing.ts'

const vessels = [PORTAFILTER, DOSING_CUP]

test('net is gross less tare, without the arithmetic’s own dust', () => {
  expect(netG({ by: 'gross', grossG: 430.8, tareG: 412.6, vesselId: 'pf-3' })).toBe(18.2)
})

test('what was not weighed has no weight', () => {
  expect(netG(null)).toBeNull()
})

test.each([
  [18.9, 18, -0.9],
  [16.9, 18, 1.1],
  [18, 18, 0],
])('a dose of %d g for a target of %d g wants %d g', (dose, target, trim) => {
  expect(doseTrimG(dose, target)).toBe(trim)
})

test('a forgotten portafilter tare is recognised', () => {
  expect(rescueForgottenTare(430.8, vessels, 18)).toEqual({ vessel: PORTAFILTER, netG: 18.2 })
})

test('190 g is a forgotten dosing cup', () => {
  expect(rescueForgottenTare(190, vessels, 18)).toEqual({ vessel: DOSING_CUP, netG: 17.6 })
})

test.each([18.2, 29.9, 100, 412.6, 900])('%d g is no forgotten tare', (reading) => {
  expect(rescueForgottenTare(reading, vessels, 18)).toBeNull()
})

test('of two vessels that fit, the one nearer to the target dose is offered', () => {
  const heavier = { ...PORTAFILTER, id: 'pf-4', emptyG: 411.1 }
  expect(rescueForgottenTare(430.8, [heavier, PORTAFILTER], 18)?.vessel.id).toBe('pf-3')
})

test('whatever is offered leaves a dose that fits the target, and never for a plausible dose', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 3000, noNaN: true }), (reading) => {
      const rescue = rescueForgottenTare(reading, vessels, 18)
      if (rescue === null) return
      expect(reading).toBeGreaterThan(30)
      expect(rescue.netG + rescue.vessel.emptyG).toBeCloseTo(reading, 2)
      expect(Math.abs(rescue.netG - 18)).toBeLessThanOrEqual(4)
    }),
  )
})
