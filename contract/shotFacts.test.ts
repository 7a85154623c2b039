import fc from 'fast-check'
import { unknownFacts } from '@calm-apron/core'
import { fieldErrors } from './problem.ts'
import { shotFacts } from './shotFacts.ts'

const ID = '019a5c00-0000-7009-8000-000000000001'

function refusals(facts: unknown): { path: string; reason: string }[] {
  const parsed = shotFacts.safeParse(facts)
  return parsed.success ? [] : fieldErrors(parsed.error).map(({ path, reason }) => ({ path, reason }))
}

const withPart = (part: object) => ({ ...unknownFacts(), ...part })
const clock = (part: object) => ({
  clock: { firstDrop: 'marked', firstDropS: 7, stopS: 28, estimated: false, ...part },
})

test('a shot of which nothing is known is a shot', () => {
  expect(refusals(unknownFacts())).toEqual([])
})

test('a choked shot that was stopped before any drop can be', () => {
  expect(
    refusals(withPart({ abandoned: 'choked', ...clock({ firstDrop: 'none', firstDropS: null, stopS: 45 }) })),
  ).toEqual([])
})

test.each([
  ['a dose of 190 g', { dose: { by: 'net', netG: 190 } }, 'dose.netG', 'number-too-big'],
  ['a negative dose', { dose: { by: 'net', netG: -1 } }, 'dose.netG', 'number-too-small'],
  [
    'a tare over the gross',
    { dose: { by: 'gross', grossG: 400, tareG: 412, vesselId: null } },
    'dose.tareG',
    'tare-above-gross',
  ],
  [
    'a forgotten tare of zero',
    { dose: { by: 'gross', grossG: 430, tareG: 0, vesselId: ID } },
    'dose.grossG',
    'net-too-big',
  ],
  ['a stop before the first drop', clock({ stopS: 5 }), 'clock.stopS', 'stop-before-first-drop'],
  [
    'a marked drop without its second',
    clock({ firstDropS: null }),
    'clock.firstDropS',
    'first-drop-mismatch',
  ],
  ['a time before the start', clock({ firstDropS: -1 }), 'clock.firstDropS', 'number-too-small'],
  ['a taste of 11', { taste: { ...unknownFacts().taste, sour: 11 } }, 'taste.sour', 'number-too-big'],
  ['a taste of 4.5', { taste: { ...unknownFacts().taste, sour: 4.5 } }, 'taste.sour', 'wrong-type'],
  ['letters for a number', { grindSetting: 'fourteen' }, 'grindSetting', 'wrong-type'],
  ['an unknown look', { look: { stream: 'purple', puck: null } }, 'look.stream', 'not-one-of'],
  [
    'a low side of a level bed',
    { tamp: { tilt: 'level', lowSide: 'left', settled: true } },
    'tamp.lowSide',
    'low-side-without-tilt',
  ],
  [
    'a full cup without a drop',
    { cup: { by: 'net', netG: 30 }, ...clock({ firstDrop: 'none', firstDropS: null }) },
    'cup',
    'cup-without-drop',
  ],
  ['a misspelt field', { dosage: 18 }, 'dosage', 'unknown-field'],
])('%s is refused at its field', (_name, part, path, reason) => {
  expect(refusals(withPart(part))).toContainEqual({ path, reason })
})

test('whatever is sent is either taken whole or refused with a path and a reason', () => {
  fc.assert(
    fc.property(fc.object({ maxDepth: 3 }), (anything) => {
      const parsed = shotFacts.safeParse({ ...unknownFacts(), ...anything })
      if (parsed.success) return
      for (const error of fieldErrors(parsed.error))
        expect(error).toMatchObject({ path: expect.any(String), reason: expect.stringMatching(/^[a-z-]+$/) })
    }),
  )
})
