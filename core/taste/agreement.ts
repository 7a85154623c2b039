/** Two tasters' words on one cup, as places on an ordered scale (0, 1, 2 …). */
export type RatingPair = readonly [number, number]

/** Agreement beyond chance; null parts where it can't be told. */
export interface Kappa {
  kappa: number | null
  low: number | null
  high: number | null
  pairs: number
}

const Z_95 = 1.96

/**
 * Cohen's κ with linear weights for ordered answers, and its 95 % interval
 * (J. Cohen, Psychological Bulletin 70, 1968; standard error by J. L. Fleiss, J. Cohen & B. S. Everitt,
 * Psychological Bulletin 72, 1969). Null where both always gave one and the same answer: chance alone would agree.
 * @param steps how many answers the scale has, at least 2
 */
export function weightedKappa(pairs: readonly RatingPair[], steps: number): Kappa {
  const n = pairs.length
  const unknown: Kappa = { kappa: null, low: null, high: null, pairs: n }
  if (n === 0) return unknown
  const weight = (a: number, b: number) => 1 - Math.abs(a - b) / (steps - 1)
  const shares = jointShares(pairs, steps)
  const rows = shares.map((row) => sum(row))
  const columns = rows.map((_, column) => sum(shares.map((row) => row[column] ?? 0)))
  const cells = shares.flatMap((row, a) => row.map((share, b) => ({ a, b, share })))
  const observed = sum(cells.map(({ a, b, share }) => weight(a, b) * share))
  const byChance = sum(cells.map(({ a, b }) => weight(a, b) * (rows[a] ?? 0) * (columns[b] ?? 0)))
  if (byChance >= 1) return unknown
  const kappa = (observed - byChance) / (1 - byChance)
  // Mean weight of each row and column under chance.
  const rowMean = rows.map((_, a) => sum(columns.map((share, b) => share * weight(a, b))))
  const columnMean = columns.map((_, b) => sum(rows.map((share, a) => share * weight(a, b))))
  const spread = sum(
    cells.map(
      ({ a, b, share }) =>
        share * (weight(a, b) - ((rowMean[a] ?? 0) + (columnMean[b] ?? 0)) * (1 - kappa)) ** 2,
    ),
  )
  const variance = (spread - (kappa - byChance * (1 - kappa)) ** 2) / (n * (1 - byChance) ** 2)
  const reach = Z_95 * Math.sqrt(Math.max(0, variance))
  return { kappa, low: Math.max(-1, kappa - reach), high: Math.min(1, kappa + reach), pairs: n }
}

function jointShares(pairs: readonly RatingPair[], steps: number): number[][] {
  const table = Array.from({ length: steps }, () => Array<number>(steps).fill(0))
  for (const [a, b] of pairs) {
    const row = table[a]
    if (row?.[b] === undefined) throw new RangeError(`an answer (${a}, ${b}) off a scale of ${steps} steps`)
    row[b] += 1 / pairs.length
  }
  return table
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0)
}
