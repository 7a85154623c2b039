import { noNotes } from '@calm-apron/core'
import { upcastNotes } from './notedUpcast.ts'

test('notes of before a fact was asked say that nothing is known of it, and keep what they say', () => {
  expect(upcastNotes({ clumps: true }, 1)).toEqual({ ...noNotes(), clumps: true })
})

test('each version is brought up by the steps after it', () => {
  const renamed = ({ lumps, ...rest }: Record<string, unknown>) => ({ ...rest, clumps: lumps })
  const turned = ({ clumps, ...rest }: Record<string, unknown>) => ({ ...rest, clumps: clumps !== true })
  expect(upcastNotes({ lumps: true }, 1, [renamed, turned])).toMatchObject({ clumps: false })
  expect(upcastNotes({ clumps: true }, 2, [renamed, turned])).toMatchObject({ clumps: false })
  expect(upcastNotes({ clumps: true }, 3, [renamed, turned])).toMatchObject({ clumps: true })
})
