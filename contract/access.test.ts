import { ACCESS, type Action, type Part, mayDo } from './access.ts'
import { ENDPOINTS } from './endpoints/index.ts'

const PARTS: Part[] = ['head', 'trainer', 'trainee', 'handed']
const actions = Object.keys(ACCESS) as Action[]

test('one’s own is allowed to whoever may do it at all, another’s only where it reaches all', () => {
  for (const action of actions) {
    for (const part of PARTS) {
      const reach = ACCESS[action][part]
      expect([action, part, mayDo(part, action, true), mayDo(part, action, false)]).toEqual([
        action,
        part,
        reach !== 'none',
        reach === 'all',
      ])
    }
  }
})

test('nobody below a head changes people, reads the trail, or erases', () => {
  const ofHeads: Action[] = ['change-academy', 'invite-people', 'change-people', 'erase-person', 'see-audit']
  for (const action of ofHeads) expect(PARTS.filter((part) => mayDo(part, action, true))).toEqual(['head'])
})

test('a handed tablet reaches a call, a slip, and being taken back; nothing else', () => {
  const reached = actions.filter((action) => mayDo('handed', action, true))
  expect(reached.sort()).toEqual([
    'fill-slip',
    'make-call',
    'see-academy',
    'see-session',
    'see-tasting',
    'take-back',
  ])
})

test('every action guards an endpoint', () => {
  const used = new Set<Action | null>(Object.values(ENDPOINTS).map(({ action }) => action))
  // One endpoint takes all that happens in a training; which of it is for whom, the server asks of each.
  used.add('lead-training')
  expect(actions.filter((action) => !used.has(action))).toEqual([])
})
