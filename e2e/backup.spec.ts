import {
  appendFileSync,
  chmodSync,
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, runByCommand, startByCommand, startTestApp } from '@calm-apron/scripts/testing'
import { type APIRequestContext, test } from '@playwright/test'
import { expect } from './expect.ts'
import { HEAD, comeInAs } from './fixtures.ts'

interface Named {
  personId: string
  displayName: string
}

async function people(request: APIRequestContext, url: string): Promise<Named[]> {
  const answer = await request.get(`${url}/api/v1/people`)
  return ((await answer.json()) as { people: Named[] }).people
}

async function changeAcademy(request: APIRequestContext, url: string, basedOnNo: number, name: string) {
  const data = { basedOnNo, name, town: 'Ostrel', timeZone: 'Atlantic/Azores' }
  const answer = await request.patch(`${url}/api/v1/academy`, { headers: { Origin: url }, data })
  expect(answer.ok()).toBe(true)
}

const academyName = async (request: APIRequestContext, url: string) =>
  ((await (await request.get(`${url}/api/v1/session`)).json()) as { academy: { name: string } }).academy.name

test('a backup while the app runs, a restore that brings it all back but for whoever was erased since', async ({
  request,
}) => {
  const data = mkdtempSync(join(tmpdir(), 'calm-apron-backup-'))
  chmodSync(data, 0o755)
  const settings = { CALM_APRON_DATA: data, PORT: String(await freePort()) }
  const file = join(data, 'kept', 'quay.dump')
  const first = startByCommand(settings)
  const url = await first.ready
  await comeInAs(request, { url, tag: null }, HEAD)
  await changeAcademy(request, url, 1, 'As it was backed up')
  const made = await runByCommand(['backup', file], settings)
  expect([made.printed, made.code]).toEqual([
    expect.stringMatching(/restored on trial with the same numbers/),
    0,
  ])
  expect((await runByCommand(['backup', file], settings)).printed).toContain('is there already')

  await changeAcademy(request, url, 2, 'As it is now')
  const erased = (await people(request, url)).find(({ displayName }) => displayName === 'Mirren Kestle')
  const answer = await request.post(`${url}/api/v1/people/${erased?.personId ?? ''}/erasure`, {
    headers: { Origin: url },
    data: { displayName: 'Mirren Kestle' },
  })
  expect(answer.ok()).toBe(true)
  const running = await runByCommand(['restore', file], settings)
  expect([running.printed, running.code]).toEqual([expect.stringContaining('Stop it first'), 1])
  first.process.kill('SIGINT')
  expect(await first.ended).toBe(0)

  await test.step('a damaged or halved backup is refused, and everything stands as it stood', async () => {
    const damaged = join(data, 'kept', 'damaged.dump')
    copyFileSync(file, damaged)
    copyFileSync(`${file}.json`, `${damaged}.json`)
    appendFileSync(damaged, 'x')
    expect((await runByCommand(['restore', damaged], settings)).printed).toContain('is damaged')
    rmSync(damaged)
    rmSync(`${damaged}.json`)
    const alone = join(data, 'alone.dump')
    copyFileSync(file, alone)
    expect((await runByCommand(['restore', alone], settings)).printed).toContain('a backup is two files')
    const wrong = JSON.parse(readFileSync(`${file}.json`, 'utf8')) as { rows: Record<string, number> }
    writeFileSync(`${alone}.json`, JSON.stringify({ ...wrong, rows: { ...wrong.rows, 'public.shot': 1000 } }))
    expect((await runByCommand(['restore', alone], settings)).printed).toMatch(
      /public\.shot: \d+ in place of 1000/,
    )
  })

  const restored = await runByCommand(['restore', file], settings)
  expect([restored.printed, restored.code]).toEqual([expect.stringContaining('erased since: 1.'), 0])
  const before = /kept in (\S+)\.\n/.exec(restored.printed)?.[1] ?? ''
  expect(existsSync(before)).toBe(true)

  const second = startByCommand(settings)
  await second.ready
  await comeInAs(request, { url, tag: null }, HEAD)
  expect(await academyName(request, url)).toBe('As it was backed up')
  const names = (await people(request, url)).map(({ displayName }) => displayName)
  expect([names.length, names.includes('Mirren Kestle'), names.includes('')]).toEqual([11, false, true])
  second.process.kill('SIGINT')
  expect(await second.ended).toBe(0)
  rmSync(data, { recursive: true, force: true })
})

test('an outside database is backed up and restored by its owner', async ({ request }) => {
  const data = mkdtempSync(join(tmpdir(), 'calm-apron-outside-'))
  chmodSync(data, 0o755)
  const app = await startTestApp()
  const outside = {
    CALM_APRON_DATA: data,
    PORT: String(await freePort()),
    DATABASE_URL: app.database.appUrl,
    DATABASE_OWNER_URL: app.database.ownerUrl,
    DEMO: 'yes',
  }
  const file = join(data, 'outside.dump')
  expect((await runByCommand(['backup', file], { ...outside, DATABASE_OWNER_URL: '' })).printed).toContain(
    'give DATABASE_OWNER_URL',
  )
  const made = await runByCommand(['backup', file], outside)
  expect([made.printed, made.code]).toEqual([expect.stringContaining('Backed up'), 0])
  const place = { url: app.url, tag: null }
  await comeInAs(request, place, HEAD)
  await changeAcademy(request, app.url, 1, 'Changed since')
  await app.kill()
  const restored = await runByCommand(['restore', file], outside)
  expect([restored.printed, restored.code]).toEqual([expect.stringContaining('Restored'), 0])
  await app.restart()
  await comeInAs(request, place, HEAD)
  expect(await academyName(request, app.url)).toBe('Tern & Thimble')
  await app.remove()
  rmSync(data, { recursive: true, force: true })
})
