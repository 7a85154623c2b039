import { ENDPOINTS, LIVE_PATH, type LiveMessage, id, reachOf } from '@calm-apron/contract'
import { Router } from 'express'
import { visitorOf } from '../doors/visitor.ts'
import type { House } from '../house.ts'
import type { Actor } from '../doors/actor.ts'
import { refuseForeignHost } from '../http/origin.ts'
import { asActor, serve } from '../http/serve.ts'
import { Refusal } from '../refusal.ts'
import {
  eventsSeenBy,
  listOpenTrainings,
  listPastTrainings,
  noteEvent,
  passOnStage,
  readTraining,
} from './trainingService.ts'

/** Proxies close a line on which nothing was said for long. */
const STILL_HERE_MS = 15_000

export function trainingRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.listTrainings, async (work) => ({
    answer: { trainings: await listOpenTrainings(work) },
  }))
  serve(house, router, ENDPOINTS.listPastTrainings, async (work) => ({
    answer: await listPastTrainings(work, work.query),
  }))
  serve(house, router, ENDPOINTS.getTraining, async (work) => ({
    answer: await readTraining(work, work.params.trainingId),
  }))
  serve(house, router, ENDPOINTS.putTrainingEvent, async (work) => {
    const { trainingId, eventId } = work.params
    const { created, record } = await noteEvent(work, trainingId, eventId, work.body)
    return { created, answer: record }
  })
  serve(house, router, ENDPOINTS.putStage, async (work) => {
    await passOnStage(work, work.params.trainingId, work.params.group, work.body)
    return { answer: {} }
  })
  serveLive(house, router)
  return router
}

/** Follows a training until the tablet goes, its session is over, or its person may no longer see it. */
function serveLive(house: House, router: Router): void {
  router.get(LIVE_PATH.replace('{trainingId}', ':trainingId'), async (req, res) => {
    refuseForeignHost(req, house.doors)
    const trainingId = id.safeParse(req.params['trainingId'])
    if (!trainingId.success) throw new Refusal('not-found', 'There is nothing at this address.')
    const visitor = visitorOf(req, house.doors.isSecure)
    const comeIn = () =>
      asActor(house, 'see-trainings', { visitor, sent: null }, async (errand) => {
        await eventsSeenBy(errand, trainingId.data)
        return errand.actor
      })
    let actor = await comeIn()
    res.writeHead(200, { 'Content-Type': 'text/event-stream', 'X-Accel-Buffering': 'no' })
    /** Who follows is asked anew before they are told that anything changed. */
    const stillMay = async () => {
      try {
        actor = await comeIn()
        return true
      } catch {
        // Whoever asks again is told why.
        res.end()
        return false
      }
    }
    const say = (message: LiveMessage) => res.write(`data: ${JSON.stringify(asHeardBy(actor, message))}\n\n`)
    const hear = (message: LiveMessage) => {
      if (message.kind === 'stage') say(message)
      else void stillMay().then((may) => may && say(message))
    }
    const leave = house.live.follow(actor.academyId, trainingId.data, { hear, end: () => res.end() })
    const stillHere = setInterval(
      () => void stillMay().then((may) => may && res.write(':\n\n')),
      STILL_HERE_MS,
    )
    res.on('close', () => {
      clearInterval(stillHere)
      leave()
    })
    // Whatever happened before the line stood is asked for now; what comes after is heard.
    await house.live.standing()
    say({ kind: 'training', trainingId: trainingId.data })
  })
}

/** Of somebody else's shot a trainee hears how far it has come; its numbers are withheld, as they are everywhere. */
function asHeardBy({ part, personId }: Actor, message: LiveMessage): LiveMessage {
  if (message.kind !== 'stage' || reachOf(part, 'see-shots') === 'all' || message.stage.personId === personId)
    return message
  return { ...message, stage: { ...message.stage, pumpS: 0, weightG: null } }
}
