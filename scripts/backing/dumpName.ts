/** A file name that sorts by time: `calm-apron-2026-11-26T08-30-00Z.dump`. */
export function dumpName(at: Date): string {
  return `calm-apron-${at.toISOString().slice(0, 19).replaceAll(':', '-')}Z.dump`
}
