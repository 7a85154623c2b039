/** Pages in their order, and whether there is a further one. */
export interface Pages<P> {
  pages: P[]
  hasMore: boolean
}

/** Page after page, as long as there is a further one, or until so many were had. */
export async function inPages<P extends { nextCursor: string | null }>(
  ask: (cursor: string | null) => Promise<P>,
  most = Infinity,
): Promise<Pages<P>> {
  const pages: P[] = []
  let cursor: string | null = null
  do {
    const page: P = await ask(cursor)
    pages.push(page)
    cursor = page.nextCursor
  } while (cursor !== null && pages.length < most)
  return { pages, hasMore: cursor !== null }
}
