import { z } from 'zod'
import { readProblem } from './problem.ts'
import { readAnswer } from './readAnswer.ts'

const weighing = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('net'), netG: z.number() }),
  z.strictObject({ by: z.literal('gross'), grossG: z.number() }),
])
const answer = z.strictObject({
  shots: z.array(z.strictObject({ id: z.string(), dose: weighing.nullable() })),
  either: z.union([z.number(), z.strictObject({ a: z.number() })]),
})
const known = { shots: [{ id: 'a', dose: { by: 'net', netG: 18 } }], either: { a: 1 } }

test('fields that are not known yet are let by, however deep they lie', () => {
  const newer = {
    ...known,
    shots: [{ id: 'a', dose: { by: 'net', netG: 18, scale: 'x' }, isSimulated: true }],
    either: { a: 1, b: { c: 2 } },
    next: null,
  }
  expect(readAnswer(answer, newer)).toEqual({ success: true, data: known })
  // What was answered stays as it is for whoever else looks at it.
  expect(newer.next).toBeNull()
})

test('what is known must still be right', () => {
  expect(readAnswer(answer, { ...known, shots: [{ id: 1, dose: null, more: 1 }] }).success).toBe(false)
  expect(readAnswer(answer, { shots: [] }).success).toBe(false)
  expect(readAnswer(answer, null).success).toBe(false)
  expect(readAnswer(answer, { ...known, either: { b: 1 } }).success).toBe(false)
})

test('a refusal by a code that is not known yet is one by its status', () => {
  const told = { type: 'x', code: 'moon-is-full', title: 'No', status: 409, detail: 'Not tonight.' }
  expect(readProblem(409, told)).toMatchObject({ code: 'id-taken', detail: 'Not tonight.' })
  expect(readProblem(409, { ...told, code: 'call-first', phase: 'full' })).toMatchObject({
    code: 'call-first',
  })
  expect(readProblem(502, '<html>')).toBeNull()
  expect(readProblem(418, told)).toBeNull()
})
