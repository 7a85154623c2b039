import type pg from 'pg'
import type { PassedOn } from './hub.ts'
import { tellInPassing } from './inPassing.ts'

const news = (shotId: string): PassedOn => ({
  academyId: 'here',
  personId: null,
  news: { kind: 'shot', shotId, trainingId: null },
})

/** A database that answers when the test lets it. */
function database() {
  const sent: { shots: string[]; answer: (error?: Error) => void }[] = []
  const query = (asked: pg.QueryConfig<[string, string[]]>) =>
    new Promise((resolve, reject) => {
      const shots = (asked.values?.[1] ?? []).map((payload) => /"shotId":"(\w+)"/.exec(payload)?.[1] ?? '')
      const answer = (error?: Error) => (error === undefined ? resolve(undefined) : reject(error))
      sent.push({ shots, answer })
    })
  // The pool's own method has many forms, of which this is the one that is used.
  return { sent, tell: tellInPassing({ query } as unknown as pg.Pool) }
}

test('what comes while the last is still being told is told together, in its order', async () => {
  const { sent, tell } = database()
  const told: string[] = []
  const say = (shotId: string) => tell(news(shotId)).then(() => told.push(shotId))
  const first = say('a')
  const others = [say('b'), say('c')]
  expect(sent.map(({ shots }) => shots)).toEqual([['a']])
  sent[0]?.answer()
  await first
  expect(told).toEqual(['a'])
  expect(sent.map(({ shots }) => shots)).toEqual([['a'], ['b', 'c']])
  sent[1]?.answer()
  await Promise.all(others)
  expect(told).toEqual(['a', 'b', 'c'])
})

test('whoever could not be told of is said so, and the next is told all the same', async () => {
  const { sent, tell } = database()
  const failing = [tell(news('a')), tell(news('b'))]
  sent[0]?.answer(new Error('gone'))
  await expect(failing[0]).rejects.toThrow('gone')
  sent[1]?.answer()
  await failing[1]
  const later = tell(news('c'))
  sent[2]?.answer()
  await later
})

test('of what can’t be told only so much is kept waiting', async () => {
  const { sent, tell } = database()
  const waiting = Array.from({ length: 2001 }, (_, no) => tell(news(String(no))))
  await expect(tell(news('more'))).rejects.toMatchObject({ code: 'overloaded' })
  sent[0]?.answer()
  await waiting[0]
  sent[1]?.answer()
  await Promise.all(waiting)
})
