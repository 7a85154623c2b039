import { type AcademyFile, type PreparedInput, pulledWith, standsNow, teaches } from '@calm-apron/contract'
import type { PgTable } from 'drizzle-orm/pg-core'
import { inAcademy } from '../database/inAcademy.ts'
import type { Database } from '../database/pool.ts'
import {
  academy,
  call,
  freeText,
  person,
  personName,
  ruling,
  shot,
  shotRevision,
  shotSeries,
  slip,
  trainingEvent,
} from '../database/schema/index.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import { insertRows } from '../database/insertRows.ts'
import { insertThings } from '../prepare/queries.ts'
import { refuseUnknownZone } from './timeZone.ts'
import { Texts, callRows, eventRows, revisionRows, rulingRows, seriesRows, slipRows } from './fileRows.ts'

type FileShot = AcademyFile['shots'][number]

/** Stores a whole academy in one transaction, as the made-up one if so said; tells false, and changes nothing, when it is there already. */
export async function importAcademy(
  database: Database,
  file: AcademyFile,
  receivedAt: Date,
  isDemo = false,
): Promise<boolean> {
  const { academyId } = file.academy
  // Nobody sends again what was made up; to take its digests is a tenth of the time.
  const digestOf = isDemo ? () => '' : bodyDigest
  const own = <T extends object>(rows: readonly T[]) => rows.map((row) => ({ academyId, ...row }))
  return inAcademy(database, academyId, async (transaction) => {
    await refuseUnknownZone(transaction, file.academy.timeZone, 'academy.timeZone')
    const stored = await transaction
      .insert(academy)
      .values({ ...file.academy, isDemo })
      .onConflictDoNothing()
      .returning()
    if (stored.length === 0) return false
    const insert = async <T extends PgTable>(table: T, rows: T['$inferInsert'][]) =>
      insertRows(transaction, table, rows)
    await insert(person, own(file.people.map(({ personId, role }) => ({ personId, role }))))
    await insert(personName, own(file.people.map(({ personId, displayName }) => ({ personId, displayName }))))
    await insertThings(
      transaction,
      academyId,
      file.prepared.map(({ preparedId, thing }) => ({
        preparedId,
        revisionId: preparedId,
        revisionNo: 1,
        thing,
        bodyDigest: digestOf(thing),
        changedBy: null,
        changedAt: receivedAt,
      })),
    )
    const teaching = new Set(file.people.filter(({ role }) => teaches(role)).map(({ personId }) => personId))
    const things = new Map(file.prepared.map(({ preparedId, thing }) => [preparedId, thing]))
    const { timeZone } = file.academy
    await insert(shot, own(file.shots.map((each) => shotRow(each, { timeZone, things, teaching }))))
    const texts = new Texts()
    const beside = { file, receivedAt, teaching, texts, digestOf }
    const [revisions, slips, rulings] = [revisionRows(beside), slipRows(beside), rulingRows(beside)]
    await insert(freeText, own(texts.rows))
    await insert(shotSeries, own(seriesRows(file)))
    await insert(trainingEvent, own(eventRows(beside)))
    await insert(slip, own(slips))
    await insert(call, own(callRows(beside)))
    await insert(ruling, own(rulings))
    await insert(shotRevision, own(revisions))
    return true
  })
}

interface InFile {
  timeZone: string
  things: ReadonlyMap<string, PreparedInput>
  teaching: ReadonlySet<string>
}

/** What a shot was pulled with stands in the same file, in one revision each. */
function shotRow(
  { facts: _facts, judgedBy: _judgedBy, note: _note, series: _series, pulledAt, focus, ...rest }: FileShot,
  { timeZone, things, teaching }: InFile,
) {
  const isPullerTeaching = teaching.has(rest.personId)
  const recipe = things.get(rest.recipeRevisionId)
  const recipesBasketId = recipe?.kind === 'recipe' ? recipe.content.method.basketId : null
  const stood = standsNow(pulledWith({ ...rest, recipesBasketId }, things), {
    pulledAt,
    timeZone,
    isPullerTeaching,
    focus,
  })
  return { ...rest, pulledAt: new Date(pulledAt), stood }
}
