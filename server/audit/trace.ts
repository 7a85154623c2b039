import type { AuditKind } from '@calm-apron/contract'
import { v4 as uuidv4, v7 as uuidv7 } from 'uuid'
import type { AcademyTransaction } from '../database/pool.ts'
import { audit, freeText } from '../database/schema/index.ts'

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
  if (traces.length === 0) return
  await transaction.insert(audit).values(
    traces.map(({ before = null, after = null, whyTextId = null, ...rest }) => ({
      ...rest,
      auditId: uuidv7(),
      at,
      before,
      after,
      whyTextId,
    })),
  )
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

/** Keeps what someone wrote where it can be blanked; returns its id. */
export async function keepText(
  transaction: AcademyTransaction,
  text: { academyId: string; aboutId: string | null; writtenBy: string | null; content: string },
): Promise<string> {
  const textId = uuidv4()
  await transaction.insert(freeText).values({ textId, ...text })
  return textId
}
