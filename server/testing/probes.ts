import type { Action, Endpoints, Part } from '@calm-apron/contract'
import { newToken } from '../doors/secrets.ts'
import { grinderThing, newId, shotOf } from './serve.ts'
import { MADE_ON, THERE, TRAINING_PROBES, always, at } from './trainingProbes.ts'
import { SIGN_OFF_PROBES } from './signOffProbes.ts'
import { PICTURE } from './things.ts'
import { PASSWORD, PIN, type Somebody } from './world.ts'

export const ASKERS = [
  'nobody',
  'trainee',
  'other trainee',
  'trainer',
  'head',
  'handed',
  'other head',
] as const
export type Asker = (typeof ASKERS)[number]

/** Whose the thing is that is asked about: the asker's, another's of their academy, one of the other academy, or none. */
export const THINGS = ['own', 'other’s', 'other academy’s', 'missing'] as const
export type Thing = (typeof THINGS)[number]

/** What a probe finds: ids of each kind of thing, made for this one request. */
export interface Found {
  asker: Somebody
  part: Part
  thing: Thing
  shotId: string
  personId: string
  displayName: string
  sessionId: string
  setAsideId: string
  trainingId: string
  claimId: string
  assessmentId: string
  /** A grinder of the asker's academy, whoever made it; or of the other one's. */
  preparedId: string
}

/** One way to ask an endpoint, and the statuses it answers those with who may. */
export interface Probe {
  ask: (found: Found) => { params?: object; query?: object; body?: object }
  /** One number where nothing in the request names a thing. */
  answers: number | Record<Thing, number>
  /** The action that this request needs, where that is another than the endpoint's. */
  action?: Action
}

const NAMED = { own: 201, 'other’s': 201, 'other academy’s': 422, missing: 422 } as const

const onShot = ({ shotId }: Found) => ({ params: { shotId } })
const onPerson = ({ personId }: Found) => ({ params: { personId } })
const onThing = ({ preparedId }: Found) => ({ params: { preparedId } })
const taste = { sour: 3, sweet: 6, bitter: 3, body: 5, dryness: 2 }

