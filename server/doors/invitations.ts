import type { Invitation, InvitationShown } from '@calm-apron/contract'
import { findAcademy } from '../academies/queries.ts'
import { leaveTrace } from '../audit/trace.ts'
import { brokenUniqueKey } from '../database/errors.ts'
import { waitForOthersUnder } from '../http/once.ts'
import { behindDoor } from '../database/inAcademy.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import type { House } from '../house.ts'
import { Refusal, refuseField } from '../refusal.ts'
import { findSignInName, refuseIfNameTaken, setPassword, setPin, storePassword } from './accountQueries.ts'
import {
  findInvitation,
  findOpenInvitation,
  insertInvitation,
  markUsed,
  withdrawInvitations,
} from './invitationQueries.ts'
import { DOOR_LIMITS, THROTTLE } from './limits.ts'
import { endFormerSession, openAfterFullSignIn } from './openSession.ts'
import { refuseGuessable } from './passwordRules.ts'
import { hashSecret, tokenHash } from './secrets.ts'
import { forgetSignIns, removeSessions } from './sessionQueries.ts'
import type { CameIn } from './signIn.ts'
import { throttled } from './throttle.ts'
import type { Visitor } from './visitor.ts'

const MS_PER_HOUR = 3_600_000

interface NewLink {
  academyId: string
  invitationId: string
  personId: string
  token: string
  /** null from the command line. */
  actorId: string | null
  now: Date
}

/**
 * Makes the one link that holds for a person; earlier ones stop. To someone who has joined it is a reset: their password,
 * their PIN and every session end at once. The same again is the same link.
 * @throws {Refusal} `id-taken`
 */
export async function makeLink(
  transaction: AcademyTransaction,
  { academyId, invitationId, personId, token, actorId, now }: NewLink,
): Promise<{ created: boolean; invitation: Invitation }> {
  await waitForOthersUnder(transaction, invitationId)
  const known = await findInvitation(transaction, invitationId)
  if (known !== null) {
    if (known.personId !== personId || known.tokenHash !== tokenHash(token))
      throw new Refusal('id-taken', 'Another link was made under this id.')
    return { created: false, invitation: shown(known) }
  }
  const kind = (await findSignInName(transaction, personId)) === null ? 'join' : 'reset'
  const hours = kind === 'join' ? DOOR_LIMITS.invitationDays * 24 : DOOR_LIMITS.resetHours
  await withdrawInvitations(transaction, personId, now)
  if (kind === 'reset') {
    await setPassword(transaction, personId, null)
    await setPin(transaction, personId, null)
    await removeSessions(transaction, personId)
    await forgetSignIns(transaction, personId)
  }
  const row = {
    academyId,
    invitationId,
    personId,
    kind,
    tokenHash: tokenHash(token),
    madeAt: now,
    expiresAt: new Date(now.getTime() + hours * MS_PER_HOUR),
  } as const
  await withFreshToken(() => insertInvitation(transaction, row))
  await leaveTrace(
    transaction,
    { academyId, kind: 'link-made', actorId, personId, subjectId: invitationId, after: { kind } },
    now,
  )
  return { created: true, invitation: shown(row) }
}

/** Secrets are random: one that is there already was made by the same device before, or by none of ours. */
async function withFreshToken(insert: () => Promise<void>): Promise<void> {
  try {
    await insert()
  } catch (error) {
    if (brokenUniqueKey(error) !== 'invitation_token') throw error
    throw new Refusal('id-taken', 'This link’s secret was used before. Make the link anew.')
  }
}

function shown(row: {
  invitationId: string
  personId: string
  kind: Invitation['kind']
  expiresAt: Date
}): Invitation {
  const { invitationId, personId, kind, expiresAt } = row
  return { invitationId, personId, kind, expiresAt: expiresAt.toISOString() }
}

/**
 * What a link is for, without using it up.
 * @throws {Refusal} `link-over`, `slow-down`
 */
export async function lookAtLink(house: House, visitor: Visitor, token: string): Promise<InvitationShown> {
  const found = await throttled(house.database, aimsOf(visitor), () =>
    behindDoor(house.database, 'invitation', tokenHash(token), async (transaction) => {
      const link = await findOpenInvitation(transaction, tokenHash(token), house.now())
      if (link === null) return null
      return {
        academyName: (await findAcademy(transaction)).name,
        displayName: link.displayName,
        kind: link.kind,
        signInName: link.kind === 'reset' ? await findSignInName(transaction, link.personId) : null,
        expiresAt: link.expiresAt.toISOString(),
      }
    }),
  )
  if (found === null) throw linkOver()
  return found
}

/**
 * Joins, or sets a new password, and is signed in. Of two uses at once one finds it used.
 * @throws {Refusal} `link-over`, `slow-down`, `invalid-input`
 */
export async function followLink(
  house: House,
  visitor: Visitor,
  { token, signInName, password }: { token: string; signInName: string | null; password: string },
): Promise<CameIn> {
  const now = house.now()
  const key = tokenHash(token)
  const opened = await throttled(house.database, aimsOf(visitor), () =>
    behindDoor(house.database, 'invitation', key, async (transaction, academyId) => {
      const link = await findOpenInvitation(transaction, key, now)
      if (link === null) return null
      const { personId, invitationId, kind } = link
      const name = await nameToUse(transaction, personId, signInName)
      refuseGuessable(password, 'password', [link.displayName, name])
      if (!(await markUsed(transaction, invitationId, now))) return null
      const passwordHash = await hashSecret(password)
      await storePassword(transaction, { academyId, personId, signInName: name, passwordHash })
      await leaveTrace(
        transaction,
        {
          academyId,
          kind: 'link-used',
          actorId: personId,
          personId,
          subjectId: invitationId,
          after: { kind },
        },
        now,
      )
      return openAfterFullSignIn(transaction, { academyId, personId, visitor, now, kind: 'password' })
    }),
  )
  if (opened === null) throw linkOver()
  await endFormerSession(house, visitor)
  return { answer: opened.state, door: opened.door }
}

/** The name that stays, or the one chosen. */
async function nameToUse(
  transaction: AcademyTransaction,
  personId: string,
  chosen: string | null,
): Promise<string> {
  const kept = await findSignInName(transaction, personId)
  if (kept !== null) return kept
  if (chosen === null) throw refuseField('signInName', 'missing', 'Choose a sign-in name.')
  await refuseIfNameTaken(transaction, chosen, 'signInName')
  return chosen
}

const aimsOf = ({ address }: Visitor) => [{ key: `address ${address}`, rule: THROTTLE.address }]

function linkOver(): Refusal {
  return new Refusal(
    'link-over',
    'This link no longer works: it was used, replaced, or has run out. Ask for a new one.',
  )
}
