import { ENDPOINTS, type GroupStage, reachOf } from '@calm-apron/contract'
import type { House } from '../house.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import { type Asked, type Errand, asActor } from '../http/serve.ts'
import { tellInPassing } from '../live/inPassing.ts'
import { trusted } from '../live/trusted.ts'
import { refuseField } from '../refusal.ts'
import { seatedAmong } from './queries.ts'

type AskedStage = Asked<typeof ENDPOINTS.putStage>

/**
 * Passes on what a group is doing; nothing of it is kept. It comes twice a second from every tablet, so whoever may tell it is
 * looked up every few seconds only, and what many tell at once is told together.
 * @throws {Refusal} `not-signed-in`; `not-found`; `invalid-input` for somebody who does not pull in it
 */
export function passingOnStages(house: House): (asked: AskedStage) => Promise<void> {
  const tell = tellInPassing(house.database.$client)
  const allowed = trusted(house.live)

  async function academyOf(asked: AskedStage): Promise<string> {
    const { params, body, visitor } = asked
    const what = `${visitor.sessionHash} ${params.trainingId} ${body.personId}`
    const known = allowed.academyOf(what)
    if (known !== null) return known
    const academyId = await asActor(
      house,
      ENDPOINTS.putStage.action,
      asked,
      async (errand) => {
        await refuseWhoMayNotTell(errand, params.trainingId, body)
        return errand.actor.academyId
      },
      { isRead: true },
    )
    allowed.add(academyId, what)
    return academyId
  }

  return async (asked) => {
    const academyId = await academyOf(asked)
    const { trainingId, group } = asked.params
    const news = { kind: 'stage' as const, trainingId, stage: { group, ...asked.body } }
    await tell({ academyId, personId: null, news })
  }
}

async function refuseWhoMayNotTell(
  { actor, transaction }: Errand,
  trainingId: string,
  stage: GroupStage,
): Promise<void> {
  const seated = await seatedAmong(transaction, trainingId, [actor.personId, stage.personId])
  if (seated === null) throw notThere()
  refuseUnlessOwn(actor, 'tell-stage', seated.has(actor.personId))
  const isTheirs =
    stage.personId === actor.personId ||
    (reachOf(actor.part, 'tell-stage') === 'all' && seated.has(stage.personId))
  if (!isTheirs) throw refuseField('personId', 'not-theirs', 'Nobody else tells what they are doing.')
}