/** A row for every route: one that has none does not compile. */
export const PROBES: Record<keyof Endpoints, Probe[]> = {
  getDoors: [{ ask: always, answers: 200 }],
  setUp: [
    {
      ask: () => ({
        body: {
          code: 'AAAA-AAAA',
          academy: { academyId: newId(), name: 'Theirs', town: 'Ostrel', timeZone: 'Atlantic/Azores' },
          head: { personId: newId(), displayName: 'A', signInName: 'a@b.invalid', password: PASSWORD },
        },
      }),
      answers: 409,
    },
  ],
  signIn: [{ ask: () => ({ body: { signInName: newId(), password: PASSWORD } }), answers: 401 }],
  signInDemo: [{ ask: () => ({ body: { personId: newId() } }), answers: 401 }],
  signInPin: [{ ask: () => ({ body: { personId: newId(), pin: PIN } }), answers: 401 }],
  lookAtInvitation: [{ ask: () => ({ body: { token: newToken() } }), answers: 410 }],
  useInvitation: [
    { ask: () => ({ body: { token: newToken(), signInName: null, password: PASSWORD } }), answers: 410 },
  ],
  getSession: [{ ask: always, answers: 200 }],
  signOut: [{ ask: always, answers: 200 }],
  signOutEverywhere: [{ ask: always, answers: 200 }],
  listSessions: [{ ask: always, answers: 200 }],
  endSession: [{ ask: ({ sessionId }) => ({ params: { sessionId } }), answers: THERE }],
  changePassword: [
    { ask: () => ({ body: { current: PASSWORD, next: 'another-tern-at-the-quay' } }), answers: 200 },
  ],
  changePin: [{ ask: () => ({ body: { password: PASSWORD, pin: '271828' } }), answers: 200 }],
  handOver: [{ ask: ({ shotId }) => ({ body: { shotId } }), answers: THERE }],
  listClaims: [{ ask: always, answers: 200 }],
  decideClaim: [
    {
      // One's own alone: to anyone else it is not there, whatever their part.
      ask: ({ claimId }) => ({ params: { recordId: claimId }, body: { isMine: true } }),
      answers: { own: 200, 'other’s': 404, 'other academy’s': 404, missing: 404 },
    },
  ],
  takeBack: [{ ask: () => ({ body: { pin: PIN } }), answers: 200 }],

  today: [{ ask: always, answers: 200 }],
  changeAcademy: [
    {
      ask: () => ({ body: { basedOnNo: 99, name: 'B', town: 'C', timeZone: 'Atlantic/Azores' } }),
      answers: 412,
    },
  ],
  listPeople: [{ ask: always, answers: 200 }],
  putPerson: [
    {
      ask: (found) => ({ ...onPerson(found), body: { displayName: 'New', role: 'trainee' } }),
      // Ids are each academy's own, so that nothing is learnt from one that is taken elsewhere.
      answers: { own: 409, 'other’s': 409, 'other academy’s': 201, missing: 201 },
    },
  ],
  changePerson: [
    {
      ask: (found) => ({ ...onPerson(found), body: { basedOnNo: 1, displayName: 'Renamed', why: '' } }),
      answers: THERE,
    },
  ],
  putInvitation: [
    {
      ask: ({ personId }) => ({
        params: { personId, invitationId: newId() },
        body: { token: newToken() },
      }),
      answers: MADE_ON,
    },
  ],
  exportPerson: [{ ask: onPerson, answers: THERE }],
  previewErasure: [{ ask: onPerson, answers: THERE }],
  erasePerson: [
    { ask: (found) => ({ ...onPerson(found), body: { displayName: found.displayName } }), answers: THERE },
  ],
  listAudit: [{ ask: always, answers: 200 }],
  listSetAside: [{ ask: always, answers: 200 }],
  decideSetAside: [
    {
      ask: ({ setAsideId }) => ({ params: { setAsideId }, body: { decision: 'drop', why: 'a test' } }),
      answers: THERE,
    },
  ],

  listPrepared: [{ ask: () => ({ query: { kind: 'recipe' } }), answers: 200 }],
  getPrepared: [{ ask: onThing, answers: THERE }],
  putPrepared: [
    {
      ask: (found) => ({ ...onThing(found), body: grinderThing({ name: 'Another' }) }),
      answers: { own: 409, 'other’s': 409, 'other academy’s': 201, missing: 201 },
    },
  ],
  putPreparedRevision: [
    {
      ask: ({ preparedId }) => ({
        params: { preparedId, revisionId: newId() },
        body: { basedOnNo: 1, thing: grinderThing({ purgeG: 6 }) },
      }),
      answers: MADE_ON,
    },
  ],
  archivePrepared: [{ ask: (found) => ({ ...onThing(found), body: { isArchived: true } }), answers: THERE }],
  importPrepared: [
    { ask: () => ({ body: { isPreview: true, earlierIds: [], rows: [{ nonsense: 1 }] } }), answers: 200 },
  ],
  exportPrepared: [{ ask: always, answers: 200 }],
  coffeeUse: [{ ask: always, answers: 200 }],
  workedSettings: [{ ask: onThing, answers: THERE }],
  grindHistory: [
    {
      ask: ({ preparedId }) => ({
        params: { preparedId },
        query: { recipeRevisionId: shotOf().recipeRevisionId },
      }),
      answers: THERE,
    },
  ],

  listShots: [
    { ask: always, answers: 200 },
    // Whoever may see all asks for a list, and a list of nothing is empty.
    {
      ask: ({ personId }) => ({ query: { personId } }),
      answers: { own: 200, 'other’s': 200, 'other academy’s': 200, missing: 200 },
    },
  ],
  getShot: [{ ask: onShot, answers: THERE }],
  listSkill: [{ ask: always, answers: 200 }],
  getSkill: [{ ask: onPerson, answers: THERE }],
  // Those whom they are asked for are those who learn; a trainer’s or head’s own is nobody’s to give.
  putTakeHome: [
    {
      ask: ({ personId }) => ({ params: { personId, takeHomeId: newId() }, body: { text: 'Aim lower.' } }),
      answers: { own: 404, 'other’s': 201, 'other academy’s': 404, missing: 404 },
    },
  ],
  ...SIGN_OFF_PROBES,
  putShot: [
    {
      ask: ({ asker, personId }) => ({
        params: { shotId: newId() },
        body: { ...shotOf(), personId, judgedBy: asker.personId },
      }),
      answers: NAMED,
    },
    // Under an id that is taken: one's own is the same again; of another's one is told by an id of one's academy only.
    {
      ask: ({ asker, shotId, personId }) => ({
        params: { shotId },
        body: { ...shotOf(), personId, judgedBy: asker.personId },
      }),
      answers: { own: 200, 'other’s': 409, 'other academy’s': 422, missing: 422 },
    },
  ],
  putCorrection: [
    {
      ask: ({ asker, shotId }) => ({
        params: { shotId, revisionId: newId() },
        body: {
          basedOnNo: 1,
          judgedBy: asker.personId,
          reason: 'a test',
          correctedAt: at,
          facts: shotOf({ grindSetting: 9 }).facts,
        },
      }),
      answers: MADE_ON,
    },
  ],
  getTasting: [{ ask: onShot, answers: THERE }],
  putCall: [
    {
      ask: ({ asker, shotId }) => ({
        params: { shotId, callId: newId() },
        body: {
          calledBy: asker.personId,
          stage: 'first',
          verdict: 'balanced',
          cause: null,
          move: null,
          calledAt: at,
        },
      }),
      answers: MADE_ON,
    },
  ],
  putSlip: [
    {
      ask: ({ asker, shotId, thing }) => ({
        params: { shotId, slipId: newId() },
        // Whoever pulled fills the trainee's side, whoever watched the trainer's.
        body: {
          filledBy: asker.personId,
          side: thing === 'own' ? 'trainee' : 'trainer',
          basedOnNo: 0,
          reason: null,
          taste,
          tastedAt: at,
        },
      }),
      answers: MADE_ON,
    },
  ],
  putRuling: [
    {
      ask: ({ asker, shotId }) => ({
        params: { shotId, rulingId: newId() },
        body: {
          ruledBy: asker.personId,
          verdict: 'under',
          cause: null,
          move: 'finer',
          reason: 'a test',
          ruledAt: at,
        },
      }),
      answers: MADE_ON,
    },
  ],
  putRepurposing: [
    {
      ask: ({ asker, shotId }) => ({
        params: { shotId, repurposingId: newId() },
        body: {
          repurposedBy: asker.personId,
          purposeBefore: 'practice',
          purpose: 'sink',
          faultShown: null,
          reason: 'a test',
          repurposedAt: at,
        },
      }),
      answers: MADE_ON,
    },
  ],
  putPhoto: [
    {
      ask: ({ asker, shotId }) => ({
        params: { shotId, photoId: newId() },
        body: {
          takenBy: asker.personId,
          takenAt: at,
          picture: PICTURE,
        },
      }),
      answers: MADE_ON,
    },
  ],

  ...TRAINING_PROBES,
}
