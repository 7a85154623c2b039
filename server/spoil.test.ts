import { type Action, ROLES } from '@calm-apron/contract'
import { newToken } from './doors/secrets.ts'
import { digestOf } from './testing/digestOf.ts'
import { type TestServer, grinderThing, newId, serveTest, shotOf } from './testing/serve.ts'
import { keepAssessment, programmeContent } from './testing/signOffThings.ts'
import { setupOf } from './testing/trainings.ts'
import { PICTURE } from './testing/things.ts'
import { AWAY, HOME, PASSWORD, PIN, type Somebody, type World, worldIn } from './testing/world.ts'

/**
 * For each action what somebody could do with it to another's day or record: a trainee, whoever holds a tablet that was
 * handed to them, a trainee at a tablet that remembers a trainer and names them, and another academy's head. Nothing of
 * what is kept may change by it, and nothing of the victim be told.
 */
let server: TestServer
let world: World
let victim: Somebody
let trainer: Somebody
let ids: { shotId: string; trainingId: string; thingId: string; assessmentId: string }
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  await world.openOther()
  victim = await world.make('trainee')
  trainer = await world.make('trainer')
  ids = {
    shotId: await world.makeShot(victim, trainer),
    trainingId: newId(),
    thingId: await world.makeThing(trainer),
    assessmentId: await keepAssessment(server.house, victim, trainer.personId),
  }
  await send(trainer.cookie, 'put', `trainings/${ids.trainingId}/events/${newId()}`, {
    ...{ by: trainer.personId, at: now() },
    happening: { kind: 'started', setup: setup() },
  }).expect(201)
})
afterAll(() => server.stop())

const now = () => new Date().toISOString()
const taste = { sour: 3, sweet: 6, bitter: 3, body: 5, dryness: 2 }
const setup = () => setupOf([victim], { grindOwner: 'trainee' })
function send(
  cookie: string,
  method: 'get' | 'put' | 'post' | 'patch' | 'delete',
  path: string,
  body?: object,
) {
  const asked = server.of({ cookie })[method](`/api/v1/${path}`)
  return body === undefined ? asked : asked.send(body)
}

type Attempt = [method: Parameters<typeof send>[1], path: string, body?: object]

