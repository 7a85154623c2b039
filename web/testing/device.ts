import 'fake-indexeddb/auto'
import { setMaxListeners } from 'node:events'
import { SHOT_BY_ITSELF, type SessionState, type ShotInput, type Today } from '@calm-apron/contract'
import { unknownFacts } from '@calm-apron/core'
import { PiniaColada } from '@pinia/colada'
import { type Pinia, createPinia, disposePinia, setActivePinia } from 'pinia'
import { createApp } from 'vue'
import { doorBell } from '../data/api/client.ts'
import { deviceDatabase } from '../data/device/deviceDatabase.ts'

/** What a test's server says: a status and a body, or nothing at all. */
export type Said = { status?: number; body: unknown } | 'nothing'

export const ACADEMY = {
  academyId: '019a5c00-0000-7001-8000-000000000001',
  name: 'Tern & Thimble',
  town: 'Ostrel',
  timeZone: 'Atlantic/Azores',
  clockHabit: '24-hours' as const,
}
export const ODALYS = '019a5c00-0000-7002-8000-000000000001'
export const IDA = '019a5c00-0000-7002-8000-000000000002'

export function sessionOf(personId: string): SessionState {
  return {
    sessionId: `019a5c00-0000-7fff-8000-${personId.slice(-12)}`,
    person: { personId, displayName: personId === ODALYS ? 'Odalys' : 'Ida', role: 'trainer' },
    academy: { ...ACADEMY, isDemo: false, revisionNo: 1 },
    signInName: 'someone@ostrel.example',
    hasPin: true,
    handedOver: null,
    endsAt: '2026-12-24T10:00:00.000Z',
  }
}

export function doorsWith(session: SessionState | null, ...known: string[]) {
  const devicePeople = known.map((personId) => ({ personId, displayName: 'Somebody', hasPin: true }))
  return { body: { canSetUp: false, demo: null, devicePeople, publicOrigin: null, session } }
}

export function todayOf(town: string): Today {
  return {
    academy: { ...ACADEMY, town },
    people: [],
    recipes: [],
    earlierRecipes: [],
    coffees: [],
    bars: [],
    routines: [],
    cautions: [],
    awaiting: [],
    leads: [],
    yields: [],
    unreadable: [],
  }
}

/** A shot of which nothing was seen. */
export const shotBy = (judgedBy: string): ShotInput => ({
  personId: IDA,
  judgedBy,
  recipeRevisionId: '019a5c00-0000-7003-8000-000000000001',
  barId: '019a5c00-0000-7007-8000-000000000001',
  grinderId: null,
  bagId: null,
  pulledAt: '2026-11-23T10:00:00Z',
  ...SHOT_BY_ITSELF,
  focus: null,
  series: null,
  note: '',
  facts: unknownFacts(),
})

export const refusal = (code: string, status: number): Said => ({
  status,
  body: { type: 'about:blank', code, title: code, status, detail: code },
})

// Each page of a test listens; in life there is one.
setMaxListeners(0, doorBell)

const later = globalThis.setTimeout

/** The page that stands now; what an earlier one had begun ended with it. */
let page: Pinia | null = null

/** A try again, seconds from now, is no reason for a test to go on; nor does it outlive its page. */
function laterMaybe(work: () => void, ms?: number): NodeJS.Timeout {
  const own = page
  return later(() => {
    if (own === page) work()
  }, ms).unref()
}

/** Beside the one page of a test there is none to tell. */
class LoneChannel {
  onmessage: (() => void) | null = null
  readonly postMessage = () => undefined
}

/** A live line on which the test speaks, if it does. */
export class TestLine {
  /** Those that were opened, the newest last. */
  static readonly all: TestLine[] = []
  onopen: () => void = () => undefined
  onerror: () => void = () => undefined
  onmessage: (event: { data: string }) => void = () => undefined
  readyState = 0
  constructor(readonly address: string) {
    TestLine.all.push(this)
  }
  /** Says, as the server does now and then, that the line stands. */
  stillHere: () => void = () => undefined
  addEventListener(_name: 'still', listener: () => void): void {
    this.stillHere = listener
  }
  close(): void {
    this.readyState = 2
  }
  say(message: unknown): void {
    this.onmessage({ data: JSON.stringify(message) })
  }
}

/**
 * A device that keeps nothing yet, with a server behind it: what it says to each method and path, and what it was
 * asked, in order.
 */
export async function freshDevice(says: Record<string, () => Said | Promise<Said>>) {
  // What an earlier page still has under way must not be taken for this one's.
  if (page !== null) await settled()
  const asked: string[] = []
  Object.assign(globalThis, {
    window: new EventTarget(),
    BroadcastChannel: LoneChannel,
    EventSource: TestLine,
    setTimeout: laterMaybe,
    fetch: async (path: string, { method = 'GET' }: RequestInit = {}) => {
      const what = `${method.toUpperCase()} ${path.replace('/api/v1', '')}`
      asked.push(what)
      const said = await (says[what] ?? says[what.replace(/[0-9a-f-]{36}/g, '*')])?.()
      if (said === undefined || said === 'nothing') throw new TypeError('no line')
      return new Response(JSON.stringify(said.body), { status: said.status ?? 200 })
    },
  })
  Object.defineProperty(globalThis, 'navigator', {
    value: { onLine: true, language: 'en-GB', languages: ['en-GB'] },
    configurable: true,
  })
  const database = await deviceDatabase()
  for (const store of database.objectStoreNames) await database.clear(store)
  const fresh = freshPage()
  // What an earlier page was in the midst of may have taken its own stores for the ones that stand.
  await new Promise((resolve) => later(resolve, 1))
  setActivePinia(fresh)
  return { asked, database, says }
}

/** The page is loaded anew: what the device keeps is all that is left. */
export function freshPage(): Pinia {
  if (page !== null) disposePinia(page)
  page = createPinia()
  // Never shown: stores need an app around them.
  createApp({}).use(page).use(PiniaColada)
  setActivePinia(page)
  return page
}

/** Lets all that was begun go as far as it can. */
export async function settled(): Promise<void> {
  for (let turn = 0; turn < 20; turn += 1) await new Promise((resolve) => later(resolve, 1))
}
