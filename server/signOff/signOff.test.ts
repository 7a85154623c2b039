import { type Assessment, type PersonSkill, personExport, shotList } from '@calm-apron/contract'
import { MACHINE_KINDS, RULES_VERSION } from '@calm-apron/core'
import { workOutAll } from '../skill/workOut.ts'
import { assessingIn } from '../testing/assessing.ts'
import { DEMO, type TestServer, newId, serveTest, shotOf } from '../testing/serve.ts'
import { keepProgramme, programmeContent } from '../testing/signOffThings.ts'
import { setupOf } from '../testing/trainings.ts'
import { HOME, PASSWORD, PIN, type Somebody } from '../testing/world.ts'

let server: TestServer
let assessing: Awaited<ReturnType<typeof assessingIn>>
beforeAll(async () => {
  server = await serveTest()
  assessing = await assessingIn(server)
})
afterAll(() => server.stop())

test('a set is begun, pulled, ended, decided and stands signed; to whoever is assessed nothing opens before its end', async () => {
  const { second, read, signOffs, begin, wholeSet, close, decide } = assessing
  const begun = await begin()
  const { assessmentId, trainee } = begun
  expect((await read(second, assessmentId)).progress?.next).toBe('reference')
  const [first = ''] = await wholeSet(begun)
  expect((await read(second, assessmentId)).progress).toMatchObject({ next: 'close', isBarRight: true })

  const sealed = await server.of(trainee).get(`/api/v1/shots/${first}`)
  expect([sealed.status, (sealed.body as { code: string }).code]).toEqual([409, 'call-first'])
  const listed = shotList.parse((await server.of(trainee).get('/api/v1/shots').expect(200)).body)
  expect(listed.shots.map(({ shotId }) => shotId)).not.toContain(first)
  expect(await read(trainee, assessmentId)).toMatchObject({ progress: null, judged: null, digest: null })

  await close(begun).expect(201)
  await server.of(trainee).get(`/api/v1/shots/${first}`).expect(200)
  expect((await read(trainee, assessmentId)).judged).toBeNull()
  expect((await decide(begun)).status).toBe(201)
  expect(await signOffs(trainee, trainee)).toMatchObject({ standing: { is: 'signed', assessmentId } })
  expect((await read(trainee, assessmentId)).judged?.map(({ part, result }) => [part, result])).toEqual([
    ['dose', 'shown'],
    ['yield', 'shown'],
    ['safety', 'noted'],
  ])
})

test('a part that failed is repeated by itself, from the next day, or with a reason', async () => {
  const { second, read, whyNot, signOffs, setupFor, begin, wholeSet, close, decide } = assessing
  const begun = await begin()
  await wholeSet(begun, [5, 5, 5])
  await close(begun).expect(201)
  await decide(begun)
  const { standing } = await signOffs(second, begun.trainee)
  expect(standing).toMatchObject({ is: 'not-yet', open: ['yield'] })
  const again = {
    kind: 'begun',
    setup: setupFor(begun.trainee, begun.trainingId, { parts: ['yield'], after: begun.assessmentId }),
  }
  // By a server's clock, so that it is the day of the decision at whatever hour the tests run.
  const decidedMs = Date.parse((await read(second, begun.assessmentId)).events.at(-1)?.at ?? '')
  const whyNotAfter = async (hours: number) =>
    whyNot(
      second,
      again,
      '',
      server.beside(() => new Date(decidedMs + hours * 3_600_000)),
    )
  expect([await whyNotAfter(0), await whyNotAfter(36)]).toEqual(['too-soon', 'reason-needed'])
  const repeated = await begin({ parts: ['yield'], after: begun.assessmentId }, begun.trainee)
  await wholeSet(repeated)
  await close(repeated).expect(201)
  await decide(repeated)
  expect((await signOffs(second, begun.trainee)).standing).toMatchObject({ is: 'signed' })
})

test('who may not begin: whoever learns, oneself, their own trainer; and not without a reason before the run is there', async () => {
  const { world, trainer, second, whyNot, setupFor, at } = assessing
  const trainee = await world.make('trainee')
  await world.makeShot(trainee, trainer, { pulledAt: at() })
  const trainingId = newId()
  await server
    .of(second)
    .put(`/api/v1/trainings/${trainingId}/events/${newId()}`)
    .send({ by: second.personId, at: at(), happening: { kind: 'started', setup: setupOf([trainee]) } })
    .expect(201)
  const begun = (whom: Somebody, also: object = {}) => ({
    kind: 'begun',
    setup: setupFor(whom, trainingId, also),
  })
  expect(await whyNot(trainee, begun(trainee))).toBe(403)
  expect(await whyNot(trainer, begun(trainer))).toBe('not-oneself')
  expect(await whyNot(trainer, begun(trainee))).toBe('their-trainer')
  expect(await whyNot(trainer, begun(trainee, { isOffline: true }), '')).toBe('their-trainer')
  expect(await whyNot(second, begun(trainee), '')).toBe('reason-needed')
  expect(await whyNot(second, begun(trainee, { parts: ['taste'] }))).toBe('not-in-programme')
  expect(await whyNot(second, begun(trainee, { trainingId: null }))).toBe('missing')
  expect(await whyNot(second, begun(trainee, { programmeRevisionId: newId() }))).toBe('unknown-id')
})

