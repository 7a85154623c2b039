import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import type { House } from '../house.ts'
import { serve, serveOpen } from '../http/serve.ts'
import { followLink, lookAtLink } from './invitations.ts'
import { lookAround } from './lookAround.ts'
import {
  changePassword,
  changePin,
  endSession,
  handOver,
  signOut,
  signOutEverywhere,
  takeBack,
} from './ownDoor.ts'
import { serveProven } from './serveProven.ts'
import { listOwnSessions, readSessionState } from './sessionQueries.ts'
import { setUp } from './setUp.ts'
import { signIn, signInByPin, signInDemo } from './signIn.ts'

const GONE = { answer: {}, door: { sessionToken: null } }

/** Coming in, going out, and one's own door. */
export function doorRoutes(house: House): Router {
  const router = Router()
  serveOpen(house, router, ENDPOINTS.getDoors, async ({ visitor }) => ({
    answer: await lookAround(house, visitor),
  }))
  serveOpen(house, router, ENDPOINTS.setUp, ({ visitor, body }) => setUp(house, visitor, body))
  serveOpen(house, router, ENDPOINTS.signIn, ({ visitor, body }) => signIn(house, visitor, body))
  serveOpen(house, router, ENDPOINTS.signInDemo, ({ visitor, body }) =>
    signInDemo(house, visitor, body.personId),
  )
  serveOpen(house, router, ENDPOINTS.signInPin, ({ visitor, body }) => signInByPin(house, visitor, body))
  serveOpen(house, router, ENDPOINTS.lookAtInvitation, async ({ visitor, body }) => ({
    answer: await lookAtLink(house, visitor, body.token),
  }))
  serveOpen(house, router, ENDPOINTS.useInvitation, ({ visitor, body }) => followLink(house, visitor, body))

  serve(house, router, ENDPOINTS.getSession, async ({ actor, transaction }) => ({
    answer: await readSessionState(transaction, actor.sessionId),
  }))
  serve(house, router, ENDPOINTS.signOut, async (work) => {
    await signOut(work)
    return GONE
  })
  serve(house, router, ENDPOINTS.signOutEverywhere, async (work) => {
    await signOutEverywhere(work)
    return GONE
  })
  serve(house, router, ENDPOINTS.listSessions, async ({ actor, transaction, now }) => ({
    answer: {
      sessions: await listOwnSessions(transaction, actor.personId, actor.sessionId, now),
    },
  }))
  serve(house, router, ENDPOINTS.endSession, async (work) => {
    await endSession(work, work.params.sessionId)
    return { answer: {} }
  })
  serve(house, router, ENDPOINTS.handOver, async (work) => ({
    answer: await handOver(work, work.body.shotId),
  }))
  serveProven(
    house,
    router,
    ENDPOINTS.changePassword,
    { by: 'password', secretOf: ({ body }) => body.current },
    async (work) => {
      await changePassword(work, work.body.next)
      return { answer: {} }
    },
  )
  serveProven(
    house,
    router,
    ENDPOINTS.changePin,
    { by: 'password', secretOf: ({ body }) => body.password },
    async (work) => ({ answer: await changePin(work, work.body.pin) }),
  )
  serveProven(
    house,
    router,
    ENDPOINTS.takeBack,
    { by: 'pin', secretOf: ({ body }) => body.pin },
    async (work) => ({ answer: await takeBack(work) }),
  )
  return router
}
