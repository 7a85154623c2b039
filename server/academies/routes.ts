import { type AcademyChange, type AcademyRecord, ENDPOINTS } from '@calm-apron/contract'
import { Router } from 'express'
import { leaveTrace } from '../audit/trace.ts'
import type { House } from '../house.ts'
import { type Errand, serve } from '../http/serve.ts'
import { Refusal } from '../refusal.ts'
import { findAcademyRecord, updateAcademy } from './queries.ts'
import { refuseUnknownZone } from './timeZone.ts'

export function academyRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.changeAcademy, async (work) => ({
    answer: await changeAcademy(work, work.body),
  }))
  return router
}

/** @throws {Refusal} `changed-meanwhile` with both versions */
async function changeAcademy(
  { actor, transaction, now }: Errand,
  { basedOnNo, ...asked }: AcademyChange,
): Promise<AcademyRecord> {
  const before = await findAcademyRecord(transaction)
  const { name, town, timeZone, clockHabit } = before
  const wanted = { clockHabit, ...asked }
  const isSame = ['name', 'town', 'timeZone', 'clockHabit'] as const
  if (isSame.every((field) => before[field] === wanted[field])) return before
  if (timeZone !== wanted.timeZone) await refuseUnknownZone(transaction, wanted.timeZone, 'timeZone')
  if (!(await updateAcademy(transaction, basedOnNo, wanted))) {
    throw new Refusal('changed-meanwhile', 'Someone changed the academy meanwhile.', [], {
      versions: { current: await findAcademyRecord(transaction), yours: wanted },
    })
  }
  const { academyId, personId: actorId } = actor
  await leaveTrace(
    transaction,
    {
      academyId,
      kind: 'academy-changed',
      actorId,
      personId: null,
      subjectId: academyId,
      before: { name, town, timeZone, clockHabit },
      after: wanted,
    },
    now,
  )
  return findAcademyRecord(transaction)
}
