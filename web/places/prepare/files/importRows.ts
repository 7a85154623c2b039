import { BOUNDS, ENDPOINTS, IMPORT_ORDER, MAX_BODY_BYTES, type RowReport } from '@calm-apron/contract'
import { call } from '../../../data/api/client.ts'

const TURN: readonly string[] = IMPORT_ORDER
/** A body is cut well below its limit, for what stands around the rows. */
const MOST_BYTES = MAX_BODY_BYTES * 0.8

export type FileRow = Record<string, unknown>

/** One row with the place it has in the file, from 0. */
interface Placed {
  at: number
  row: FileRow
}

function kindOf({ thing }: FileRow): string {
  return typeof thing === 'object' && thing !== null && 'kind' in thing ? String(thing.kind) : ''
}

/** The rows in pieces that one request can carry. */
export function inPieces(rows: readonly FileRow[]): Placed[][] {
  const placed = rows
    .map((row, at) => ({ at, row }))
    .sort((a, b) => TURN.indexOf(kindOf(a.row)) - TURN.indexOf(kindOf(b.row)) || a.at - b.at)
  const pieces: Placed[][] = []
  let bytes = Infinity
  for (const each of placed) {
    const size = new TextEncoder().encode(JSON.stringify(each.row)).length + 1
    const isFull = bytes + size > MOST_BYTES || (pieces.at(-1)?.length ?? 0) >= BOUNDS.importRows.max
    if (isFull) {
      pieces.push([])
      bytes = 0
    }
    pieces.at(-1)?.push(each)
    bytes += size
  }
  return pieces
}

/**
 * Sends the rows of a file piece by piece, or asks what would become of them. Reports come in the file's order.
 * @param onProgress told the rows done so far
 * @param isStopped asked before each piece
 */
export async function sendRows(
  rows: readonly FileRow[],
  isPreview: boolean,
  onProgress: (done: number) => void,
  isStopped: () => boolean,
): Promise<RowReport[]> {
  const reports: RowReport[] = []
  const earlierIds: string[] = []
  for (const piece of inPieces(rows)) {
    if (isStopped()) break
    const answer = await call(ENDPOINTS.importPrepared, {
      body: {
        isPreview,
        earlierIds,
        rows: piece.map(({ row }) => row),
      },
    })
    for (const report of answer.rows) {
      const sent = piece[report.row]
      if (sent === undefined) continue
      reports.push({ ...report, row: sent.at })
      const { preparedId } = sent.row
      if (report.outcome !== 'refused' && typeof preparedId === 'string') earlierIds.push(preparedId)
    }
    onProgress(reports.length)
  }
  return reports.sort((a, b) => a.row - b.row)
}
