import { SIGNS_MARKED, canBeEntered } from './signEntries.ts'
import { FLOW_MARKS, signsOfMarks, streamOfMarks } from './marks.ts'
import type { Sign } from './signs.ts'

const clock = { firstDrop: 'marked', firstDropS: 6, stopS: 30, estimated: false } as const
const at = (mark: Parameters<typeof streamOfMarks>[0][number]['mark'], atS = 12) => ({ mark, atS })

test('a stream that turns pale before its last quarter has blonded early', () => {
  expect(signsOfMarks([at('pale', 14)], clock)).toEqual({ 'early-blonding': true })
  expect(signsOfMarks([at('pale', 26)], clock)).toEqual({ 'early-blonding': false })
  expect(signsOfMarks([at('pale', 14)], null)).toEqual({})
})

test('a gauge in its zone was looked at and was right; one that was not looked at says nothing', () => {
  expect(signsOfMarks([at('gauge-in-zone')], clock)).toEqual({
    'pressure-low': false,
    'pressure-high': false,
  })
  expect(signsOfMarks([at('gauge-low')], clock)).toMatchObject({ 'pressure-low': true })
  expect(signsOfMarks([], clock)).toEqual({})
})

test('of several marks of the stream the worst counts', () => {
  expect(streamOfMarks([at('honey'), at('spurting')])).toBe('spurting')
  expect(streamOfMarks([at('honey'), at('one-side')])).toBe('one-sided')
  expect(streamOfMarks([at('honey')])).toBe('even')
  expect(streamOfMarks([at('dark')])).toBeNull()
})

test('every sign that marks can say is on the list of what can be entered, and no other of them', () => {
  const said = new Set<string>()
  for (const mark of FLOW_MARKS)
    for (const atS of [8, 27])
      for (const [sign, isSeen] of Object.entries(signsOfMarks([{ mark, atS }], clock))) {
        said.add(sign)
        expect([sign, canBeEntered(sign as Sign, isSeen)]).toEqual([sign, true])
      }
  expect([...said].sort()).toEqual([...SIGNS_MARKED].sort())
})
