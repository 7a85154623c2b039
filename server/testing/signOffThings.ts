import type { ProgrammePreset } from '@calm-apron/core'
import { type ProgrammeContent, presetProgramme } from '@calm-apron/contract'
import { keepText } from '../audit/trace.ts'
import { inAcademy } from '../database/inAcademy.ts'
import type { House } from '../house.ts'
import { insertThings } from '../prepare/queries.ts'
import { insertAssessment, insertAssessmentEvent } from '../signOff/queries.ts'
import { newId } from './serve.ts'
import type { Somebody } from './world.ts'

/** A programme as it ships, by any recipe; `also` says what is otherwise. */
export function programmeContent(
  preset: ProgrammePreset,
  also: Partial<ProgrammeContent> = {},
): ProgrammeContent {
  const ticks = preset === 'first-week' ? [{ what: 'wipes the basket' }] : []
  return presetProgramme(preset, { name: `Programme ${preset}`, ticks, ...also })
}

/** Keeps a programme; its first revision goes by its own id. */
export async function keepProgramme(
  { database }: Pick<House, 'database'>,
  academyId: string,
  content: ProgrammeContent,
): Promise<string> {
  const preparedId = newId()
  const thing = { kind: 'programme', parentId: null, content } as const
  const beside = {
    revisionId: preparedId,
    revisionNo: 1,
    bodyDigest: '',
    changedBy: null,
    changedAt: new Date(),
  }
  await inAcademy(database, academyId, (transaction) =>
    insertThings(transaction, academyId, [{ preparedId, thing, ...beside }]),
  )
  return preparedId
}

/** A card of ticks that somebody else began for somebody. */
export async function keepAssessment(
  house: Pick<House, 'database'>,
  { academyId, personId }: Somebody,
  begunBy: string,
  text = '',
): Promise<string> {
  const programmeId = await keepProgramme(house, academyId, programmeContent('first-week'))
  const [assessmentId, now] = [newId(), new Date()]
  const setup = {
    personId,
    programmeId,
    programmeRevisionId: programmeId,
    trainingId: null,
    recipeRevisionId: null,
    machineId: null,
    groupNo: 0,
    grinderId: null,
    parts: ['ticks' as const],
    isTasted: true,
    hasCue: false,
  }
  await inAcademy(house.database, academyId, async (transaction) => {
    await insertAssessment(transaction, {
      academyId,
      assessmentId,
      personId,
      programmeId,
      begunAt: now,
      closedAt: now,
    })
    await insertAssessmentEvent(transaction, {
      academyId,
      eventId: newId(),
      assessmentId,
      by: begunBy,
      sentBy: begunBy,
      at: now,
      receivedAt: now,
      happening: { kind: 'begun', setup },
      textId:
        text === ''
          ? null
          : await keepText(transaction, { academyId, aboutId: personId, writtenBy: begunBy, content: text }),
      bodyDigest: '',
    })
  })
  return assessmentId
}
