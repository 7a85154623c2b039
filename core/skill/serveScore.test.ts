import { readShot } from '../reading/readShot.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { noNotes } from '../shot/notes.ts'
import type { Served } from '../shot/seen.ts'
import { PUMP_RECIPE, carefulShot } from '../testing/examples.ts'
import { serveScore } from './serveScore.ts'

const scored = (served: Served | null, also: Partial<ShotFacts> = {}, pull = {}) =>
  serveScore(readShot(carefulShot(pull, { noted: { ...noNotes(), served }, ...also }), PUMP_RECIPE))

test('serving a choke or a gush is a miss; pulling it again is right', () => {
  expect([scored('serve', { abandoned: 'choked' }), scored('pull-again', { abandoned: 'choked' })]).toEqual([
    false,
    true,
  ])
  const gush = { clock: { firstDrop: 'marked', firstDropS: 2, stopS: 8, estimated: false } } as const
  expect([scored('serve', gush), scored('pull-again', gush)]).toEqual([false, true])
})

test('one that is on in dose, cup and time is served', () => {
  expect([scored('serve'), scored('pull-again')]).toEqual([true, false])
})

test('what could be either way, and what nobody said, is not scored', () => {
  expect(scored('serve', { cup: { by: 'net', netG: 39.5 } })).toBeNull()
  expect(scored('serve', { look: { stream: 'spurting', puck: null } })).toBeNull()
  expect(scored(null)).toBeNull()
})
