import { DrizzleQueryError } from 'drizzle-orm/errors'
import { bareError } from './logging.ts'

test('a failed query is logged without the values that were sent', () => {
  const cause = Object.assign(new Error('duplicate key'), { code: '23505' })
  const error = new DrizzleQueryError(
    'insert into person (display_name) values ($1)',
    ['Somebody’s Name'],
    cause,
  )
  const logged = bareError(error)
  expect(JSON.stringify(logged)).not.toContain('Somebody')
  expect(logged).toMatchObject({
    query: expect.stringContaining('insert into person'),
    cause: { code: '23505', message: 'duplicate key' },
  })
})
