import { type TurnLimits, fairTurns } from './turns.ts'

const LIMITS: TurnLimits = { atOnce: 2, each: 1, mostWaiting: 3, within: 60_000 }

/** Work that ends when it is told to, and tells that it began. */
function heldWork(began: string[], name: string) {
  let end: () => void = () => undefined
  const ended = new Promise<void>((resolve) => (end = resolve))
  const work = async () => {
    began.push(name)
    await ended
    return name
  }
  return { work, end }
}

const settled = () => new Promise((resolve) => setImmediate(resolve))

test('one who asks for much at once waits for themselves, and nobody waits for them', async () => {
  const turns = fairTurns(LIMITS)
  const began: string[] = []
  const held = ['a1', 'a2', 'a3', 'b1'].map((name) => ({ name, ...heldWork(began, name) }))
  const done = held.map(({ name, work }) => turns.take(name.charAt(0), work))
  await settled()
  expect(began).toEqual(['a1', 'b1'])
  for (const { end } of held) end()
  expect(await Promise.all(done)).toEqual(['a1', 'a2', 'a3', 'b1'])
  expect(began).toEqual(['a1', 'b1', 'a2', 'a3'])
})

test('they take turns, however much one of them asked for first', async () => {
  const turns = fairTurns({ ...LIMITS, atOnce: 1 })
  const began: string[] = []
  const names = ['a1', 'a2', 'a3', 'b1', 'c1', 'b2']
  await Promise.all(names.map((name) => turns.take(name.charAt(0), () => Promise.resolve(began.push(name)))))
  expect(began).toEqual(['a1', 'a2', 'b1', 'c1', 'a3', 'b2'])
})

test('one of whom too much waits is told so; what waits is not lost', async () => {
  const turns = fairTurns(LIMITS)
  const first = heldWork([], 'first')
  const done = [
    turns.take('a', first.work),
    ...[1, 2, 3].map((no) => turns.take('a', () => Promise.resolve(no))),
  ]
  await expect(turns.take('a', () => Promise.resolve(4))).rejects.toMatchObject({ code: 'overloaded' })
  first.end()
  expect(await Promise.all(done)).toEqual(['first', 1, 2, 3])
})

test('whoever gets no turn in time is told so, and the others go on', async () => {
  const turns = fairTurns({ ...LIMITS, within: 1 })
  const first = heldWork([], 'first')
  const done = turns.take('a', first.work)
  await expect(turns.take('a', () => Promise.resolve('late'))).rejects.toMatchObject({ code: 'overloaded' })
  first.end()
  expect(await done).toBe('first')
  expect(await turns.take('a', () => Promise.resolve('again'))).toBe('again')
})

test('work that fails gives its turn back', async () => {
  const turns = fairTurns({ ...LIMITS, atOnce: 1 })
  await expect(turns.take('a', () => Promise.reject(new Error('no')))).rejects.toThrow('no')
  expect(await turns.take('b', () => Promise.resolve('on'))).toBe('on')
})