/** What each action could be tried for, in somebody's name; an action without a row does not compile. */
function attempts(by: string): Record<Action, Attempt[]> {
  const { shotId, trainingId, thingId, assessmentId } = ids
  const { personId } = victim
  const at = now()
  const { grinderId, bagId, recipeRevisionId } = shotOf()
  const lock = {
    grinderId,
    bagId,
    recipeRevisionId,
    setting: 1,
    doseG: 18,
    basketId: null,
    innerBurrAt: null,
  }
  const slip = { filledBy: by, basedOnNo: 0, reason: null, tastedAt: at }
  const call = { calledBy: by, stage: 'final', cause: null, calledAt: at }
  const event = (happening: object): Attempt => [
    'put',
    `trainings/${trainingId}/events/${newId()}`,
    { by, at, happening },
  ]
  const left = { rinsed: true, wiped: true, handleBack: true }
  const called = { repurposedBy: by, purposeBefore: 'practice', purpose: 'sink', faultShown: null }
  return {
    'see-academy': [['get', 'today']],
    'change-academy': [
      ['patch', 'academy', { basedOnNo: 1, name: 'Spoilt', town: 'Ostrel', timeZone: 'Atlantic/Azores' }],
    ],
    'see-shots': [
      ['get', `shots/${shotId}`],
      ['get', `shots?personId=${personId}`],
      ['get', `shots?trainingId=${trainingId}`],
    ],
    'see-skill': [['get', `people/${personId}/skill`]],
    'give-take-home': [['put', `people/${personId}/take-homes/${newId()}`, { text: 'to spoil it' }]],
    'record-shot': [['put', `shots/${newId()}`, { ...shotOf(), personId, judgedBy: by }]],
    'correct-shot': [
      [
        'put',
        `shots/${shotId}/revisions/${newId()}`,
        { basedOnNo: 1, judgedBy: by, reason: 'to spoil it', correctedAt: at, facts: shotOf().facts },
      ],
    ],
    'see-tasting': [['get', `shots/${shotId}/tasting`]],
    'make-call': [
      ['put', `shots/${shotId}/calls/${newId()}`, { ...call, verdict: 'over', move: 'coarser' }],
      ['put', `shots/${shotId}/calls/${newId()}`, { ...call, verdict: null, move: null }],
    ],
    'fill-slip': [
      ['put', `shots/${shotId}/slips/${newId()}`, { ...slip, side: 'trainee', taste }],
      ['put', `shots/${shotId}/slips/${newId()}`, { ...slip, side: 'trainer', taste }],
      ['put', `shots/${shotId}/slips/${newId()}`, { ...slip, side: 'trainer', taste: null }],
    ],
    overrule: [
      [
        'put',
        `shots/${shotId}/rulings/${newId()}`,
        { ruledBy: by, verdict: 'over', cause: null, move: 'coarser', reason: 'to spoil it', ruledAt: at },
      ],
    ],
    'repurpose-shot': [
      ['put', `shots/${shotId}/purposes/${newId()}`, { ...called, reason: 'to spoil it', repurposedAt: at }],
    ],
    'add-photo': [
      ['put', `shots/${shotId}/photos/${newId()}`, { takenBy: by, takenAt: at, picture: PICTURE }],
    ],
    'see-trainings': [
      ['get', `trainings/${trainingId}`],
      ['get', 'trainings'],
      ['get', 'past-trainings'],
    ],
    'lead-training': [
      event({ kind: 'ended', left }),
      event({ kind: 'changed', setup: setup() }),
      event({ kind: 'break-began' }),
      event({ kind: 'reopened' }),
      [
        'put',
        `trainings/${newId()}/events/${newId()}`,
        { by, at, happening: { kind: 'started', setup: setup() } },
      ],
    ],
    'dial-in': [
      event({ kind: 'locked', lock: { ...lock, shots: 1, grams: 20, money: null } }),
      event({ kind: 'unlocked', why: 'other' }),
    ],
    watch: [
      [
        'put',
        `trainings/${trainingId}/watches/${newId()}`,
        {
          ...{ watchedBy: by, shotId, stepsDone: [], stepsPrompted: [], stepsMissed: ['tamp'] },
          ...{ marks: [], call: null, watchedAt: at },
        },
      ],
    ],
    'tell-stage': [
      [
        'put',
        `trainings/${trainingId}/stages/a`,
        { personId, shotId: newId(), step: 'dose', phase: 'before', pumpS: 0, weightG: null, at },
      ],
    ],
    'see-sign-offs': [
      ['get', `people/${personId}/sign-offs`],
      ['get', `assessments/${assessmentId}`],
      ['get', 'assessments'],
    ],
    assess: (
      [
        { kind: 'ticked', ticks: ['wipes the basket'] },
        { kind: 'closed', why: 'broken-off' },
        { kind: 'appealed' },
        { kind: 'answered' },
        { kind: 'reviewed', finding: 'stands', outcomes: [] },
      ] as const
    ).map((happening): Attempt => [
      'put',
      `assessments/${assessmentId}/events/${newId()}`,
      { by, at, happening, text: 'to spoil it' },
    ]),
    sign: (['pin', 'password'] as const).map((secretBy): Attempt => [
      'put',
      `assessments/${assessmentId}/signatures/${newId()}`,
      {
        at,
        happening: { kind: 'withdrawn' },
        text: 'to spoil it',
        by: secretBy,
        secret: secretBy === 'pin' ? PIN : PASSWORD,
      },
    ]),
    'see-people': [['get', 'people']],
    'invite-people': [
      ['put', `people/${newId()}`, { displayName: 'Somebody Spoilt', role: 'head' }],
      ['put', `people/${personId}/invitations/${newId()}`, { token: newToken() }],
    ],
    'change-people': ROLES.map((role): Attempt => [
      'patch',
      `people/${personId}`,
      { basedOnNo: 1, role, why: '' },
    ]),
    'export-person': [['get', `people/${personId}/export`]],
    'erase-person': [
      ['get', `people/${personId}/erasure`],
      ['post', `people/${personId}/erasure`, { displayName: victim.displayName }],
    ],
    'see-prepared': [['get', 'prepared?kind=recipe']],
    prepare: [
      [
        'put',
        `prepared/${newId()}`,
        { kind: 'programme', parentId: null, content: programmeContent('first-week') },
      ],
      ['patch', `prepared/${thingId}`, { isArchived: true }],
      [
        'put',
        `prepared/${thingId}/revisions/${newId()}`,
        { basedOnNo: 1, thing: grinderThing({ name: 'Spoilt' }) },
      ],
    ],
    'see-audit': [['get', 'audit?limit=100']],
    'decide-set-aside': [['get', 'set-aside']],
    'use-own-door': [
      ['post', 'account/password', { current: PASSWORD.toUpperCase(), next: 'spoilt-by-somebody-else' }],
      ['get', 'sessions'],
    ],
    'decide-claims': [['post', `claims/${shotId}/decision`, { isMine: true }]],
    'hand-over': [['post', 'session/hand-over', { shotId }]],
    'take-back': [['post', 'session/take-back', { pin: '8264' }]],
    'see-session': [['get', 'session']],
  }
}

