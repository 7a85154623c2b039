import { demoAcademy } from '@calm-apron/demo'
import {
  CONTRACT_HEADER,
  CONTRACT_VERSION,
  type GrinderContent,
  type PreparedInput,
  type PreparedKind,
  type Role,
  SHOT_BY_ITSELF,
  type ShotInput,
  begunAs,
} from '@calm-apron/contract'
import { type ShotFacts, unknownFacts } from '@calm-apron/core'
import { type TestDatabase, createTestDatabase } from '@calm-apron/scripts/testing'
import type { Express } from 'express'
import type { Pool } from 'pg'
import pino from 'pino'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { createApp } from '../app.ts'
import type { House } from '../house.ts'
import { databaseOver, openPool } from '../database/pool.ts'
import { checkReadiness } from '../database/readiness.ts'
import { liveHub } from '../live/hub.ts'
import { databaseOfLastRelease } from './lastRelease.ts'

/** The demo's records, whose ids are always the same. */
export const DEMO = demoAcademy(new Date('2026-11-23T10:00:00Z'))

/** Somebody at a browser of their own, with its cookies. */
export type Browser = ReturnType<typeof request.agent>

/** Where the tests' browsers say they are. */
export const ORIGIN = 'http://tests.invalid'

export interface TestServer {
  /** A browser in which the demo's first trainer is signed in; nobody, where there is no demo. */
  http: Browser
  /** A browser in which nobody is signed in yet. */
  browser: () => Browser
  /** The browser of somebody who has these cookies; at another server where one is named. */
  of: (who: { cookie: string }, app?: Express) => Browser
  /** A browser in which this one of the demo is. */
  as: (personId: string) => Promise<Browser>
  house: House
  app: Express
  database: TestDatabase
  /** How many statements the database has been sent. */
  statements: () => number
  /** A further server on the same database, with a clock of its own. */
  beside: (now?: () => Date) => Express
  /** The app with some part of its house replaced. */
  appWith: (part: Partial<House>) => Express
  stop: () => Promise<void>
}

export interface TestSettings {
  /** The demo, nothing, or the records that the last release left. */
  template?: 'demo' | 'empty' | 'last release'
  /** Whether the test cuts it off from its database. */
  hasLine?: boolean
  now?: () => Date
  doors?: Partial<House['doors']>
  /** Takes the lines of the log; nobody does, where it is left out. */
  log?: (line: string) => void
}

/** The app in this process, on a database of its own. */
export async function serveTest({
  template = 'demo',
  hasLine = false,
  now = () => new Date(),
  doors = {},
  log,
}: TestSettings = {}): Promise<TestServer> {
  const database =
    template === 'last release' ? await databaseOfLastRelease() : await createTestDatabase(template, hasLine)
  const pools: Pool[] = []
  const live = liveHub(database.appUrl, () => undefined)
  let statements = 0
  const houseWith = (clock: () => Date): House => {
    const pool = openPool(database.appUrl, () => undefined)
    pools.push(pool)
    pool.on('connect', (client) => {
      const query = client.query.bind(client)
      const counted = (...asked: unknown[]): unknown => {
        statements += 1
        return Reflect.apply(query, client, asked)
      }
      Object.assign(client, { query: counted })
    })
    const settings = { publicOrigin: ORIGIN, isSecure: false, demoSignIn: true, ...doors }
    return { database: databaseOver(pool), now: clock, doors: settings, live }
  }
  const appOf = (own: House): Express =>
    createApp({
      house: own,
      trustProxy: false,
      checkReadiness: () => checkReadiness(first(pools)),
      logger: log ? pino({ level: 'debug' }, { write: log }) : pino({ level: 'silent' }),
      deviceOrigins: [],
      webFolder: null,
      version: '0.0.0',
    })
  const house = houseWith(now)
  const app = appOf(house)
  const beside = (clock = now) => appOf(houseWith(clock))
  const appWith = (part: Partial<House>) => appOf({ ...house, ...part })
  const stop = async () => {
    await live.close()
    for (const pool of pools) await pool.end()
    await database.remove()
  }
  const browser = (at = app) =>
    request.agent(at).set('Origin', ORIGIN).set(CONTRACT_HEADER, String(CONTRACT_VERSION))
  const of: TestServer['of'] = ({ cookie }, at) => browser(at).set('Cookie', cookie)
  const as = async (personId: string) => {
    const own = browser()
    await own.post('/api/v1/session/demo').send({ personId }).expect(200)
    return own
  }
  const http = template === 'empty' ? browser() : await as(somebody('trainer'))
  return {
    http,
    browser: () => browser(),
    of,
    as,
    house,
    app,
    database,
    statements: () => statements,
    beside,
    appWith,
    stop,
  }
}

function first<T>(list: readonly T[]): T {
  const [item] = list
  if (item === undefined) throw new Error('The demo lacks a record that this test needs.')
  return item
}

/** The first of the demo's people in a role. */
export function somebody(role: Role): string {
  return first(DEMO.people.filter((each) => each.role === role)).personId
}

/** The id of the first of the demo's things of a kind. */
export function prepared(kind: PreparedKind): string {
  return first(DEMO.prepared.filter(({ thing }) => thing.kind === kind)).preparedId
}

/** A grinder in the first bar, as a trainer would make it. */
export function grinderThing(
  content: Partial<GrinderContent> = {},
): Extract<PreparedInput, { kind: 'grinder' }> {
  return {
    kind: 'grinder',
    parentId: prepared('bar'),
    content: { ...begunAs('grinder', { name: 'Spare grinder', maxSetting: 30, purgeG: 4 }), ...content },
  }
}

/** A shot as the bar would send it, with what is known of it. */
export function shotOf(facts: Partial<ShotFacts> = {}, pulledAt = '2026-11-23T10:30:00.000Z'): ShotInput {
  return {
    personId: somebody('trainee'),
    judgedBy: somebody('trainer'),
    // The first revision of a recipe goes by the recipe's own id.
    recipeRevisionId: prepared('recipe'),
    barId: prepared('bar'),
    grinderId: prepared('grinder'),
    bagId: prepared('bag'),
    pulledAt,
    ...SHOT_BY_ITSELF,
    focus: null,
    series: null,
    note: '',
    facts: { ...unknownFacts(), dose: { by: 'net', netG: 18.2 }, ...facts },
  }
}

export const newId = (): string => uuidv7()
