import { assessingIn } from '../testing/assessing.ts'
import { type TestServer, serveTest } from '../testing/serve.ts'

let server: TestServer
let assessing: Awaited<ReturnType<typeof assessingIn>>
beforeAll(async () => {
  server = await serveTest()
  assessing = await assessingIn(server)
})
afterAll(() => server.stop())

test('an appeal is looked at by somebody else who is not told, answered, and settled by the head', async () => {
  const { trainer, second, head, note, sign, read, signOffs, begin, wholeSet, close, decide } = assessing
  const begun = await begin()
  const { assessmentId, trainee } = begun
  await wholeSet(begun, [5, 5, 5])
  await close(begun).expect(201)
  await decide(begun)
  await note(trainee, assessmentId, { kind: 'appealed' }).expect(422)
  await note(trainee, assessmentId, { kind: 'appealed' }, 'The scale was moved.').expect(201)
  await note(trainee, assessmentId, { kind: 'appealed' }, 'Once more.').expect(422)

  const blind = await read(trainer, assessmentId)
  expect(blind.isBlind).toBe(true)
  expect(JSON.stringify(blind.events)).not.toContain('"not-yet"')
  expect((await read(trainee, assessmentId)).isBlind).toBe(false)
  const yieldShown = [
    { part: 'dose', result: 'shown' },
    { part: 'yield', result: 'shown' },
    { part: 'safety', result: 'noted' },
  ]
  const reviewed = { kind: 'reviewed', finding: 'otherwise', outcomes: yieldShown }
  await note(second, assessmentId, reviewed, 'I was right.').expect(422)
  await sign(head, assessmentId, { kind: 'settled', outcomes: yieldShown }, { text: 'Too early.' }).expect(
    422,
  )
  await note(trainer, assessmentId, reviewed, 'The scale stood on the cloth.').expect(201)
  await note(trainee, assessmentId, { kind: 'answered' }, 'So it was.').expect(201)
  await sign(trainer, assessmentId, { kind: 'settled', outcomes: yieldShown }, { text: 'So be it.' }).expect(
    403,
  )
  await sign(head, assessmentId, { kind: 'settled', outcomes: yieldShown }, { text: 'So be it.' }).expect(201)
  expect((await signOffs(trainee, trainee)).standing).toMatchObject({ is: 'signed' })
  const { events } = await read(head, assessmentId)
  expect(events.map(({ happening }) => happening.kind)).toEqual([
    'begun',
    'closed',
    'decided',
    'appealed',
    'reviewed',
    'answered',
    'settled',
  ])
  await sign(head, assessmentId, { kind: 'withdrawn' }, { text: 'Another machine.' }).expect(201)
  expect((await signOffs(trainee, trainee)).standing).toMatchObject({ is: 'withdrawn' })
})
