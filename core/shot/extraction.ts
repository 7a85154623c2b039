/** The share of the dose that is usually dissolved, in %. */
export const USUAL_EXTRACTION = { min: 18, max: 22 } as const

/**
 * Extraction yield in %: dissolved solids in the cup as a share of the dry dose (E. E. Lockhart, "The soluble solids in
 * beverage coffee as an index to cup quality", 1957).
 * @example extractionPercent({ tdsPercent: 9, cupG: 38, doseG: 18 }) // => 19
 */
export function extractionPercent({
  tdsPercent,
  cupG,
  doseG,
}: {
  tdsPercent: number
  cupG: number
  doseG: number
}): number {
  return (tdsPercent * cupG) / doseG
}
