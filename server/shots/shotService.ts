import type {
  CorrectionInput,
  ShotDetail,
  ShotInput,
  ShotList,
  ShotListQuery,
  ShotSummary,
} from '@calm-apron/contract'
import { brokenForeignKey, brokenUniqueKey } from '../database/errors.ts'
import { inTheAcademy } from '../database/inAcademy.ts'
import type { AcademyTransaction, Database } from '../database/pool.ts'
import { Refusal } from '../refusal.ts'
import { bodyDigest } from './bodyDigest.ts'
import {
  findRecipeRevisions,
  findRevision,
  findShot,
  insertRevision,
  insertShot,
  listShots,
} from './queries.ts'
import { readCursor, writeCursor } from './shotCursor.ts'

/** What was made now, or had been made by the same request before. */
export interface Recorded<T> {
  created: boolean
  record: T
}

export interface ShotService {
  record: (shotId: string, input: ShotInput) => Promise<Recorded<ShotSummary>>
  correct: (shotId: string, revisionId: string, input: CorrectionInput) => Promise<Recorded<ShotDetail>>
  find: (shotId: string) => Promise<ShotDetail>
  list: (query: ShotListQuery) => Promise<ShotList>
}

const FIELD_OF_KEY: Record<string, string> = {
  shot_person: 'personId',
  shot_recipe_revision: 'recipeRevisionId',
  shot_bar: 'barId',
  shot_grinder: 'grinderId',
  shot_bag: 'bagId',
  shot_dose_vessel: 'facts.dose.vesselId',
  shot_cup_vessel: 'facts.cup.vesselId',
}

/** Recording, correcting and finding shots. Facts are only ever added. */
export function createShotService({ database, now }: { database: Database; now: () => Date }): ShotService {
  return {
    record: (shotId, input) => namingUnknownIds(() => record(shotId, input)),
    correct: (shotId, revisionId, input) =>
      namingUnknownIds(() => againAfterRace(() => correct(shotId, revisionId, input))),
    find: (shotId) => inTheAcademy(database, (transaction) => shotOrRefuse(transaction, shotId)),
    list,
  }

  async function record(shotId: string, input: ShotInput): Promise<Recorded<ShotSummary>> {
    const digest = bodyDigest(input)
    return inTheAcademy(database, async (transaction, academyId) => {
      const created = await insertShot(transaction, academyId, shotId, input)
      if (created) {
        await insertRevision(transaction, academyId, {
          // The first revision goes by the shot's own id, so that repeating the request finds it.
          revisionId: shotId,
          shotId,
          revisionNo: 1,
          bodyDigest: digest,
          reason: null,
          recordedAt: new Date(input.pulledAt),
          receivedAt: now(),
          facts: input.facts,
        })
      } else {
        await refuseAnotherBody(transaction, shotId, shotId, digest)
      }
      const { recipe: _recipe, revisions: _revisions, ...summary } = await shotOrRefuse(transaction, shotId)
      return { created, record: summary }
    })
  }

  async function correct(
    shotId: string,
    revisionId: string,
    input: CorrectionInput,
  ): Promise<Recorded<ShotDetail>> {
    const digest = bodyDigest(input)
    return inTheAcademy(database, async (transaction, academyId) => {
      const before = await shotOrRefuse(transaction, shotId)
      const replayed = await findRevision(transaction, revisionId)
      if (replayed !== null) {
        await refuseAnotherBody(transaction, revisionId, shotId, digest)
        return { created: false, record: before }
      }
      if (before.current.revisionNo !== input.basedOnNo) throw changedMeanwhile()
      await insertRevision(transaction, academyId, {
        revisionId,
        shotId,
        revisionNo: input.basedOnNo + 1,
        bodyDigest: digest,
        reason: input.reason,
        recordedAt: new Date(input.correctedAt),
        receivedAt: now(),
        facts: input.facts,
      })
      return { created: true, record: await shotOrRefuse(transaction, shotId) }
    })
  }

  async function list(query: ShotListQuery): Promise<ShotList> {
    const after = query.cursor === undefined ? null : readCursor(query.cursor)
    return inTheAcademy(database, async (transaction, academyId) => {
      const rows = await listShots(transaction, academyId, query, after)
      const shots = rows.slice(0, query.limit)
      const last = shots.at(-1)
      return {
        shots,
        recipes: await findRecipeRevisions(
          transaction,
          shots.map((shot) => shot.recipeRevisionId),
        ),
        nextCursor: rows.length > query.limit && last !== undefined ? writeCursor(last) : null,
      }
    })
  }
}

async function shotOrRefuse(transaction: AcademyTransaction, shotId: string): Promise<ShotDetail> {
  const found = await findShot(transaction, shotId)
  if (found === null) throw new Refusal('not-found', 'There is no such shot.')
  return { ...found.summary, recipe: found.recipe, revisions: found.revisions }
}

async function refuseAnotherBody(
  transaction: AcademyTransaction,
  revisionId: string,
  shotId: string,
  digest: string,
): Promise<void> {
  const first = await findRevision(transaction, revisionId)
  if (first?.shotId === shotId && first.bodyDigest === digest) return
  throw new Refusal('id-taken', 'Something else was recorded under this id before; it stays as it is.')
}

/** Of two writes racing for one revision the loser looks again: it then finds itself repeated, or overtaken. */
async function againAfterRace<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write()
  } catch (error) {
    if (brokenUniqueKey(error) === null) throw error
    return write()
  }
}

/** A write that names something which is not there is told which. */
async function namingUnknownIds<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write()
  } catch (error) {
    const field = FIELD_OF_KEY[brokenForeignKey(error) ?? '']
    if (field === undefined) throw error
    throw new Refusal('invalid-input', 'One field needs mending.', [
      { path: field, reason: 'unknown-id', message: 'There is nothing by this id.' },
    ])
  }
}

function changedMeanwhile(): Refusal {
  return new Refusal(
    'changed-meanwhile',
    'This shot was corrected meanwhile. Look at the newest numbers and correct those.',
  )
}
