import { demoAcademy } from '@calm-apron/demo'
import type { AcademyFile, Role, ShotInput } from '@calm-apron/contract'
import { eq } from 'drizzle-orm'
import { importAcademy } from '../academies/importAcademy.ts'
import { inAcademy } from '../database/inAcademy.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { account, person, personName } from '../database/schema/index.ts'
import { openAfterFullSignIn } from '../doors/openSession.ts'
import { hashSecret } from '../doors/secrets.ts'
import { insertSession } from '../doors/sessionQueries.ts'
import type { House } from '../house.ts'
import { makePrepared } from '../prepare/prepareService.ts'
import { storeShot } from '../shots/storeShot.ts'
import { DEMO, grinderThing, newId, shotOf } from './serve.ts'

/** What everyone made here signs in with. */
export const PASSWORD = 'tern-and-thimble-quay'
export const PIN = '4180'

/** A second academy with the same bar, recipes and coffees under ids of its own academy. */
export const OTHER: AcademyFile = {
  ...demoAcademy(new Date('2026-11-23T10:00:00Z')),
  academy: {
    academyId: '019a5c00-0000-7001-8000-0000000000b2',
    name: 'Gull Street Coffee School',
    town: 'Ostrel',
    timeZone: 'Atlantic/Azores',
    clockHabit: '24-hours',
  },
  people: [],
  shots: [],
}

export const HOME = DEMO.academy.academyId
export const AWAY = OTHER.academy.academyId

/** Somebody with a browser of their own. */
export interface Somebody {
  academyId: string
  personId: string
  displayName: string
  signInName: string
  role: Role
  /** For the `Cookie` header. */
  cookie: string
  /** The device their cookie names. */
  deviceToken: string
}

const hashes = Promise.all([hashSecret(PASSWORD), hashSecret(PIN)])

/** Makes people and shots straight in the database, as many as a test wants. */
export function worldIn(house: House) {
  /** The other academy, next to the demo's. */
  async function openOther(): Promise<void> {
    await importAcademy(house.database, OTHER, new Date('2026-11-23T10:00:00Z'))
  }

  async function make(role: Role, academyId = HOME): Promise<Somebody> {
    const personId = newId()
    const tail = personId.slice(-8)
    const displayName = `Somebody ${tail}`
    const signInName = `somebody-${tail}@ostrel.invalid`
    const [passwordHash, pinHash] = await hashes
    const cookies = await inAcademy(house.database, academyId, async (transaction) => {
      await transaction.insert(person).values({ academyId, personId, role })
      await transaction.insert(personName).values({ academyId, personId, displayName })
      await transaction.insert(account).values({ academyId, personId, signInName, passwordHash, pinHash })
      return comeIn(transaction, academyId, personId)
    })
    return { academyId, personId, displayName, signInName, role, ...cookies }
  }

  /** Signs someone in on a device of their own. */
  async function comeIn(transaction: AcademyTransaction, academyId: string, personId: string) {
    const visitor = { address: '203.0.113.1', sessionHash: null, deviceHash: null, deviceLabel: 'Test' }
    const coming = { academyId, personId, visitor, now: house.now(), kind: 'password' } as const
    const { sessionToken = '', deviceToken = '' } = (await openAfterFullSignIn(transaction, coming)).door
    return {
      deviceToken,
      cookie: `calm_apron_session=${sessionToken ?? ''}; calm_apron_device=${deviceToken}`,
    }
  }

  /** The same person in a new session; null when their account has ended. */
  async function comeBack(who: Somebody): Promise<Somebody | null> {
    const { academyId, personId } = who
    return inAcademy(house.database, academyId, async (transaction) => {
      const [found] = await transaction.select().from(person).where(eq(person.personId, personId))
      if (found?.endedAt !== null || found.role !== who.role) return null
      return { ...who, ...(await comeIn(transaction, academyId, personId)) }
    })
  }

  /** A shot that one person pulled and another recorded. */
  async function makeShot(
    by: Somebody,
    recordedBy: Somebody,
    part: Partial<ShotInput> = {},
    receivedAt = house.now(),
  ): Promise<string> {
    const shotId = newId()
    const input = { ...shotOf(), personId: by.personId, judgedBy: recordedBy.personId, ...part }
    await inAcademy(house.database, by.academyId, (transaction) =>
      storeShot({ ...errandOf(transaction, recordedBy), now: receivedAt }, shotId, input),
    )
    return shotId
  }

  /** A thing that somebody prepared: a grinder in the first bar. */
  async function makeThing(by: Somebody): Promise<string> {
    const preparedId = newId()
    await inAcademy(house.database, by.academyId, (transaction) =>
      makePrepared(errandOf(transaction, by), preparedId, grinderThing()),
    )
    return preparedId
  }

  function errandOf(transaction: AcademyTransaction, { academyId, personId, role }: Somebody) {
    const actor = {
      academyId,
      personId,
      holderId: personId,
      part: role,
      sessionId: newId(),
      deviceHash: '',
      handedShotId: null,
    }
    return { actor, transaction, now: house.now(), sent: null }
  }

  /** A further session of somebody's, to be ended. */
  async function makeSession({ academyId, personId }: Somebody): Promise<string> {
    const sessionId = newId()
    const now = house.now()
    const endsAt = new Date(now.getTime() + 3_600_000)
    await inAcademy(house.database, academyId, (transaction) =>
      insertSession(transaction, {
        academyId,
        sessionId,
        personId,
        tokenHash: sessionId,
        deviceHash: sessionId,
        deviceLabel: 'Elsewhere',
        kind: 'password',
        startedAt: now,
        lastUsedAt: now,
        endsAt,
      }),
    )
    return sessionId
  }

  return { openOther, make, comeBack, makeShot, makeThing, makeSession }
}

export type World = ReturnType<typeof worldIn>
