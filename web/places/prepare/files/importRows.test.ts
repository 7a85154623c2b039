import { BOUNDS, MAX_BODY_BYTES } from '@calm-apron/contract'
import { type FileRow, inPieces } from './importRows.ts'
import { readPreparedFile } from './readFile.ts'

const row = (kind: string, name = 'A'): FileRow => ({ preparedId: name, thing: { kind, content: { name } } })
const kindsOf = (rows: FileRow[]) =>
  inPieces(rows).map((piece) => piece.map(({ row: { thing } }) => (thing as { kind: string }).kind))

describe('a file in pieces', () => {
  test('what others belong to goes first, and each row keeps its place in the file', () => {
    const rows = [row('bag'), row('recipe'), row('basket'), row('coffee')]
    expect(kindsOf(rows)).toEqual([['coffee', 'basket', 'recipe', 'bag']])
    expect(inPieces(rows)[0]?.map(({ at }) => at)).toEqual([3, 2, 1, 0])
  })

  test('no piece has more rows than a request may, and none is lost', () => {
    const rows = Array.from({ length: BOUNDS.importRows.max * 2 + 1 }, (_, at) => row('coffee', `c${at}`))
    const sizes = inPieces(rows).map(({ length }) => length)
    expect(sizes).toEqual([BOUNDS.importRows.max, BOUNDS.importRows.max, 1])
  })

  test('no piece is larger than a body may be, as long as no single row is', () => {
    const rows = Array.from({ length: 60 }, () => row('coffee', 'é'.repeat(5000)))
    for (const piece of inPieces(rows)) {
      const body = JSON.stringify({ isPreview: true, rows: piece.map(({ row: each }) => each) })
      expect(new TextEncoder().encode(body).length).toBeLessThan(MAX_BODY_BYTES)
    }
  })

  test('rows that are nothing of ours are sent too: the server says what is wrong with them', () => {
    expect(inPieces([{ nonsense: 1 }, row('coffee')]).flat()).toHaveLength(2)
  })
})

describe('a file that was chosen', () => {
  const shell = { format: 'calm-apron-prepared', version: 1, madeAt: '2026-11-26T09:00:00Z' }
  const json = (things: unknown) => JSON.stringify({ ...shell, things })

  test.each([
    ['a.json', '{"format":', 'not-json'],
    ['a.json', '   ', 'empty'],
    ['a.json', '[]', 'not-ours'],
    ['a.json', JSON.stringify({ ...shell, version: 2, things: [] }), 'not-ours'],
    ['a.json', json('things'), 'not-ours'],
    ['a.json', json([]), 'empty'],
    ['a.csv', 'roaster\nA', 'no-name-column'],
    ['a.csv', 'name\n', 'empty'],
  ])('%s holding %p is refused as %s', (name, text, issue) => {
    expect(readPreparedFile(name, text, [])).toEqual({ ok: false, issue })
  })

  test('bad rows are kept for the server to judge, each by itself', () => {
    const read = readPreparedFile('a.JSON', json([row('coffee'), 'nonsense', null, 7]), [])
    expect(read).toEqual({
      ok: true,
      rows: [row('coffee'), { thing: 'nonsense' }, { thing: null }, { thing: 7 }],
    })
  })

  test('what a later version may add beside the rows does no harm', () => {
    const text = JSON.stringify({ ...shell, madeBy: 'another', things: [row('coffee')] })
    expect(readPreparedFile('a.json', text, [])).toMatchObject({ ok: true })
  })
})