test('a set that is not whole is not decided; one that was broken off counts for nothing and opens', async () => {
  const { second, signOffs, begin, pulled, close } = assessing
  const begun = await begin()
  await pulled(begun, { purpose: 'reference' })
  const shotId = await pulled(begun)
  await close(begun).expect(422)
  await close(begun, 'illness').expect(422)
  await close(begun, 'illness', 'Felt unwell.').expect(201)
  await server.of(begun.trainee).get(`/api/v1/shots/${shotId}`).expect(200)
  expect((await signOffs(second, begun.trainee)).standing).toEqual({ is: 'none' })
})

test('nobody signs with another secret, what they have not seen, or otherwise than the rules without a reason', async () => {
  const { trainer, second, sign, read, begin, wholeSet, close, decide } = assessing
  const begun = await begin()
  await wholeSet(begun, [5, 5, 5])
  await close(begun).expect(201)
  const { judged, digest } = await read(second, begun.assessmentId)
  const proposed = (judged ?? []).map(({ part, result }) => ({ part, result }))
  const decision = { kind: 'decided', outcomes: proposed, proposed, digest, rulesVersion: RULES_VERSION }
  await sign(second, begun.assessmentId, decision, { secret: '0000' }).expect(401)
  await sign(second, begun.assessmentId, { ...decision, digest: 'of other facts' }).expect(412)
  await sign(second, begun.assessmentId, { ...decision, proposed: [] }).expect(422)
  await sign(second, begun.assessmentId, { ...decision, outcomes: proposed.slice(1) }).expect(422)
  await sign(trainer, begun.assessmentId, decision).expect(422)
  expect((await decide(begun, { yield: 'shown' })).status).toBe(422)
  expect((await decide(begun, { yield: 'shown' }, 'The cup stood on a cloth.')).status).toBe(201)
  const { events } = await read(begun.trainee, begun.assessmentId)
  expect(events.at(-1)).toMatchObject({ text: 'The cup stood on a cloth.', by: second.personId })
})

test('a password signs as well; what is sent twice is signed once, and no digest of a secret is kept', async () => {
  const { second, read, begin, wholeSet, close, at } = assessing
  const begun = await begin()
  await wholeSet(begun)
  await close(begun).expect(201)
  const { judged, digest } = await read(second, begun.assessmentId)
  const proposed = (judged ?? []).map(({ part, result }) => ({ part, result }))
  const happening = { kind: 'decided', outcomes: proposed, proposed, digest, rulesVersion: RULES_VERSION }
  const body = { at: at(), happening, text: '', by: 'password', secret: PASSWORD }
  const path = `/api/v1/assessments/${begun.assessmentId}/signatures/${newId()}`
  await server.of(second).put(path).send(body).expect(201)
  await server
    .of(second)
    .put(path)
    .send({ ...body, by: 'pin', secret: PIN })
    .expect(200)
})

test('a fact that is corrected afterwards shows: the record has changed since', async () => {
  const { second, read, begin, wholeSet, close, decide, at } = assessing
  const begun = await begin()
  const [first = ''] = await wholeSet(begun)
  await close(begun).expect(201)
  await decide(begun)
  const signedOf = (told: Assessment) =>
    told.events.flatMap(({ happening }) => (happening.kind === 'decided' ? [happening.digest] : []))[0]
  const before = await read(second, begun.assessmentId)
  expect(before.digest).toBe(signedOf(before))
  const { facts } = shotOf()
  await server
    .of(second)
    .put(`/api/v1/shots/${first}/revisions/${newId()}`)
    .send({
      basedOnNo: 1,
      judgedBy: second.personId,
      reason: 'mistyped',
      note: null,
      correctedAt: at(),
      facts,
    })
    .expect(201)
  const after = await read(second, begun.assessmentId)
  expect(after.digest).not.toBe(signedOf(after))
})

