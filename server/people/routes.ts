import { ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import { notThere } from '../doors/actor.ts'
import { makeLink } from '../doors/invitations.ts'
import type { House } from '../house.ts'
import { serve } from '../http/serve.ts'
import { oneAtATime } from '../http/oneAtATime.ts'
import { serveStreamed } from '../http/streamed.ts'
import { exportPerson } from './exportPerson.ts'
import { addPerson, changePerson, erase, previewErasure, seePeople } from './peopleService.ts'
import { findPerson } from './queries.ts'

export function peopleRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.listPeople, async (work) => ({
    answer: { people: await seePeople(work) },
  }))
  serve(house, router, ENDPOINTS.putPerson, async (work) => {
    const { created, record } = await addPerson(work, work.params.personId, work.body)
    return { created, answer: record }
  })
  serve(house, router, ENDPOINTS.changePerson, async (work) => ({
    answer: await changePerson(work, work.params.personId, work.body),
  }))
  serve(house, router, ENDPOINTS.putInvitation, async ({ actor, transaction, now, params, body }) => {
    const person = await findPerson(transaction, params.personId, now)
    if (person === null || person.state === 'ended') throw notThere()
    const { academyId, personId: actorId } = actor
    const { created, invitation } = await makeLink(transaction, {
      ...params,
      academyId,
      actorId,
      token: body.token,
      now,
    })
    return { created, answer: invitation }
  })
  serveStreamed(house, router, ENDPOINTS.exportPerson, ({ params, visitor }, within) =>
    oneAtATime(visitor.sessionHash, exportPerson(within, params.personId)),
  )
  serve(house, router, ENDPOINTS.previewErasure, async (work) => ({
    answer: await previewErasure(work, work.params.personId),
  }))
  serve(house, router, ENDPOINTS.erasePerson, async (work) => ({
    answer: await erase(work, work.params.personId, work.body.displayName),
  }))
  return router
}
