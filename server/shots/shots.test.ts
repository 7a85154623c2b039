import { fieldErrors, shotDetail, shotSummary } from '@calm-apron/contract'
import { noNotes } from '@calm-apron/core'
import fc from 'fast-check'
import { type TestServer, newId, serveTest, shotOf, somebody } from '../testing/serve.ts'

const RECEIVED_AT = '2026-11-23T11:00:00.000Z'
let server: TestServer

beforeAll(async () => {
  server = await serveTest({ now: () => new Date(RECEIVED_AT) })
})
afterAll(() => server.stop())

const put = (shotId: string, body: object) => server.http.put(`/api/v1/shots/${shotId}`).send(body)
const correct = (shotId: string, revisionId: string, body: object) =>
  server.http.put(`/api/v1/shots/${shotId}/revisions/${revisionId}`).send(body)
const correction = (basedOnNo: number, netG: number, reason = 'read the wrong line') => ({
  basedOnNo,
  judgedBy: somebody('trainer'),
  reason,
  correctedAt: '2026-11-23T10:40:00.000Z',
  facts: shotOf({ dose: { by: 'net', netG } }).facts,
})

describe('recording', () => {
  test.each([
    [{ by: 'mark', mark: 'basket-line', at: 'below' }],
    [{ by: 'count', of: 'lever-pulls', count: 6.5 }],
  ] as const)('a dose that was seen is kept as seen: %j', async (dose) => {
    const shotId = newId()
    const answer = await put(shotId, shotOf({ dose })).expect(201)
    expect(shotSummary.parse(answer.body).current.facts.dose).toEqual(dose)
    // A page of the last release knows weights alone, and is told that none is known.
    const former = await server.http
      .get(`/api/v1/shots/${shotId}`)
      .set('Calm-Apron-Contract', '1')
      .expect(200)
    expect(former.body).toMatchObject({ current: { facts: { dose: null } } })
  })

  test('a shot is made once, and comes back as it was sent', async () => {
    const shotId = newId()
    const body = shotOf({
      grindSetting: 13.5,
      machineHot: true,
      basketDry: true,
      basketClean: false,
      dose: { by: 'gross', grossG: 605.7, tareG: 586.4, vesselId: null },
      tamp: { tilt: 'clear', lowSide: 'left', settled: false },
      clock: {
        firstDrop: 'marked',
        firstDropS: 6.4,
        preinfusionEndS: 5.5,
        stopS: 27.3,
        lastDripS: 30.1,
        estimated: true,
      },
      cup: { by: 'net', netG: 38.5 },
      taste: { sour: 0, sweet: 10, bitter: 3, body: null, dryness: 1 },
      look: { stream: 'one-sided', puck: 'thin-side' },
      measured: { cupMl: 45, tampForceN: 131.5, leadG: 1.7 },
      noted: {
        ...noNotes(),
        marks: [{ mark: 'pale', atS: 20.2 }],
        cupsG: [19.1, 19.4],
        predicted: { byPersonS: 30, byToolS: 27.5 },
        signs: { 'thin-crema': true },
        weightAtStopG: 36.8,
      },
    })
    const sent = { ...body, note: 'stream turned pale early', series: { weight: 'a:0 a:f', pressure: null } }
    const answer = await put(shotId, sent).expect(201)
    const { current, stood, ...rest } = shotSummary.parse(answer.body)
    expect(stood).toMatchObject({
      pulledOn: '2026-11-23',
      isPullerTeaching: false,
      grinder: { settingStep: 1 },
    })
    const { facts, judgedBy: _judgedBy, note, focus: _focus, ...setting } = sent
    const unseen = { clockAheadS: null, tasted: { trainee: null, trainer: null } }
    expect(rest).toEqual({ shotId, ...setting, ...unseen })
    expect(current).toEqual({
      revisionId: shotId,
      revisionNo: 1,
      judgedBy: body.judgedBy,
      isClaimed: false,
      isDenied: false,
      isJudgeTeaching: true,
      reason: null,
      note,
      recordedAt: body.pulledAt,
      receivedAt: RECEIVED_AT,
      facts,
    })
  })

  test('the same request again is the same shot, however its keys are ordered', async () => {
    const shotId = newId()
    const body = shotOf()
    await put(shotId, body).expect(201)
    await put(shotId, Object.fromEntries(Object.entries(body).reverse())).expect(200)
    const { revisions } = shotDetail.parse((await server.http.get(`/api/v1/shots/${shotId}`)).body)
    expect(revisions).toHaveLength(1)
  })

  test('sent ten times at once it is one shot', async () => {
    const shotId = newId()
    const answers = await Promise.all(Array.from({ length: 10 }, () => put(shotId, shotOf())))
    expect(answers.map(({ status }) => status).sort()).toEqual([...Array<number>(9).fill(200), 201])
  })

  test('another body under a used id is a conflict, and what was stored stays', async () => {
    const shotId = newId()
    await put(shotId, shotOf()).expect(201)
    const answer = await put(shotId, shotOf({ grindSetting: 3 })).expect(409)
    expect(answer.body).toMatchObject({ code: 'id-taken', type: 'urn:calm-apron:problem:id-taken' })
    expect((await server.http.get(`/api/v1/shots/${shotId}`)).body).toMatchObject({
      current: { facts: { grindSetting: null } },
    })
  })

  test('whatever facts the contract takes come back the same', async () => {
    const tenths = fc.integer({ min: 1, max: 400 }).map((value) => value / 10)
    const weighing = fc.oneof(
      fc.constant(null),
      tenths.map((netG) => ({ by: 'net' as const, netG })),
      fc.tuple(tenths, tenths).map(([netG, tareG]) => ({
        by: 'gross' as const,
        grossG: Math.round((netG + tareG) * 10) / 10,
        tareG,
        vesselId: null,
      })),
    )
    await fc.assert(
      fc.asyncProperty(
        weighing,
        weighing,
        fc.option(fc.boolean(), { nil: null }),
        async (dose, cup, machineHot) => {
          const body = shotOf({ dose, cup, machineHot })
          const answer = await put(newId(), body).expect(201)
          expect(shotSummary.parse(answer.body).current.facts).toEqual(body.facts)
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('refusing', () => {
  test.each([
    ['a dose of 190 g', shotOf({ dose: { by: 'net', netG: 190 } }), 'facts.dose.netG', 'number-too-big'],
    ['a negative cup', shotOf({ cup: { by: 'net', netG: -1 } }), 'facts.cup.netG', 'number-too-small'],
    [
      'a stop before the drop',
      shotOf({ clock: { firstDrop: 'marked', firstDropS: 9, stopS: 4, estimated: false } }),
      'facts.clock.stopS',
      'stop-before-first-drop',
    ],
    [
      'letters',
      { ...shotOf(), facts: { ...shotOf().facts, grindSetting: 'abc' } },
      'facts.grindSetting',
      'wrong-type',
    ],
    ['an unknown trainee', { ...shotOf(), personId: newId() }, 'personId', 'unknown-id'],
    [
      'an unknown trainee with a note',
      { ...shotOf(), personId: newId(), note: 'Pale.' },
      'personId',
      'unknown-id',
    ],
    ['an unknown recipe', { ...shotOf(), recipeRevisionId: newId() }, 'recipeRevisionId', 'unknown-id'],
    ['an unknown bag', { ...shotOf(), bagId: newId() }, 'bagId', 'unknown-id'],
    [
      'an unknown vessel',
      shotOf({ dose: { by: 'gross', grossG: 600, tareG: 582, vesselId: newId() } }),
      'facts.dose.vesselId',
      'unknown-id',
    ],
    ['an id that is none', { ...shotOf(), barId: 'bar' }, 'barId', 'wrong-format'],
    ['a misspelt field', { ...shotOf(), pullAt: 'now' }, 'pullAt', 'unknown-field'],
    ['no date', { ...shotOf(), pulledAt: 'yesterday' }, 'pulledAt', 'wrong-format'],
  ])('%s: 422 at its field, and nothing is stored', async (_name, body, path, reason) => {
    const shotId = newId()
    const answer = await put(shotId, body)
      .expect(422)
      .expect('Content-Type', /problem\+json/)
    expect(answer.body).toMatchObject({
      code: 'invalid-input',
      errors: expect.arrayContaining([expect.objectContaining({ path, reason })]),
    })
    await server.http.get(`/api/v1/shots/${shotId}`).expect(404)
  })

  test('broken JSON is 400, a body of 5 MB 413, a form 415, nothing at all 415', async () => {
    const path = `/api/v1/shots/${newId()}`
    await server.http.put(path).set('Content-Type', 'application/json').send('{"dose": 18.').expect(400)
    await server.http
      .put(path)
      .set('Content-Type', 'application/json')
      .send(`"${'x'.repeat(5_000_000)}"`)
      .expect(413)
    await server.http.put(path).type('form').send({ dose: '18' }).expect(415)
    await server.http.put(path).expect(415)
    await server.http.get(path).expect(404)
  })

  test('an id that is none, and an address that is none, are not found', async () => {
    await put('seven', shotOf()).expect(404)
    const answer = await server.http.get('/api/v1/nothing').expect(404)
    expect(answer.body).toMatchObject({ code: 'not-found', status: 404, requestId: expect.any(String) })
  })

  test('whatever JSON is sent, the answer is never a 500', async () => {
    await fc.assert(
      fc.asyncProperty(fc.jsonValue(), async (anything) => {
        const { status } = await server.http
          .put(`/api/v1/shots/${newId()}`)
          .set('Content-Type', 'application/json')
          .send(JSON.stringify(anything))
        expect([400, 422]).toContain(status)
      }),
      { numRuns: 60 },
    )
  })
})

describe('correcting', () => {
  test('a correction is a new revision; the old one stays visible', async () => {
    const shotId = newId()
    await put(shotId, shotOf()).expect(201)
    const detail = shotDetail.parse((await correct(shotId, newId(), correction(1, 17.9)).expect(201)).body)
    expect(detail.current).toMatchObject({
      revisionNo: 2,
      reason: 'read the wrong line',
      facts: { dose: { netG: 17.9 } },
    })
    expect(detail.revisions.map(({ revisionNo, facts }) => [revisionNo, facts.dose])).toEqual([
      [2, { by: 'net', netG: 17.9 }],
      [1, { by: 'net', netG: 18.2 }],
    ])
  })

  test('of a device whose clock is ahead it is kept, as pulled when it arrived, and says so', async () => {
    const shotId = newId()
    const answer = await put(shotId, shotOf({}, '2098-01-01T00:00:00.000Z')).expect(201)
    const { pulledAt, clockAheadS, current } = shotSummary.parse(answer.body)
    expect(pulledAt).toBe(RECEIVED_AT)
    expect(current.recordedAt).toBe(pulledAt)
    expect(clockAheadS).toBeGreaterThan(86_400)
    await put(shotId, shotOf({}, '2098-01-01T00:00:00.000Z')).expect(200)
    // A tablet may have been without network for weeks, and clocks differ by a little.
    const soon = new Date(Date.parse(RECEIVED_AT) + 60_000).toISOString()
    for (const at of ['2026-01-05T08:00:00.000Z', soon])
      expect((await put(newId(), shotOf({}, at))).body).toMatchObject({ pulledAt: at, clockAheadS: null })
  })

  test('a replayed creation is compared with what was first sent, not with the correction', async () => {
    const shotId = newId()
    await put(shotId, shotOf()).expect(201)
    await correct(shotId, newId(), correction(1, 17.9)).expect(201)
    await put(shotId, shotOf()).expect(200)
  })

  test('the same correction again is one revision; another body under its id is a conflict', async () => {
    const shotId = newId()
    const revisionId = newId()
    await put(shotId, shotOf()).expect(201)
    const answers = await Promise.all(
      Array.from({ length: 5 }, () => correct(shotId, revisionId, correction(1, 17.9))),
    )
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 200, 200, 200, 201])
    const other = await correct(shotId, revisionId, correction(1, 17.8)).expect(409)
    expect(other.body).toMatchObject({ code: 'id-taken' })
  })

  test('of two people who correct the same state, the second is told', async () => {
    const shotId = newId()
    await put(shotId, shotOf()).expect(201)
    const answers = await Promise.all(
      [17.7, 17.8].map((netG) => correct(shotId, newId(), correction(1, netG))),
    )
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 412])
    const loser = answers.find(({ status }) => status === 412)
    expect(loser?.body).toMatchObject({
      code: 'changed-meanwhile',
      versions: { current: { revisionNo: 2 }, yours: { basedOnNo: 1 } },
    })
  })

  test('a correction needs a shot and a reason', async () => {
    const shotId = newId()
    await correct(shotId, newId(), correction(1, 18)).expect(404)
    await put(shotId, shotOf()).expect(201)
    const answer = await correct(shotId, newId(), correction(1, 18, ' ')).expect(422)
    expect(answer.body).toMatchObject({ errors: [{ path: 'reason', reason: 'too-small', limit: 3 }] })
  })
})

test('field errors name the path even at the root', () => {
  const parsed = shotSummary.safeParse(7)
  expect(parsed.success ? [] : fieldErrors(parsed.error)).toEqual([
    expect.objectContaining({ path: '', reason: 'wrong-type' }),
  ])
})
