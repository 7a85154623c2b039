import { type CoffeeContent, type Prepared, fileThing } from '@calm-apron/contract'
import { newCoffee } from '../../../shot/coffee/newCoffee.ts'
import { COFFEE_COLUMNS, coffeesFromCsv, coffeesToCsv, missingColumns } from './coffeeCsv.ts'

const ID = '019a5c00-0000-7005-8000-000000000001'
const coffee = (content: Partial<CoffeeContent> = {}): Prepared<'coffee'> => ({
  preparedId: ID,
  kind: 'coffee',
  parentId: null,
  revisionId: ID,
  revisionNo: 1,
  isArchived: false,
  changedAt: '2026-11-26T09:00:00.000Z',
  changedBy: null,
  content: { ...newCoffee(), name: 'Lantern Row', roaster: 'Saltgate Roastery', ...content },
})
const only = (text: string, known: Prepared<'coffee'>[] = []) => {
  const rows = coffeesFromCsv(text, known)
  expect(rows).toHaveLength(1)
  return rows[0] ?? { preparedId: '', thing: null }
}

test('what goes out comes in as the same coffee', () => {
  const there = coffee({
    bagWords: 'cocoa, "dried" pear',
    bagG: 1000,
    bagPrice: 27.5,
    roastLevel: 'medium-dark',
  })
  const csv = coffeesToCsv([there])
  expect(csv.split('\r\n')[0]).toBe(COFFEE_COLUMNS.join(','))
  expect(only(csv, [there])).toEqual({
    preparedId: ID,
    thing: { kind: 'coffee', parentId: null, content: there.content },
  })
})

test('a cell that a spreadsheet would take for a formula goes out harmless and comes back as it was', () => {
  const there = coffee({ origin: '=HYPERLINK("x")', process: '-dry' })
  const csv = coffeesToCsv([there])
  expect(csv).toContain(`"'=HYPERLINK`)
  expect(csv).not.toMatch(/,=HYPERLINK/)
  expect(only(csv, [there])).toMatchObject({
    thing: { content: { origin: '=HYPERLINK("x")', process: '-dry' } },
  })
})

test('without an id a row is the coffee of that name and roaster, whatever the case; else a new one', () => {
  const text = (name: string, roaster: string) => `name,roaster\n${name},${roaster}`
  expect(only(text('lantern row', 'SALTGATE roastery'), [coffee()]).preparedId).toBe(ID)
  const other = only(text('Lantern Row', 'Elsewhere'), [coffee()])
  expect(other.preparedId).not.toBe(ID)
  expect(fileThing.safeParse(other).success).toBe(true)
})

test('columns that are left out keep what is known, or begin as usual', () => {
  const there = coffee({
    deliveryDays: 9,
    freshness: { restDays: 7, bestUntilDays: 30, usableUntilDays: 45 },
  })
  const known = only('name,roaster\nLantern Row,Saltgate Roastery', [there])
  expect(known).toMatchObject({ thing: { content: { deliveryDays: 9, freshness: { restDays: 7 } } } })
  expect(only('name\nNew')).toMatchObject({
    thing: { content: { deliveryDays: 4, freshness: { restDays: 5 } } },
  })
})

test.each([
  ['a decimal comma', 'name,bag_price\nA,"27,50"', 'bagPrice', 27.5],
  ['a header written otherwise', 'Name,Bag G\nA,250', 'bagG', 250],
  ['a roast level with a space', 'name,roast_level\nA,Medium Dark', 'roastLevel', 'medium-dark'],
  ['what is no number, for the field to refuse', 'name,bag_g\nA,a lot', 'bagG', 'a lot'],
])('%s is read', (_, text, field, value) => {
  expect(only(text)).toMatchObject({ thing: { content: { [field]: value } } })
})

test('a byte-order mark, empty lines and Windows line ends are no rows', () => {
  const rows = coffeesFromCsv('\uFEFFname,roaster\r\nA,B\r\n\r\n , \r\nC,D\r\n', [])
  expect(rows.map(({ thing }) => (thing as { content: { name: string } }).content.name)).toEqual(['A', 'C'])
})

test('a file whose first line names no name is told so', () => {
  expect(missingColumns('coffee,roaster\nA,B')).toEqual(['name'])
  expect(missingColumns('NAME;roaster\nA;B')).toEqual([])
})
