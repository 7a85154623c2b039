import { demoAcademy } from '@calm-apron/demo'
import { type ShotInput } from '@calm-apron/contract'
import { type ShotFacts, unknownFacts } from '@calm-apron/core'
import { type TestDatabase, createTestDatabase } from '@calm-apron/scripts/testing'
import pino from 'pino'
import request from 'supertest'
import { v7 as uuidv7 } from 'uuid'
import { createApp } from '../app.ts'
import { databaseOver, openPool } from '../database/pool.ts'
import { checkReadiness } from '../database/readiness.ts'

/** The demo's records, whose ids are always the same. */
export const DEMO = demoAcademy(new Date('2026-11-23T10:00:00Z'))

export interface TestServer {
  http: ReturnType<typeof request>
  database: TestDatabase
  stop: () => Promise<void>
}

/** The app in this process, on a database of its own. */
export async function serveTest(
  template: 'demo' | 'empty' = 'demo',
  now: () => Date = () => new Date(),
): Promise<TestServer> {
  const database = await createTestDatabase(template)
  const pool = openPool(database.appUrl, () => undefined)
  const app = createApp({
    database: databaseOver(pool),
    checkReadiness: () => checkReadiness(pool),
    logger: pino({ level: 'silent' }),
    now,
    webFolder: '/nowhere',
    version: '0.0.0',
  })
  const stop = async () => {
    await pool.end()
    await database.remove()
  }
  return { http: request(app), database, stop }
}

function first<T>(list: readonly T[]): T {
  const [item] = list
  if (item === undefined) throw new Error('The demo lacks a record that this test needs.')
  return item
}

/** A shot as the bar would send it, with what is known of it. */
export function shotOf(facts: Partial<ShotFacts> = {}, pulledAt = '2026-11-23T10:30:00.000Z'): ShotInput {
  const bar = first(DEMO.bars)
  return {
    personId: first(DEMO.people.filter(({ role }) => role === 'trainee')).personId,
    recipeRevisionId: first(DEMO.recipes).recipeRevisionId,
    barId: bar.barId,
    grinderId: first(bar.grinders).grinderId,
    bagId: first(first(DEMO.coffees).bags).bagId,
    pulledAt,
    facts: { ...unknownFacts(), dose: { by: 'net', netG: 18.2 }, ...facts },
  }
}

export const newId = (): string => uuidv7()
