import type { SetUpInput } from '@calm-apron/contract'
import { makeAcademy } from '../academies/makeAcademy.ts'
import { inAcademy } from '../database/inAcademy.ts'
import type { House } from '../house.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { THROTTLE } from './limits.ts'
import { endFormerSession, openAfterFullSignIn } from './openSession.ts'
import { refuseGuessable } from './passwordRules.ts'
import { codeHash, hashSecret, newCode } from './secrets.ts'
import {
  insertSetUpCode,
  isSetUp,
  isSetUpCode,
  removeSetUpCodes,
  waitForOtherSetUps,
} from './setUpQueries.ts'
import type { CameIn } from './signIn.ts'
import { throttled } from './throttle.ts'
import type { Visitor } from './visitor.ts'

/** A code for whoever can read this server's console, or null when an academy of someone's own is here already. */
export async function offerSetUp(house: Pick<House, 'database'>): Promise<string | null> {
  if (await isSetUp(house.database)) return null
  const code = newCode()
  await insertSetUpCode(house.database, codeHash(code))
  return code
}

/**
 * Makes the first academy and its head, who is signed in at once.
 * @throws {Refusal} `already-set-up`, `slow-down`, `invalid-input` for a wrong code, a taken name, a common password
 */
export async function setUp(house: House, visitor: Visitor, input: SetUpInput): Promise<CameIn> {
  if (await isSetUp(house.database)) throw alreadySetUp()
  const aims = [{ key: `address ${visitor.address}`, rule: THROTTLE.address }]
  const isRight = await throttled(house.database, aims, async () =>
    (await isSetUpCode(house.database, codeHash(input.code))) ? true : null,
  )
  if (!isRight) {
    // Another set-up may have taken the house, and every code with it, since we looked.
    if (await isSetUp(house.database)) throw alreadySetUp()
    throw refuseField('code', 'wrong-code', 'That is not the code on the server’s console. Check it there.')
  }
  const { academyId } = input.academy
  const { personId, displayName, signInName, password } = input.head
  refuseGuessable(password, 'head.password', [displayName, signInName, input.academy.name])
  const passwordHash = await hashSecret(password)
  const now = house.now()
  const opened = await inAcademy(house.database, academyId, async (transaction) => {
    await waitForOtherSetUps(transaction)
    if (await isSetUp(transaction)) throw alreadySetUp()
    const head = { personId, displayName, signInName, passwordHash }
    await makeAcademy(transaction, input.academy, head, 'head.signInName', now)
    await removeSetUpCodes(transaction)
    return openAfterFullSignIn(transaction, { academyId, personId, visitor, now, kind: 'password' })
  })
  await endFormerSession(house, visitor)
  return { answer: opened.state, door: opened.door }
}

function alreadySetUp(): Refusal {
  return new Refusal('already-set-up', 'There is an academy here already. Ask its head for an invitation.')
}
