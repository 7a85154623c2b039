import {
  type Assessment,
  type PersonSignOffs,
  type ShotInput,
  assessment,
  personSignOffs,
  recipeContent,
} from '@calm-apron/contract'
import { type Outcomes, RULES_VERSION } from '@calm-apron/core'
import { carefulShot } from '@calm-apron/core/testing'
import type { Express } from 'express'
import { DEMO, type TestServer, newId, shotOf } from './serve.ts'
import { keepProgramme, programmeContent } from './signOffThings.ts'
import { setupOf } from './trainings.ts'
import { HOME, PIN, type Somebody, worldIn } from './world.ts'

/** A set that is on. */
export interface Begun {
  assessmentId: string
  trainingId: string
  trainee: Somebody
}

/** People who assess and are assessed in a programme of dose and yield, and what they do. */
export async function assessingIn(server: TestServer) {
  const world = worldIn(server.house)
  const trainer = await world.make('trainer')
  const second = await world.make('trainer')
  const head = await world.make('head')
  const skills: ['dose', 'yield'] = ['dose', 'yield']
  const run = { shots: 0, days: 0, bags: 0, readyFrom: 0, callScoreFrom: 0 }
  const content = programmeContent('espresso-at-the-bar', { skills, run })
  const programmeId = await keepProgramme(server.house, HOME, content)

  let minute = 0
  const at = () => new Date(Date.now() - 3_600_000 + (minute += 1) * 10_000).toISOString()

  const note = (
    by: Somebody,
    assessmentId: string,
    happening: object,
    text = '',
    { eventId = newId(), when = at(), app }: { eventId?: string; when?: string; app?: Express } = {},
  ) =>
    server
      .of(by, app)
      .put(`/api/v1/assessments/${assessmentId}/events/${eventId}`)
      .send({ by: by.personId, at: when, happening, text })
  const sign = (by: Somebody, assessmentId: string, happening: object, also: object = {}) =>
    server
      .of(by)
      .put(`/api/v1/assessments/${assessmentId}/signatures/${newId()}`)
      .send({ at: at(), happening, text: '', by: 'pin', secret: PIN, ...also })
  /** Why something can't be begun: the reason that is given, or what the answer says. */
  async function whyNot(by: Somebody, happening: object, text = 'a reason', app?: Express): Promise<unknown> {
    const answer = await note(by, newId(), happening, text, app && { app })
    return answer.status === 422
      ? (answer.body as { errors: { reason: string }[] }).errors[0]?.reason
      : answer.status
  }
  async function read(by: Somebody, assessmentId: string): Promise<Assessment> {
    const answer = await server.of(by).get(`/api/v1/assessments/${assessmentId}`).expect(200)
    return assessment.parse(answer.body)
  }
  async function signOffs(by: Somebody, of: Somebody): Promise<PersonSignOffs['programmes'][number]> {
    const answer = await server.of(by).get(`/api/v1/people/${of.personId}/sign-offs`).expect(200)
    const found = personSignOffs
      .parse(answer.body)
      .programmes.find((each) => each.programmeId === programmeId)
    if (found === undefined) throw new Error('The programme is there.')
    return found
  }

  const setupFor = ({ personId }: Somebody, trainingId: string, also: object = {}) => ({
    personId,
    programmeId,
    programmeRevisionId: programmeId,
    trainingId,
    recipeRevisionId: shotOf().recipeRevisionId,
    machineId: null,
    groupNo: 0,
    grinderId: null,
    parts: ['dose', 'yield', 'safety'],
    isTasted: false,
    hasCue: false,
    ...also,
  })

  /** Begun by the second trainer: the first trained them. Nothing was practised, so a reason is given. */
  async function begin(also: object = {}, whom?: Somebody, when = at()): Promise<Begun> {
    const trainee = whom ?? (await world.make('trainee'))
    if (whom === undefined) await world.makeShot(trainee, trainer, { pulledAt: at(), facts: onTarget(0) })
    const [trainingId, assessmentId] = [newId(), newId()]
    await server
      .of(second)
      .put(`/api/v1/trainings/${trainingId}/events/${newId()}`)
      .send({ by: second.personId, at: at(), happening: { kind: 'started', setup: setupOf([trainee]) } })
      .expect(201)
    const begun = { kind: 'begun', setup: setupFor(trainee, trainingId, also) }
    await note(second, assessmentId, begun, 'asked for by the house', { when }).expect(201)
    return { assessmentId, trainingId, trainee }
  }

  const { targets } = recipeContent.parse(
    DEMO.prepared.find(({ preparedId }) => preparedId === shotOf().recipeRevisionId)?.thing.content,
  )
  /** On in all that is measured, the cup so much heavier. */
  function onTarget(heavierG: number): ShotInput['facts'] {
    const { doseG, yieldG, timeMinS, timeMaxS } = targets
    return carefulShot({ doseG, cupG: yieldG + heavierG, stopS: (timeMinS + timeMaxS) / 2 })
  }

  /** A shot of the set, by default on in all; of a reference, the second trainer's. */
  async function pulled(
    { assessmentId, trainee }: Begun,
    part: Partial<ShotInput> = {},
    g = 0,
    receivedAt?: Date,
  ): Promise<string> {
    const isReference = part.purpose === 'reference'
    const its = { pulledAt: at(), purpose: 'assessment' as const, assessmentId, ...part, facts: onTarget(g) }
    return world.makeShot(isReference ? second : trainee, second, its, receivedAt)
  }

  async function wholeSet(begun: Begun, heavyG: readonly number[] = []): Promise<string[]> {
    await pulled(begun, { purpose: 'reference' })
    const shots: string[] = []
    for (let no = 0; no < 5; no += 1) shots.push(await pulled(begun, {}, heavyG[no] ?? 0))
    await pulled(begun, { purpose: 'reference' })
    return shots
  }

  const close = ({ assessmentId }: Begun, why = 'complete', text = '') =>
    note(second, assessmentId, { kind: 'closed', why }, text)

  /** Decides as the rules propose, but for what is said otherwise. */
  async function decide({ assessmentId }: Begun, otherwise: Partial<Record<string, string>> = {}, text = '') {
    const { judged, digest } = await read(second, assessmentId)
    const proposed = (judged ?? []).map(({ part, result }) => ({ part, result })) as Outcomes
    const outcomes = proposed.map(({ part, result }) => ({ part, result: otherwise[part] ?? result }))
    const happening = { kind: 'decided', outcomes, proposed, digest, rulesVersion: RULES_VERSION }
    return sign(second, assessmentId, happening, { text })
  }

  return {
    world,
    trainer,
    second,
    head,
    note,
    whyNot,
    sign,
    read,
    signOffs,
    setupFor,
    begin,
    pulled,
    wholeSet,
    close,
    decide,
    at,
  }
}