/** Doors are everyone's own, claims and traces are added by what is allowed; all else must stand as it stood. */
const OWN = ['session', 'remembered_sign_in']

async function trySpoiling(cookie: string, by: string): Promise<string[]> {
  const before = await digestOf(server.house, HOME, OWN)
  const told = await tryAll(cookie, by)
  expect(await digestOf(server.house, HOME, OWN)).toBe(before)
  return told
}

async function tryAll(cookie: string, by: string): Promise<string[]> {
  const told: string[] = []
  for (const [action, tried] of Object.entries(attempts(by))) {
    for (const [method, path, body] of tried) {
      const { status, text } = await send(cookie, method, path, body)
      if (method !== 'get' && status < 400) told.push(`${action}: ${method} ${path} → ${status}`)
      if (text.includes(victim.displayName) || (method === 'get' && text.includes(ids.shotId)))
        told.push(`${action}: ${path} names the victim`)
    }
  }
  return told
}

test('a trainee spoils nothing of another’s', async () => {
  const { cookie, personId } = await world.make('trainee')
  expect(await trySpoiling(cookie, personId)).toEqual([])
})

test('nor does whoever holds a tablet that was handed to them', async () => {
  const holder = await world.make('trainer')
  const acting = await world.make('trainee')
  const shotId = await world.makeShot(acting, holder)
  await send(holder.cookie, 'post', 'session/hand-over', { shotId }).expect(200)
  expect(await trySpoiling(holder.cookie, acting.personId)).toEqual([])
  expect(await trySpoiling(holder.cookie, holder.personId)).toEqual([])
})

test('nor a trainee at a tablet that remembers a trainer, in that trainer’s name', async () => {
  const tablet = server.browser()
  const trainee = await world.make('trainee')
  for (const { signInName } of [trainer, trainee])
    await tablet.post('/api/v1/session').send({ signInName, password: PASSWORD }).expect(200)
  const cookie = tablet.jar
    .getCookies({ domain: '127.0.0.1', path: '/', secure: false, script: false })
    .map((each) => each.toValueString())
    .join('; ')
  expect((await send(cookie, 'get', 'session').expect(200)).body).toMatchObject({
    person: { personId: trainee.personId },
  })
  expect(await trySpoiling(cookie, trainer.personId)).toEqual([])
})

test('nor another academy’s head', async () => {
  const { cookie, personId } = await world.make('head', AWAY)
  const told = await trySpoiling(cookie, personId)
  // Their own academy is theirs to change: what they may do there touches nothing here, as the digests say.
  expect(told.filter((each) => each.includes('names the victim'))).toEqual([])
})

test('of a head the same requests do what they say, so that they were worth refusing', async () => {
  const { cookie, personId } = await world.make('head')
  const done = new Set((await tryAll(cookie, personId)).map((each) => each.split(':')[0]))
  const needed: Action[] = [
    ...(['change-academy', 'record-shot', 'correct-shot', 'make-call', 'fill-slip', 'overrule'] as const),
    ...([
      'add-photo',
      'lead-training',
      'tell-stage',
      'invite-people',
      'change-people',
      'erase-person',
    ] as const),
    ...(['prepare', 'hand-over', 'see-shots', 'see-people', 'export-person'] as const),
  ]
  expect(needed.filter((action) => !done.has(action))).toEqual([])
})
