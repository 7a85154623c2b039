/** What a typed number turned out to be; `code` names what is wrong with it. */
export type ParsedDecimal =
  | { ok: true; value: number }
  | { ok: false; code: 'empty' }
  | { ok: false; code: 'not-a-number' }
  | { ok: false; code: 'ambiguous'; asDecimal: number; asThousands: number }

const PLAIN = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/
const ONE_GROUP_OF_THREE = /^[+-]?[1-9]\d{0,2},\d{3}$/

/**
 * Reads a number as people type it: "18.2", "18,2", " 18 ". A comma is a decimal sign unless it could as well
 * part thousands ("1,234"), which is answered as ambiguous with both readings.
 * @example parseDecimal('18,2') // => { ok: true, value: 18.2 }
 */
export function parseDecimal(typed: string): ParsedDecimal {
  const text = typed.trim().replace('−', '-')
  if (text === '') return { ok: false, code: 'empty' }
  if (!PLAIN.test(text)) return { ok: false, code: 'not-a-number' }
  const asDecimal = Number(text.replace(',', '.'))
  if (ONE_GROUP_OF_THREE.test(text)) {
    return { ok: false, code: 'ambiguous', asDecimal, asThousands: Number(text.replace(',', '')) }
  }
  return { ok: true, value: asDecimal }
}
