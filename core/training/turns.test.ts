import { seatedToo, turnsAt } from './turns.ts'

const seat = (personId: string, groupNo = 0) => ({ personId, machineId: 'm', groupNo })
const [ida, teo, mae] = [seat('ida'), seat('teo'), seat('mae')]
const names = (turns: ReturnType<typeof turnsAt>) =>
  [turns.pulling, turns.watching, turns.next].map((each) => each?.personId ?? null)

test('of three at a group one pulls, one watches, one is next, in turn', () => {
  const pulled = new Map([['ida', 1]])
  expect(names(turnsAt([ida, teo, mae], pulled, 'ida'))).toEqual(['ida', 'mae', 'teo'])
  pulled.set('teo', 1)
  expect(names(turnsAt([ida, teo, mae], pulled, 'teo'))).toEqual(['teo', 'ida', 'mae'])
})

test('of two whoever is next watches; alone nobody does, and one is next again', () => {
  expect(names(turnsAt([ida, teo], new Map(), 'ida'))).toEqual(['ida', 'teo', 'teo'])
  expect(names(turnsAt([ida], new Map(), 'ida'))).toEqual(['ida', null, 'ida'])
})

test('before anybody pulls nobody watches; a trainer at the group is nobody’s turn', () => {
  expect(names(turnsAt([ida, teo], new Map(), null))).toEqual([null, null, 'ida'])
  expect(names(turnsAt([ida, teo], new Map(), 'trainer'))).toEqual([null, null, 'ida'])
  expect(names(turnsAt([], new Map(), null))).toEqual([null, null, null])
})

test('a latecomer stands where the fewest stand, once', () => {
  const seats = [ida, teo, seat('mae', 1)]
  const more = seatedToo(seats, 'late')
  expect(more.at(-1)).toEqual(seat('late', 1))
  expect(seatedToo(more, 'late')).toEqual(more)
})
