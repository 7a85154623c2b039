import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import express, { type Express } from 'express'
import request from 'supertest'
import { answerProblem } from './problems.ts'
import { webRoutes } from './web.ts'

const SCRIPT = 'export const words = "A calm apron. ".repeat(20)'
let folder: string
let app: Express

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'calm-apron-web-'))
  mkdirSync(join(folder, 'assets'))
  writeFileSync(join(folder, 'index.html'), '<h1>Calm Apron</h1>')
  writeFileSync(join(folder, 'sw.js'), '// keeps the app')
  writeFileSync(join(folder, 'assets/bar-1a2b.js'), SCRIPT)
  writeFileSync(join(folder, 'assets/bar-1a2b.js.br'), brotliCompressSync(SCRIPT))
  writeFileSync(join(folder, 'assets/bar-1a2b.js.gz'), gzipSync(SCRIPT))
  app = express().use(webRoutes(folder)).use(answerProblem)
})
afterAll(() => {
  rmSync(folder, { recursive: true })
})

const script = (accepts: string) =>
  request(app).get('/assets/bar-1a2b.js').set('Accept-Encoding', accepts).buffer(true)

test.each([
  ['gzip, deflate, br', 'br'],
  ['gzip', 'gzip'],
  ['identity', undefined],
])('who takes "%s" is sent the script as %s', async (accepts, encoding) => {
  const answer = await script(accepts).expect(200)
  expect(answer.headers['content-encoding']).toBe(encoding)
  expect(answer.headers).toMatchObject({
    'content-type': 'text/javascript',
    vary: 'Accept-Encoding',
    'cache-control': 'public,max-age=31536000,immutable',
  })
  expect(answer.text).toBe(SCRIPT)
})

test.each(['/', '/bar', '/shots/1', '/trainings/new?x=1'])(
  '%s is a place of the one page, asked anew each time',
  async (path) => {
    const answer = await request(app).get(path).expect(200)
    expect(answer.text).toBe('<h1>Calm Apron</h1>')
    expect(answer.headers['cache-control']).toBe('no-cache')
  },
)

test('what lies beside the page is asked anew each time as well', async () => {
  const answer = await request(app).get('/sw.js').expect(200)
  expect(answer.headers['cache-control']).toBe('public,max-age=0,must-revalidate')
})

test.each(['/assets/gone-9z.js', '/assets/', '/assets/..%2findex.html'])(
  '%s is not taken for a place: a page would be run as a script',
  async (path) => {
    const answer = await request(app).get(path)
    expect(answer.status).toBe(404)
    expect(answer.headers['content-type']).toContain('application/problem+json')
  },
)
