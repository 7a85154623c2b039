import type { Follower, PassedOn } from './hub.ts'
import { TRUSTED_MS, trusted } from './trusted.ts'

/** A house in which something is told by hand, and a clock that a test sets. */
function house() {
  const followers = new Map<string, Follower>()
  let nowMs = 0
  const follow = (academyId: string, follower: Follower) => {
    followers.set(academyId, follower)
    return () => void followers.delete(academyId)
  }
  const allowed = trusted({ follow }, () => nowMs)
  return {
    ...allowed,
    tell: (academyId: string, news: PassedOn['news']) =>
      followers.get(academyId)?.hear({ academyId, personId: null, news }),
    end: (academyId: string) => followers.get(academyId)?.end(),
    followed: () => [...followers.keys()],
    goTo: (ms: number) => (nowMs = ms),
  }
}

test('what was allowed is known for some seconds, and no longer', () => {
  const { add, academyOf, goTo } = house()
  expect(academyOf('tell')).toBeNull()
  add('here', 'tell')
  goTo(TRUSTED_MS - 1)
  expect([academyOf('tell'), academyOf('tell something else')]).toEqual(['here', null])
  goTo(TRUSTED_MS)
  expect(academyOf('tell')).toBeNull()
})

test.each<PassedOn['news']>([
  { kind: 'doors' },
  { kind: 'people' },
  { kind: 'training', trainingId: 'training' },
  { kind: 'here' },
])('it is forgotten at once where it may have changed, and nowhere else: $kind', (news) => {
  const { add, academyOf, tell } = house()
  add('here', 'tell')
  add('away', 'tell there')
  tell('here', { kind: 'shot', shotId: 'shot', trainingId: null })
  expect(academyOf('tell')).toBe('here')
  tell('here', news)
  expect([academyOf('tell'), academyOf('tell there')]).toEqual([null, 'away'])
})

test('it is forgotten when nothing more can be heard', () => {
  const { add, academyOf, end } = house()
  add('here', 'tell')
  end('here')
  expect(academyOf('tell')).toBeNull()
})

test('nobody is followed for what is forgotten', () => {
  const { add, followed, goTo } = house()
  add('here', 'tell')
  goTo(TRUSTED_MS)
  add('away', 'tell there')
  expect(followed()).toEqual(['away'])
})
