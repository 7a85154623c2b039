import {
  type Action,
  LIVE_LINE_PATH,
  LIVE_PATH,
  type LiveMessage,
  type LiveNews,
  id,
} from '@calm-apron/contract'
import { type Request, type Response, Router } from 'express'
import type { Actor } from '../doors/actor.ts'
import { visitorOf } from '../doors/visitor.ts'
import type { House } from '../house.ts'
import { refuseForeignHost } from '../http/origin.ts'
import { type Errand, asActor } from '../http/serve.ts'
import { Refusal } from '../refusal.ts'
import { eventsSeenBy } from '../training/trainingService.ts'
import { eventStream } from './eventStream.ts'
import { MAY_CLOSE, type MaySee, asHeardBy, hearsAll } from './heard.ts'
import type { PassedOn } from './hub.ts'

/** Nobody has more devices and tabs open than this; beyond it something is wrong. */
const MOST_LINES_A_PERSON = 24
/** News that waits to be looked at for one reader; one who is further behind asks anew for all of it. */
const MOST_WAITING = 200

/** One sort of line: who may follow it, and what is said on it of a piece of news. */
interface LineKind {
  action: Action
  /** Throws where they may not. */
  enter: (errand: Errand) => Promise<unknown>
  said: (news: LiveNews) => LiveNews | LiveMessage | null
}

/** The academy's line, and those of one training that earlier pages follow. */
export function liveRoutes(house: House): Router {
  const router = Router()
  const lines = new Map<string, number>()
  router.get(LIVE_LINE_PATH, (req, res) =>
    serveLine(house, lines, req, res, { action: 'see-academy', enter: async () => {}, said: (news) => news }),
  )
  router.get(LIVE_PATH.replace('{trainingId}', ':trainingId'), (req, res) => {
    const trainingId = id.safeParse(req.params['trainingId'])
    if (!trainingId.success) throw new Refusal('not-found', 'There is nothing at this address.')
    return serveLine(house, lines, req, res, ofTraining(trainingId.data))
  })
  return router
}

/** What pages of earlier releases are told, of the one training that they asked for. */
function ofTraining(trainingId: string): LineKind {
  return {
    action: 'see-trainings',
    enter: (errand) => eventsSeenBy(errand, trainingId),
    said: (news) => {
      if (news.kind === 'here') return { kind: 'training', trainingId }
      if (!('trainingId' in news) || news.trainingId !== trainingId) return null
      if (news.kind === 'stage') return { kind: 'stage', stage: news.stage }
      return news.kind === 'shot' ? { kind: 'shot', shotId: news.shotId } : news
    },
  }
}

/** Follows until the reader goes, their session is over, or they may no longer see it. */
async function serveLine(
  house: House,
  lines: Map<string, number>,
  req: Request,
  res: Response,
  { action, enter, said }: LineKind,
): Promise<void> {
  refuseForeignHost(req, house.doors)
  const visitor = visitorOf(req, house.doors.isSecure)
  const asVisitor = <T>(work: (errand: Errand) => Promise<T>) =>
    asActor(house, action, { visitor, sent: null }, work)
  const comeIn = () => asVisitor(async (errand) => (await enter(errand), errand.actor))
  let actor: Actor | null = null
  const stream = eventStream(res, stillMay)

  /** Now and then, and whenever a door may have closed. */
  async function stillMay(): Promise<boolean> {
    try {
      actor = await comeIn()
      return true
    } catch {
      // Whoever asks again is told why.
      stream.end()
      return false
    }
  }

  const followed = await comeIn()
  actor = followed
  if (stream.isGone()) return
  stream.onGone(countLine(lines, followed.personId))
  stream.open()

  const seen = new Map<string, boolean>()
  const maySee: MaySee = async (trainingId) => {
    const known = seen.get(trainingId)
    if (known !== undefined) return known
    const may = await asVisitor((errand) => eventsSeenBy(errand, trainingId)).then(
      () => true,
      () => false,
    )
    seen.set(trainingId, may)
    return may
  }

  function say(heard: LiveNews | null): void {
    const words = heard === null ? null : said(heard)
    if (words !== null) stream.say(words, heard?.kind === 'stage' ? groupOf(heard) : undefined)
  }

  async function pass(passed: PassedOn): Promise<void> {
    const { news } = passed
    // Who sits in it may be another since.
    if (news.kind === 'training') seen.delete(news.trainingId)
    if (MAY_CLOSE.has(news.kind) && !(await stillMay())) return
    say(actor === null ? null : await asHeardBy(actor, passed, maySee))
  }

  /** What whoever teaches hears of stages, which are most of it, needs nothing looked up. */
  function passAtOnce({ news }: PassedOn): boolean {
    if (news.kind !== 'stage' || actor === null || !hearsAll(actor)) return false
    say(news)
    return true
  }

  const hear = inTurn(pass, passAtOnce, stream.end)
  const before = house.live.lately(followed.academyId)
  stream.onGone(house.live.follow(followed.academyId, { hear, end: stream.end }))
  if (before === null) await house.live.standing()
  // Whatever happened before the line was begun is asked for now; what happened while it was begun is said again.
  say({ kind: 'here' })
  // Said once more all is asked for, whenever it was asked for last.
  if (before === null) say({ kind: 'here' })
  else for (const passed of before) hear(passed)
}

/** A stage that was not sent yet when the next one of its group came is of no use to anybody. */
function groupOf({ trainingId, stage }: Extract<LiveNews, { kind: 'stage' }>): string {
  return `${trainingId} ${stage.group}`
}

/** One after the other, in the order in which it came; who falls too far behind is let go. */
function inTurn(
  pass: (passed: PassedOn) => Promise<void>,
  passAtOnce: (passed: PassedOn) => boolean,
  letGo: () => void,
): (passed: PassedOn) => void {
  let waiting = 0
  let last = Promise.resolve()
  return (passed) => {
    if (waiting === 0 && passAtOnce(passed)) return
    if (waiting >= MOST_WAITING) {
      letGo()
      return
    }
    waiting += 1
    last = last
      .then(() => pass(passed))
      .catch(letGo)
      .finally(() => (waiting -= 1))
  }
}

/** Counts a person's lines; returns what counts it off. @throws {Refusal} `slow-down` beyond what anyone needs */
function countLine(lines: Map<string, number>, personId: string): () => void {
  const now = (lines.get(personId) ?? 0) + 1
  if (now > MOST_LINES_A_PERSON)
    throw new Refusal('slow-down', 'Too many pages follow at once. Close some of them.')
  lines.set(personId, now)
  return () => {
    const left = (lines.get(personId) ?? 1) - 1
    if (left > 0) lines.set(personId, left)
    else lines.delete(personId)
  }
}
