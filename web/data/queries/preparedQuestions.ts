import {
  BOUNDS,
  type CoffeeUse,
  ENDPOINTS,
  type Prepared,
  type PreparedKind,
  type PreparedList,
  type PreparedRecord,
  type WorkedSettings,
  asKind,
} from '@calm-apron/contract'
import { call } from '../api/client.ts'
import { keptAnswer } from './keptAnswer.ts'
import { inPages } from './inPages.ts'
import type { Question } from './question.ts'

/** What of a kind is asked for; `archived` only what was put away. */
export interface PreparedWanted {
  kind: PreparedKind
  parentId?: string
  search?: string
  isArchived?: boolean
}

async function pageOf(
  { kind, parentId, search = '', isArchived = false }: PreparedWanted,
  cursor: string | null,
  limit?: number,
) {
  return call(ENDPOINTS.listPrepared, {
    query: {
      kind,
      archived: isArchived ? 'yes' : 'no',
      ...(parentId !== undefined && { parentId }),
      ...(search !== '' && { search }),
      ...(cursor !== null && { cursor }),
      ...(limit !== undefined && { limit }),
    },
  })
}

/** Things of a kind by name, as many pages as were asked for. */
export function preparedAsked(
  wanted: PreparedWanted,
  pages: number,
): Question<{ things: PreparedRecord[]; hasMore: boolean }> {
  return {
    key: ['prepared', { ...wanted }],
    ask: async () => {
      const told = await inPages(async (cursor) => pageOf(wanted, cursor), pages)
      return {
        things: told.pages.flatMap(({ things }) => things),
        hasMore: told.hasMore,
      }
    },
  }
}

/** Everything of a kind that is not put away. @throws as `call` does */
export async function allOf<K extends PreparedKind>(kind: K, parentId?: string): Promise<Prepared<K>[]> {
  const wanted = { kind, ...(parentId !== undefined && { parentId }) }
  const { pages } = await inPages(async (cursor) => pageOf(wanted, cursor, BOUNDS.pageSize.max))
  return pages.flatMap(({ things }) => things.flatMap((record) => asKind(record, kind) ?? []))
}

export function allAsked<K extends PreparedKind>(kind: K, parentId?: string): Question<Prepared<K>[]> {
  return { key: ['prepared', 'all', kind, parentId ?? ''], ask: async () => allOf(kind, parentId) }
}

/** The programmes of the house, no more than a page of them; kept, since a set that is on goes on without network. */
export function programmesAsked(): Question<PreparedList> {
  const key = ['prepared', 'programmes'] as const
  return {
    key,
    ask: async () => pageOf({ kind: 'programme' }, null, BOUNDS.pageSize.max),
    kept: keptAnswer(key, ENDPOINTS.listPrepared),
  }
}

/** One thing in its newest revision. */
export function thingAsked(preparedId: string): Question<PreparedRecord> {
  return {
    key: ['prepared', 'one', preparedId],
    ask: async () => {
      const { revisions: _revisions, ...record } = await call(ENDPOINTS.getPrepared, {
        params: { preparedId },
      })
      return record
    },
  }
}

/** Settings at which a grinder ran well. */
export function workedAsked(grinderId: string): Question<WorkedSettings> {
  return {
    key: ['worked', grinderId],
    ask: async () => call(ENDPOINTS.workedSettings, { params: { preparedId: grinderId } }),
  }
}

/** What shots and purges took of each bag, and how fast coffee goes. */
export function coffeeUseAsked(): Question<CoffeeUse> {
  return { key: ['coffee-use'], ask: async () => call(ENDPOINTS.coffeeUse) }
}
