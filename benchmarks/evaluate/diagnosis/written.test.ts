import { WRITTEN, readWritten } from './written.ts'

test.each(Object.entries(WRITTEN))(
  '%s says what the judgement says now (after a change of the rules: npm run evaluate write, and read the difference)',
  (path, make) => {
    expect(readWritten(path).split('\n')).toEqual(make().split('\n'))
  },
)

test('the tables fit on a page or two', () => {
  const rows = readWritten('docs/judgement-tables.md')
    .split('\n')
    .filter((line) => / s \|/.test(line))
  expect(rows.length).toBeLessThanOrEqual(120)
})
