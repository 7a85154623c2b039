import { type CoffeeContent, type FileThing, type Prepared, ROAST_LEVELS } from '@calm-apron/contract'
import { FRESHNESS_WINDOWS, parseDecimal } from '@calm-apron/core'
import Papa from 'papaparse'
import { v7 as uuidv7 } from 'uuid'

/** The columns of a table of coffees, in this order. */
export const COFFEE_COLUMNS = [
  'id',
  'name',
  'roaster',
  'origin',
  'process',
  'roast_level',
  'bag_words',
  'bag_g',
  'bag_price',
  'delivery_days',
  'rest_days',
  'best_until_days',
  'usable_until_days',
] as const
type Column = (typeof COFFEE_COLUMNS)[number]

/** Coffees as CSV with a header; cells that a spreadsheet would take for a formula are made harmless. */
export function coffeesToCsv(coffees: readonly Prepared<'coffee'>[]): string {
  const rows = coffees.map(({ preparedId, content }): Record<Column, string | number> => ({
    id: preparedId,
    name: content.name,
    roaster: content.roaster,
    origin: content.origin,
    process: content.process,
    roast_level: content.roastLevel ?? '',
    bag_words: content.bagWords,
    bag_g: content.bagG ?? '',
    bag_price: content.bagPrice ?? '',
    delivery_days: content.deliveryDays,
    rest_days: content.freshness.restDays,
    best_until_days: content.freshness.bestUntilDays,
    usable_until_days: content.freshness.usableUntilDays,
  }))
  return Papa.unparse(rows, { columns: [...COFFEE_COLUMNS], escapeFormulae: true })
}

/** A row of a file as it will be sent: what can't be read in it is sent as it stands, and refused by name. */
export type UncheckedThing = { preparedId: string; thing: unknown }

/** Columns that a coffee can't do without and the file lacks. */
export function missingColumns(text: string): string[] {
  const { meta } = Papa.parse(text, { header: true, preview: 1, transformHeader: tidyHeader })
  return meta.fields?.includes('name') ? [] : ['name']
}

const tidyHeader = (header: string) =>
  header
    .trim()
    .toLowerCase()
    .replaceAll(/[\s-]+/g, '_')

/**
 * Rows of a CSV as coffees. A row without an id is the coffee of that name and roaster, if there is one, else a new one.
 * @param known the coffees that are there
 */
export function coffeesFromCsv(text: string, known: readonly Prepared<'coffee'>[]): UncheckedThing[] {
  const { data } = Papa.parse<Partial<Record<Column, string>>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: tidyHeader,
  })
  return data.map((row) => {
    const cell = (column: Column) => unescaped(row[column] ?? '').trim()
    const same = known.find(
      ({ content }) => alike(content.name, cell('name')) && alike(content.roaster, cell('roaster')),
    )
    const was = known.find(({ preparedId }) => preparedId === cell('id')) ?? same
    return {
      preparedId: cell('id') || was?.preparedId || uuidv7(),
      thing: {
        kind: 'coffee',
        parentId: null,
        content: contentOf(cell, was?.content ?? null),
      } satisfies Loose,
    }
  })
}

type Loose = { kind: FileThing['thing']['kind']; parentId: null; content: Record<string, unknown> }

function contentOf(cell: (column: Column) => string, was: CoffeeContent | null): Record<string, unknown> {
  const number = (column: Column, empty: number | null) =>
    cell(column) === '' ? empty : numberIn(cell(column))
  const level = cell('roast_level').toLowerCase().replaceAll(' ', '-')
  const freshness = was?.freshness ?? FRESHNESS_WINDOWS.usual
  return {
    name: cell('name'),
    roaster: cell('roaster'),
    origin: cell('origin'),
    process: cell('process'),
    roastLevel: level === '' ? null : (ROAST_LEVELS.find((each) => each === level) ?? level),
    isForEspresso: was?.isForEspresso ?? null,
    bagWords: cell('bag_words'),
    bagG: number('bag_g', null),
    bagPrice: number('bag_price', null),
    deliveryDays: number('delivery_days', was?.deliveryDays ?? 4),
    freshness: {
      restDays: number('rest_days', freshness.restDays),
      bestUntilDays: number('best_until_days', freshness.bestUntilDays),
      usableUntilDays: number('usable_until_days', freshness.usableUntilDays),
    },
    density: was?.density ?? null,
  }
}

/** A number as people write it; what is none stays text, and is refused by its field. */
function numberIn(text: string): number | string {
  const parsed = parseDecimal(text)
  return parsed.ok ? parsed.value : text
}

/** Takes back the mark by which a cell was kept from being a formula. */
function unescaped(cell: string): string {
  return /^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell
}

const alike = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()
