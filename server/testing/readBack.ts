import type { AcademyTransaction } from '../database/pool.ts'
import { listCalls, listRulings, listSlips } from '../tasting/queries.ts'

/** All that was said of a shot, whoever may see it. */
export async function readTastingOf(transaction: AcademyTransaction, shotId: string) {
  return {
    calls: await listCalls(transaction, shotId),
    slips: await listSlips(transaction, shotId),
    rulings: await listRulings(transaction, shotId),
  }
}
