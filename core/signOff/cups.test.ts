import { cupCodes } from './cups.ts'
import { pulledShot, reference } from './examples.ts'
import { grinderMoved } from './grinderMoved.ts'

test('every cup of a set has three digits of its own, the same each time', () => {
  const ids = Array.from({ length: 60 }, (_each, no) => `0199-${no * 7919}`)
  const codes = cupCodes(ids)
  expect(new Set(codes.values()).size).toBe(60)
  expect([...codes.values()].every((code) => /^[1-9]\d\d$/.test(code))).toBe(true)
  expect(cupCodes(ids.slice(0, 5)).get(ids[4] ?? '')).toBe(codes.get(ids[4] ?? ''))
})

describe('the grinder of a set', () => {
  const at = (no: number, grindSetting: number) => pulledShot(no, { facts: { grindSetting } })
  const set = [at(2, 14), at(4, 14), at(6, 15)]
  const beside = (no: number, grindSetting: number) => ({ pulledAt: reference(no).pulledAt, grindSetting })
  const TRAINEES = { grindOwner: 'trainee' } as const

  test('moved by somebody else between the shots stands on the record', () => {
    expect(grinderMoved(set, [beside(3, 12)], TRAINEES)).toEqual(['grinder-moved-by-another'])
    expect(grinderMoved(set, [beside(3, 14), beside(1, 12), beside(7, 12)], TRAINEES)).toEqual([])
  })
  test('is whoever is assessed’s to move only where the programme says so', () => {
    expect(grinderMoved(set, [], TRAINEES)).toEqual([])
    expect(grinderMoved(set, [], { grindOwner: 'trainer' })).toEqual(['grinder-moved-within'])
    expect(grinderMoved([], [], { grindOwner: 'trainer' })).toEqual([])
  })
})
