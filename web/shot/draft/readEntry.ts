import { BOUNDS } from '@calm-apron/contract'
import { type UnitOf, type Weighing, netG, parseDecimal, roundG, toBase } from '@calm-apron/core'
import type { WeighingEntry } from './shotDraft.ts'

/** What is wrong with one typed value; `limit` is in the field's base unit. */
export type EntryIssue =
  | {
      code:
        | 'not-a-number'
        | 'negative'
        | 'tare-above-gross'
        | 'tare-missing'
        | 'gross-missing'
        | 'stop-before-first-drop'
        | 'stop-missing'
        | 'release-after-stop'
    }
  | { code: 'ambiguous'; asDecimal: number; asThousands: number }
  | { code: 'below' | 'above'; limit: number }

export type ReadValue = { value: number | null; issue: EntryIssue | null }

interface Bounds {
  readonly min: number
  readonly max: number
}

/** What a field was filled with from a record: the text, and the value that it rounds. */
export interface Filled {
  text: string
  value: number | null
}

/**
 * Reads one typed number; an empty text is simply not known. A field that still says what it was filled with has that
 * value, not what is shown of it.
 */
export function readNumber(
  text: string,
  bounds: Bounds,
  toBaseUnit: (shown: number) => number = (shown) => shown,
  filled: Filled | null = null,
): ReadValue {
  if (filled !== null && filled.text === text) return { value: filled.value, issue: null }
  const parsed = parseDecimal(text)
  if (!parsed.ok) {
    if (parsed.code === 'empty') return { value: null, issue: null }
    if (parsed.code === 'not-a-number') return { value: null, issue: { code: 'not-a-number' } }
    const { asDecimal, asThousands } = parsed
    const isIn = (typed: number) => toBaseUnit(typed) >= bounds.min && toBaseUnit(typed) <= bounds.max
    // Where a thousand of it can't be, a comma is what it is everywhere else.
    if (!isIn(asDecimal) || isIn(asThousands))
      return { value: null, issue: { code: 'ambiguous', asDecimal, asThousands } }
    return { value: toBaseUnit(asDecimal), issue: null }
  }
  const value = toBaseUnit(parsed.value)
  if (value < 0) return { value, issue: { code: 'negative' } }
  if (value < bounds.min) return { value, issue: { code: 'below', limit: bounds.min } }
  if (value > bounds.max) return { value, issue: { code: 'above', limit: bounds.max } }
  return { value, issue: null }
}

/** A typed number, with a comma or a point; null where it is none, or could be two. */
export function numberTyped(text: string): number | null {
  const parsed = parseDecimal(text)
  return parsed.ok ? parsed.value : null
}

export type WeighingField = 'net' | 'gross' | 'tare'

/** A weight as far as it has been typed: stored when whole, and what is wrong at which field. */
export interface ReadWeighing {
  weighing: Weighing | null
  netG: number | null
  /** What the scale showed, for rescuing a forgotten tare. */
  readingG: number | null
  issues: Partial<Record<WeighingField, EntryIssue>>
}

/** What a weight was filled with from a record. */
export type FilledWeighing = Record<WeighingField, Filled | null>

const NOT_FILLED: FilledWeighing = { net: null, gross: null, tare: null }

/** Reads a typed weight. `bounds` are those of what is left after the tare, in g. */
export function readWeighing(
  entry: WeighingEntry,
  bounds: Bounds,
  unit: UnitOf<'mass'>,
  filled: FilledWeighing = NOT_FILLED,
): ReadWeighing {
  const inG = (shown: number) => roundG(toBase(unit, shown))
  if (entry.way === 'net') {
    const net = readNumber(entry.netText, bounds, inG, filled.net)
    const weighing: Weighing | null =
      net.value !== null && net.issue === null ? { by: 'net', netG: net.value } : null
    return {
      weighing,
      netG: netG(weighing),
      readingG: net.value,
      issues: net.issue ? { net: net.issue } : {},
    }
  }
  const gross = readNumber(entry.grossText, BOUNDS.scaleG, inG, filled.gross)
  const tare = readNumber(entry.tareText, BOUNDS.scaleG, inG, filled.tare)
  const issues: ReadWeighing['issues'] = {}
  if (gross.issue) issues.gross = gross.issue
  if (tare.issue) issues.tare = tare.issue
  if (gross.issue || tare.issue || gross.value === null)
    return { weighing: null, netG: null, readingG: gross.value, issues }
  if (tare.value === null)
    return { weighing: null, netG: null, readingG: gross.value, issues: { tare: { code: 'tare-missing' } } }
  const weighing: Weighing = { by: 'gross', grossG: gross.value, tareG: tare.value, vesselId: entry.vesselId }
  const issue = netIssue(netG(weighing) ?? 0, bounds)
  if (issue) return { weighing: null, netG: null, readingG: gross.value, issues: issue }
  return { weighing, netG: netG(weighing), readingG: gross.value, issues: {} }
}

function netIssue(net: number, bounds: Bounds): ReadWeighing['issues'] | null {
  if (net < 0) return { tare: { code: 'tare-above-gross' } }
  if (net < bounds.min) return { gross: { code: 'below', limit: bounds.min } }
  return net > bounds.max ? { gross: { code: 'above', limit: bounds.max } } : null
}
