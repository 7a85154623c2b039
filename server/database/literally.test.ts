import { PgDialect } from 'drizzle-orm/pg-core'
import { literally } from './literally.ts'

const inStatement = (own: number | string) => new PgDialect().sqlToQuery(literally(own))

test('what is our own stands in the statement itself', () => {
  expect(inStatement(301)).toEqual({ sql: '301', params: [] })
  expect(inStatement('shot-recorded')).toEqual({ sql: "'shot-recorded'", params: [] })
})

test.each(["o'clock", 'a b', 'Kind', '', 1.5, NaN, Infinity])('%j is refused', (given) => {
  expect(() => literally(given)).toThrow('Only whole numbers and plain words stand in a statement.')
})
