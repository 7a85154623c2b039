import type { Router } from 'express'
import type { House } from '../house.ts'
import { type Answer, type Asked, type SignedInEndpoint, type Work, asActor, mount } from '../http/serve.ts'
import { Refusal } from '../refusal.ts'
import { failuresOf } from './attemptQueries.ts'
import { isDemoPerson } from './demoQueries.ts'
import { DOOR_LIMITS, THROTTLE } from './limits.ts'
import { fits } from './secrets.ts'
import { findAccount, forgetSignIns, removeOwnSession } from './sessionQueries.ts'
import { pinKey, throttled } from './throttle.ts'

/** By which secret it is shown, and where that stands in what was asked. */
export interface Proof<E extends SignedInEndpoint> {
  by: 'password' | 'pin' | ((asked: Asked<E>) => 'password' | 'pin')
  secretOf: (asked: Asked<E>) => string
  /** Whether the made-up people of the demo, who come in by a tap, need show none. */
  isOpenToDemo?: boolean
}

/**
 * Mounts an endpoint for which whoever is signed in shows a secret of theirs once more. The secret is tried between two
 * transactions, since trying takes long and its count must outlive a refusal. After too many wrong PINs the session is
 * over, and the device asks for the password.
 */
export function serveProven<E extends SignedInEndpoint>(
  house: House,
  router: Router,
  endpoint: E,
  prove: Proof<E>,
  handle: (work: Work<E>) => Promise<Answer<E>>,
): void {
  mount(house, router, endpoint, async (asked) => {
    const { action } = endpoint
    const by = typeof prove.by === 'function' ? prove.by(asked) : prove.by
    const held = await asActor(house, action, asked, async ({ actor, transaction }) => {
      const account = await findAccount(transaction, { personId: actor.holderId })
      const isOpen =
        prove.isOpenToDemo === true &&
        house.doors.demoSignIn &&
        (await isDemoPerson(transaction, actor.holderId))
      return { actor, isOpen, hash: (by === 'pin' ? account?.pinHash : account?.passwordHash) ?? null }
    })
    const work = async () => asActor(house, action, asked, (errand) => handle({ ...asked, ...errand }))
    if (held.isOpen) return work()
    const { holderId, deviceHash } = held.actor
    const key = by === 'pin' ? pinKey(deviceHash, holderId) : `password of ${holderId} on ${deviceHash}`
    const rule = by === 'pin' ? THROTTLE.pin : THROTTLE.accountOnDevice
    const fitted = await throttled(house.database, [{ key, rule }], async () =>
      (await fits(prove.secretOf(asked), held.hash)) ? true : null,
    )
    if (fitted === null) {
      if (by === 'pin' && (await failuresOf(house.database, key)) >= DOOR_LIMITS.wrongPinsUntilPassword)
        await endHere(house, asked, endpoint)
      throw new Refusal('wrong-sign-in', 'That does not fit. Check it, then try again.')
    }
    return work()
  })
}

async function endHere<E extends SignedInEndpoint>(
  house: House,
  asked: Asked<E>,
  { action }: E,
): Promise<void> {
  await asActor(house, action, asked, async ({ actor, transaction }) => {
    await forgetSignIns(transaction, actor.holderId, { device: actor.deviceHash })
    await removeOwnSession(transaction, actor.holderId, actor.sessionId)
  })
}
