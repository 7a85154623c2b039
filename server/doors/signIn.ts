import type { SessionState } from '@calm-apron/contract'
import { behindDoor } from '../database/inAcademy.ts'
import type { House } from '../house.ts'
import { Refusal } from '../refusal.ts'
import { failuresOf } from './attemptQueries.ts'
import { isDemoPerson } from './demoQueries.ts'
import { DOOR_LIMITS, THROTTLE } from './limits.ts'
import { type Opened, endFormerSession, openAfterFullSignIn, openAfterPin } from './openSession.ts'
import { fits } from './secrets.ts'
import { findAccount, findRemembered, forgetSignIns } from './sessionQueries.ts'
import { type Aim, pinKey, throttled } from './throttle.ts'
import type { DoorChange, Visitor } from './visitor.ts'

export interface CameIn {
  answer: SessionState
  door: DoorChange
}

const cameIn = ({ state, door }: Opened): CameIn => ({ answer: state, door })

/** One answer for a name that is unknown, a wrong password, an ended account: nothing can be learnt from it. */
function wrong(): Refusal {
  return new Refusal('wrong-sign-in', 'That does not fit. Check both, then try again.')
}

/** @throws {Refusal} `wrong-sign-in`, `slow-down` */
export async function signIn(
  house: House,
  visitor: Visitor,
  { signInName, password }: { signInName: string; password: string },
): Promise<CameIn> {
  const now = house.now()
  const found = await behindDoor(house.database, 'sign-in', signInName, async (transaction) => {
    const account = await findAccount(transaction, { signInName })
    const personId = account?.personId ?? NOBODY
    const isKnownHere = (await findRemembered(transaction, visitor.deviceHash, personId, now)) !== null
    return { account, isKnownHere }
  })
  const aims: Aim[] = found.isKnownHere
    ? [{ key: `device ${visitor.deviceHash ?? ''} ${signInName}`, rule: THROTTLE.accountOnDevice }]
    : [
        { key: `account ${signInName} from ${visitor.address}`, rule: THROTTLE.accountFromAddress },
        { key: `account ${signInName}`, rule: THROTTLE.account },
        { key: `address ${visitor.address}`, rule: THROTTLE.address },
      ]
  const opened = await throttled(house.database, aims, async () => {
    if (!(await fits(password, found.account?.passwordHash ?? null))) return null
    return behindDoor(house.database, 'sign-in', signInName, async (transaction, academyId) => {
      const account = await findAccount(transaction, { signInName })
      if (account === null || account.passwordHash !== found.account?.passwordHash) return null
      const { personId } = account
      return openAfterFullSignIn(transaction, { academyId, personId, visitor, now, kind: 'password' })
    })
  })
  if (opened === null) throw wrong()
  await endFormerSession(house, visitor)
  return cameIn(opened)
}

const NOBODY = '00000000-0000-0000-0000-000000000000'

/**
 * Switches person on a device where both signed in fully before.
 * @throws {Refusal} `wrong-sign-in`, `slow-down`
 */
export async function signInByPin(
  house: House,
  visitor: Visitor,
  { personId, pin }: { personId: string; pin: string },
): Promise<CameIn> {
  const { deviceHash } = visitor
  if (deviceHash === null) throw wrong()
  const now = house.now()
  const opened = await tryPin(house, deviceHash, personId, pin, () =>
    behindDoor(house.database, 'device', deviceHash, async (transaction, academyId) => {
      const fullAt = await findRemembered(transaction, deviceHash, personId, now)
      if (fullAt === null) return null
      return openAfterPin(transaction, { academyId, personId, visitor, now }, deviceHash, fullAt)
    }),
  )
  await endFormerSession(house, visitor)
  return cameIn(opened)
}

/**
 * Runs `then` once a person's PIN fits on a device that remembers them. After too many wrong ones in a row the device
 * forgets the person, and asks for the password.
 * @throws {Refusal} `wrong-sign-in`, `slow-down`
 */
export async function tryPin<T>(
  house: House,
  deviceHash: string,
  personId: string,
  pin: string,
  then: () => Promise<T | null>,
): Promise<T> {
  const key = pinKey(deviceHash, personId)
  const aims: Aim[] = [
    { key, rule: THROTTLE.pin },
    { key: `device ${deviceHash}`, rule: THROTTLE.device },
  ]
  const done = await throttled(house.database, aims, async () => {
    const pinHash = await behindDoor(house.database, 'device', deviceHash, async (transaction) => {
      const fullAt = await findRemembered(transaction, deviceHash, personId, house.now())
      return fullAt === null ? null : ((await findAccount(transaction, { personId }))?.pinHash ?? null)
    })
    return (await fits(pin, pinHash)) ? then() : null
  })
  if (done !== null) return done
  if ((await failuresOf(house.database, key)) >= DOOR_LIMITS.wrongPinsUntilPassword) {
    await behindDoor(house.database, 'device', deviceHash, (transaction) =>
      forgetSignIns(transaction, personId, { device: deviceHash }),
    )
  }
  throw wrong()
}

/**
 * Comes in as one of the made-up academy's people.
 * @throws {Refusal} `wrong-sign-in` where the server was not started with them, or there is no such one
 */
export async function signInDemo(house: House, visitor: Visitor, personId: string): Promise<CameIn> {
  const opened = house.doors.demoSignIn
    ? await behindDoor(house.database, 'demo', '', async (transaction, academyId) => {
        if (!(await isDemoPerson(transaction, personId))) return null
        const now = house.now()
        return openAfterFullSignIn(transaction, { academyId, personId, visitor, now, kind: 'demo' })
      })
    : null
  if (opened === null) throw wrong()
  await endFormerSession(house, visitor)
  return cameIn(opened)
}
