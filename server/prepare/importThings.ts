import {
  type FieldError,
  type FileThing,
  IMPORT_ORDER,
  type ImportInput,
  type ImportReport,
  PREPARED_KINDS,
  type PreparedKind,
  type PreparedRecord,
  type RowReport,
  fieldErrors,
  fileThing,
  keeperOf,
  namedBy,
} from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { leaveTraces } from '../audit/trace.ts'
import { bodyDigest } from '../http/bodyDigest.ts'
import type { Errand } from '../http/serve.ts'
import { isForHeadsAlone, isLockedFor } from './prepareService.ts'
import { type NewThing, findPrepared, insertThings, kindsOf, reviseThing } from './queries.ts'
import { brokenReferences } from './references.ts'

interface Row extends FileThing {
  row: number
}

/**
 * Takes rows of a file, each judged by itself: a row that can't be taken is told with its fields and holds up no other,
 * but for those that name it. In a preview nothing is stored.
 */
export async function importThings(
  errand: Errand,
  { isPreview, rows, earlierIds }: ImportInput,
): Promise<ImportReport> {
  const reports: RowReport[] = []
  const read: Row[] = []
  for (const [row, raw] of rows.entries()) {
    const parsed = fileThing.safeParse(raw)
    if (parsed.success) read.push({ row, ...parsed.data })
    else reports.push({ row, outcome: 'refused', ...shownOf(raw), errors: fieldErrors(parsed.error) })
  }
  // What others belong to comes first.
  read.sort((a, b) => IMPORT_ORDER.indexOf(a.thing.kind) - IMPORT_ORDER.indexOf(b.thing.kind))
  const there = new Map(
    (await findPrepared(errand.transaction, idsOf(read))).map((record) => [record.preparedId, record]),
  )
  const kinds = await kindsOf(errand.transaction, namedIds(read))
  const fresh: Row[] = []
  // Also in an earlier piece of the same file.
  const taken = new Set<string>(earlierIds)
  for (const entry of read) {
    const { preparedId, thing, row } = entry
    const known = there.get(preparedId)
    const errors = errorsOf(errand, entry, known, kinds, isPreview ? earlierIds : [])
    const outcome = outcomeOf(entry, known, errors, taken)
    if (outcome !== 'refused') {
      kinds.set(preparedId, thing.kind)
      taken.add(preparedId)
    }
    if (outcome === 'new') fresh.push(entry)
    if (outcome === 'changed' && known && !isPreview) await reviseAs(errand, entry, known)
    reports.push({ row, outcome, kind: thing.kind, name: thing.content.name, errors })
  }
  if (!isPreview) await makeAll(errand, fresh)
  return { rows: reports.sort((a, b) => a.row - b.row) }
}

const idsOf = (rows: readonly Row[]) => rows.map(({ preparedId }) => preparedId)
const namedIds = (rows: readonly Row[]) =>
  rows.flatMap(({ thing }) => namedBy(thing).map(({ preparedId }) => preparedId))

/** What can be said of a row that can't be read. */
function shownOf(raw: Record<string, unknown>): Pick<RowReport, 'kind' | 'name'> {
  const thing = partOf(raw, 'thing')
  const kind = PREPARED_KINDS.find((each) => each === partOf(thing, 'kind')) ?? null
  const name = partOf(partOf(thing, 'content'), 'name')
  return { kind, name: typeof name === 'string' ? name.slice(0, 80) : null }
}

function partOf(value: unknown, key: string): unknown {
  return typeof value === 'object' && value !== null
    ? Object.entries(value).find(([k]) => k === key)?.[1]
    : undefined
}

function errorsOf(
  errand: Errand,
  { thing }: Row,
  known: PreparedRecord | undefined,
  kinds: ReadonlyMap<string, PreparedKind>,
  earlierIds: readonly string[],
): FieldError[] {
  if (known && (known.kind !== thing.kind || known.parentId !== thing.parentId))
    return [{ path: 'preparedId', reason: 'id-taken', message: 'Something else has this id here.' }]
  if (isForHeadsAlone(errand, thing) && !isSame(thing, known))
    return [{ path: 'thing.kind', reason: 'heads-only', message: 'This is changed by heads alone.' }]
  if (known && isLockedFor(errand, known))
    return [{ path: 'preparedId', reason: 'locked', message: 'Somebody locked this.' }]
  // A lock names somebody of the academy it came from; here it would lock everyone out.
  const keeper = keeperOf(thing)
  if (keeper !== null)
    return [
      {
        path: `thing.content.${keeper.path}`,
        reason: 'lock-stays',
        message: 'A lock can’t be brought along.',
      },
    ]
  const references = namedBy(thing).filter((each) => !earlierIds.includes(each.preparedId))
  return brokenReferences(references, kinds).map((error) => ({ ...error, path: `thing.${error.path}` }))
}

const isSame = ({ content }: Row['thing'], known: PreparedRecord | undefined) =>
  known !== undefined && bodyDigest(known.content) === bodyDigest(content)

function outcomeOf(
  { thing, preparedId }: Row,
  known: PreparedRecord | undefined,
  errors: FieldError[],
  taken: ReadonlySet<string>,
): RowReport['outcome'] {
  if (errors.length === 0 && taken.has(preparedId))
    errors.push({ path: 'preparedId', reason: 'twice', message: 'This id stands in the file twice.' })
  if (errors.length > 0) return 'refused'
  if (!known) return 'new'
  return isSame(thing, known) ? 'same' : 'changed'
}

function newThing({ actor, now }: Errand, { preparedId, thing }: Row, revisionNo: number): NewThing {
  return {
    preparedId,
    revisionId: revisionNo === 1 ? preparedId : uuidv7(),
    revisionNo,
    thing,
    bodyDigest: bodyDigest(thing),
    changedBy: actor.personId,
    changedAt: now,
  }
}

async function reviseAs(errand: Errand, entry: Row, known: PreparedRecord): Promise<void> {
  const { transaction, actor } = errand
  await reviseThing(transaction, actor.academyId, newThing(errand, entry, known.revisionNo + 1))
  await traceAll(errand, 'prepared-changed', [entry])
}

async function makeAll(errand: Errand, rows: readonly Row[]): Promise<void> {
  const { transaction, actor } = errand
  await insertThings(
    transaction,
    actor.academyId,
    rows.map((entry) => newThing(errand, entry, 1)),
  )
  await traceAll(errand, 'prepared-made', rows)
}

async function traceAll(
  { transaction, actor, now }: Errand,
  kind: 'prepared-made' | 'prepared-changed',
  rows: readonly Row[],
): Promise<void> {
  await leaveTraces(
    transaction,
    rows.map(({ preparedId, thing }) => ({
      academyId: actor.academyId,
      kind,
      actorId: actor.personId,
      personId: null,
      subjectId: preparedId,
      after: { kind: thing.kind, name: thing.content.name },
    })),
    now,
  )
}
