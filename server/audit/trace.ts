import type { AuditKind } from '@calm-apron/contract'
import { v4 as uuidv4, v7 as uuidv7 } from 'uuid'
import { insertRows } from '../database/insertRows.ts'
import { keptInsert } from '../database/keptInsert.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { audit, freeText } from '../database/schema/index.ts'
import { tellLive } from '../live/hub.ts'
import { newsOf } from './newsOf.ts'

/** One trace to leave. `before` and `after` hold ids, numbers and closed words; what people wrote goes into a text. */
export interface Trace {
  academyId: string
  kind: AuditKind
  /** null from the command line. */
  actorId: string | null
  /** Whom it is about, where it is about someone. */
  personId: string | null
  subjectId: string
  before?: object | null
  after?: object | null
  /** The text that says why, kept apart so that it can be blanked. */
  whyTextId?: string | null
}

/** Leaves traces in the transaction that makes the changes. */
export async function leaveTraces(
  transaction: AcademyTransaction,
  traces: readonly Trace[],
  at: Date,
): Promise<void> {
  const [row, ...more] = traces.map(({ before = null, after = null, whyTextId = null, ...rest }) => ({
    ...rest,
    auditId: uuidv7(),
    at,
    before,
    after,
    whyTextId,
  }))
  if (row === undefined) return
  if (more.length === 0) await insertTrace(transaction, row)
  else await insertRows(transaction, audit, [row, ...more])
  await tellOf(transaction, traces)
}

const insertTrace = keptInsert(audit)

/** Of many changes at once, such as an import, only that there is much to ask anew. */
const TOLD_ONE_BY_ONE = 20

async function tellOf(transaction: AcademyTransaction, traces: readonly Trace[]): Promise<void> {
  const told = traces.flatMap((trace) => {
    const news = newsOf(trace)
    return news === null ? [] : [{ news, academyId: trace.academyId, personId: trace.personId }]
  })
  const [first] = told
  if (first === undefined) return
  if (told.length > TOLD_ONE_BY_ONE) await tellLive(transaction, first.academyId, { kind: 'here' })
  else
    for (const { news, academyId, personId } of told) await tellLive(transaction, academyId, news, personId)
}

/** Leaves one trace; a `why` in someone's own words is kept first. */
export async function leaveTrace(
  transaction: AcademyTransaction,
  { why = '', ...trace }: Trace & { why?: string },
  at: Date,
): Promise<void> {
  const { academyId, personId: aboutId, actorId: writtenBy } = trace
  const whyTextId =
    why === ''
      ? (trace.whyTextId ?? null)
      : await keepText(transaction, { academyId, aboutId, writtenBy, content: why })
  await leaveTraces(transaction, [{ ...trace, whyTextId }], at)
}

/** Under which a text will be kept. */
export const newTextId = (): string => uuidv4()

/** Keeps what someone wrote where it can be blanked; returns its id. */
export async function keepText(
  transaction: AcademyTransaction,
  text: { academyId: string; aboutId: string | null; writtenBy: string | null; content: string },
  textId = newTextId(),
): Promise<string> {
  await insertText(transaction, { textId, ...text })
  return textId
}

const insertText = keptInsert(freeText)
