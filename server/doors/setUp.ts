import type { SetUpInput } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import { makeAcademy } from '../academies/makeAcademy.ts'
import { inAcademy } from '../database/inAcademy.ts'
import { setUpCode } from '../database/schema/index.ts'
import type { House } from '../house.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { DOOR_LIMITS, THROTTLE } from './limits.ts'
import { isSetUp } from './lookAround.ts'
import { endFormerSession, openAfterFullSignIn } from './openSession.ts'
import { refuseGuessable } from './passwordRules.ts'
import { codeHash, hashSecret, newCode } from './secrets.ts'
import type { CameIn } from './signIn.ts'
import { throttled } from './throttle.ts'
import type { Visitor } from './visitor.ts'

// Any fixed number will do; of two set-ups at once the second must find the first one's academy.
const SET_UP_LOCK = 4_180_003

/** A code for whoever can read this server's console, or null when an academy of someone's own is here already. */
export async function offerSetUp(house: Pick<House, 'database'>): Promise<string | null> {
  if (await isSetUp(house)) return null
  const code = newCode()
  await house.database.insert(setUpCode).values({
    codeHash: codeHash(code),
    expiresAt: sql`clock_timestamp() + ${DOOR_LIMITS.setUpCodeDays} * interval '1 day'`,
  })
  return code
}

/**
 * Makes the first academy and its head, who is signed in at once.
 * @throws {Refusal} `already-set-up`, `slow-down`, `invalid-input` for a wrong code, a taken name, a common password
 */
export async function setUp(house: House, visitor: Visitor, input: SetUpInput): Promise<CameIn> {
  if (await isSetUp(house)) throw alreadySetUp()
  const aims = [{ key: `address ${visitor.address}`, rule: THROTTLE.address }]
  const isRight = await throttled(house.database, aims, () => isRightCode(house, input.code))
  if (!isRight)
    throw refuseField('code', 'wrong-code', 'That is not the code on the server’s console. Check it there.')
  const { academyId } = input.academy
  const { personId, displayName, signInName, password } = input.head
  refuseGuessable(password, 'head.password', [displayName, signInName, input.academy.name])
  const passwordHash = await hashSecret(password)
  const now = house.now()
  const opened = await inAcademy(house.database, academyId, async (transaction) => {
    await transaction.execute(sql`select pg_advisory_xact_lock(${SET_UP_LOCK})`)
    if (await isSetUp({ database: transaction })) throw alreadySetUp()
    const head = { personId, displayName, signInName, passwordHash }
    await makeAcademy(transaction, input.academy, head, 'head.signInName', now)
    await transaction.delete(setUpCode)
    return openAfterFullSignIn(transaction, { academyId, personId, visitor, now, kind: 'password' })
  })
  await endFormerSession(house, visitor)
  return { answer: opened.state, door: opened.door }
}

async function isRightCode({ database }: House, code: string): Promise<true | null> {
  const { rows } = await database.execute(
    sql`select from doors.set_up_code where code_hash = ${codeHash(code)} and expires_at > clock_timestamp()`,
  )
  return rows.length === 1 ? true : null
}

function alreadySetUp(): Refusal {
  return new Refusal('already-set-up', 'There is an academy here already. Ask its head for an invitation.')
}