test('programmes are the heads’ alone, by form and by file', async () => {
  const { trainer, head } = assessing
  const thing = { kind: 'programme', parentId: null, content: programmeContent('first-week') }
  await server.of(trainer).put(`/api/v1/prepared/${newId()}`).send(thing).expect(403)
  const preparedId = newId()
  await server.of(head).put(`/api/v1/prepared/${preparedId}`).send(thing).expect(201)
  await server.of(trainer).patch(`/api/v1/prepared/${preparedId}`).send({ isArchived: true }).expect(403)
  const rows = [{ preparedId: newId(), thing }]
  const { body } = await server
    .of(trainer)
    .post('/api/v1/prepared/import')
    .send({ isPreview: false, rows, earlierIds: [] })
    .expect(200)
  expect(JSON.stringify(body)).toContain('heads-only')
})

test('whoever learns puts no shot of their own into a set', async () => {
  const { begin } = assessing
  const { assessmentId, trainee, trainingId } = await begin()
  const body = {
    ...shotOf(),
    personId: trainee.personId,
    judgedBy: trainee.personId,
    trainingId,
    assessmentId,
  }
  const { body: told } = await server.of(trainee).put(`/api/v1/shots/${newId()}`).send(body).expect(422)
  expect(JSON.stringify(told)).toContain('assessmentId')
})

test('a sign-off stands on the ladder and in what is exported; erased, the record keeps no name and no words', async () => {
  const { second, head, begin, wholeSet, close, decide, read } = assessing
  const begun = await begin()
  await wholeSet(begun)
  await close(begun).expect(201)
  await decide(begun, { yield: 'not-yet' }, 'The cup was moved.')
  const again = await begin({ parts: ['yield'], after: begun.assessmentId }, begun.trainee)
  await wholeSet(again)
  await close(again).expect(201)
  await decide(again)
  await workOutAll(server.house)
  const { personId, displayName } = begun.trainee
  const { body } = await server.of(begun.trainee).get(`/api/v1/people/${personId}/skill`).expect(200)
  expect((body as PersonSkill).families[0]?.rung).toBe('signed-off')
  const told = await server.of(begun.trainee).get(`/api/v1/people/${personId}/export`).expect(200)
  expect(personExport.parse(told.body).assessments.map(({ assessmentId }) => assessmentId)).toEqual([
    begun.assessmentId,
    again.assessmentId,
  ])
  await server.of(head).post(`/api/v1/people/${personId}/erasure`).send({ displayName }).expect(200)
  const kept = await read(second, begun.assessmentId)
  expect(kept.events.map(({ text }) => text)).toEqual([null, null, null])
  expect(JSON.stringify(kept)).not.toContain(displayName)
})

test('a programme of other recipes, or of other machines, is not assessed here', async () => {
  const { second, note, begin, setupFor } = assessing
  const { trainee } = await begin()
  const other = DEMO.prepared.filter(({ thing }) => thing.kind === 'recipe')[1]?.preparedId ?? ''
  const machine = DEMO.prepared.find(({ thing }) => thing.kind === 'machine')
  const kind = machine?.thing.kind === 'machine' ? machine.thing.content.kind : null
  const machineKinds = MACHINE_KINDS.filter((each) => each !== kind)
  const reasonFor = async (also: object, setup: object = {}) => {
    const content = programmeContent('espresso-at-the-bar', also)
    const programmeId = await keepProgramme(server.house, HOME, content)
    const its = { ...setupFor(trainee, newId()), programmeId, programmeRevisionId: programmeId, ...setup }
    const { body } = await note(second, newId(), { kind: 'begun', setup: its }, 'a reason')
    return (body as { errors: { path: string; reason: string }[] }).errors[0]
  }
  expect(await reasonFor({ recipes: [{ recipeId: other }] })).toMatchObject({
    path: 'happening.setup.recipeRevisionId',
    reason: 'not-in-programme',
  })
  expect(await reasonFor({ machineKinds }, { machineId: machine?.preparedId })).toMatchObject({
    path: 'happening.setup.machineId',
    reason: 'not-in-programme',
  })
})

test('whoever learns, at a tablet that remembers their trainer, neither begins, ticks off nor ends in that trainer’s name', async () => {
  const { second, begin, note, read, setupFor } = assessing
  const { assessmentId, trainingId, trainee } = await begin()
  const tablet = server.browser()
  for (const { signInName } of [second, trainee])
    await tablet.post('/api/v1/session').send({ signInName, password: PASSWORD }).expect(200)
  const cookie = tablet.jar
    .getCookies({ domain: '127.0.0.1', path: '/', secure: false, script: false })
    .map((each) => each.toValueString())
    .join('; ')
  const asTrainer = { ...second, cookie }
  await note(asTrainer, assessmentId, { kind: 'closed', why: 'broken-off' }, 'a reason').expect(403)
  await note(asTrainer, newId(), { kind: 'begun', setup: setupFor(trainee, trainingId) }, 'a reason').expect(
    403,
  )
  await note(asTrainer, assessmentId, { kind: 'ticked', ticks: [] }).expect(403)
  expect((await read(second, assessmentId)).events).toHaveLength(1)
})
