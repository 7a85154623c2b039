import {
  BOUNDS,
  ENDPOINTS,
  type Prepared,
  type PreparedKind,
  type PreparedRecord,
  asKind,
} from '@calm-apron/contract'
import { call } from '../api/client.ts'

/** One page of a kind by name, as far as a search reaches. */
export async function pageOf(
  kind: PreparedKind,
  asked: { parentId?: string; search?: string; isArchived?: boolean; cursor?: string | null; limit?: number },
) {
  const { parentId, search = '', isArchived = false, cursor = null, limit } = asked
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

/** Everything of a kind that is not put away, page after page. */
export async function allOf<K extends PreparedKind>(kind: K, parentId?: string): Promise<Prepared<K>[]> {
  const all: PreparedRecord[] = []
  let cursor: string | null = null
  do {
    const page: Awaited<ReturnType<typeof pageOf>> = await pageOf(kind, {
      ...(parentId !== undefined && { parentId }),
      cursor,
      limit: BOUNDS.pageSize.max,
    })
    all.push(...page.things)
    cursor = page.nextCursor
  } while (cursor !== null)
  return all.flatMap((record) => asKind(record, kind) ?? [])
}
