import { chmodSync, chownSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  CHECKOUT,
  IS_ROOT,
  type StartedApp,
  createTestDatabase,
  freePort,
  postmasterPid,
  startByCommand,
} from '@calm-apron/scripts/testing'
import { test as base } from '@playwright/test'
import { expect } from './expect.ts'

// The user "nobody", whom every Debian machine has.
const NOBODY = 65_534

interface Start {
  data: string
  start: (settings?: NodeJS.ProcessEnv, uid?: number, flags?: string[]) => Promise<StartedApp>
}

/** Starts on a data folder of the test's own; whatever still runs at the end is ended. */
const test = base.extend<{ own: Start }>({
  own: async ({}, use) => {
    const data = mkdtempSync(join(tmpdir(), 'calm-apron-start-'))
    chmodSync(data, 0o755)
    const started: StartedApp[] = []
    await use({
      data,
      start: async (settings = {}, uid?: number, flags: string[] = []) => {
        const app = startByCommand(
          { CALM_APRON_DATA: data, PORT: String(await freePort()), ...settings },
          uid,
          flags,
        )
        started.push(app)
        return app
      },
    })
    for (const app of started) {
      app.process.kill('SIGTERM')
      await app.ended
    }
    killPostgres(data)
    rmSync(data, { recursive: true, force: true })
  },
})

function killPostgres(data: string): void {
  const pid = postmasterPid(join(data, 'postgres'))
  if (pid === null) return
  try {
    process.kill(pid, 'SIGKILL')
  } catch (error) {
    // A file left behind by one that is gone already.
    if (!(error instanceof Error && 'code' in error && error.code === 'ESRCH')) throw error
  }
}

const doorsAt = async (url: string): Promise<unknown> => (await fetch(`${url}/api/v1/doors`)).json()
const withAcademy = expect.objectContaining({
  demo: expect.objectContaining({ academyName: 'Tern & Thimble' }),
}) as unknown

async function stopByInterrupt(app: StartedApp): Promise<void> {
  app.process.kill('SIGINT')
  expect(await app.ended, app.printed()).toBe(0)
}

test('a data folder’s life: the demo, an academy of one’s own beside it, a second start, and every way to be killed', async ({
  own,
  page,
}) => {
  const cluster = join(own.data, 'postgres')
  const first = await own.start()
  await test.step('it starts with the demo; a second start is told so, and leaves the first alone', async () => {
    expect(await doorsAt(await first.ready)).toEqual(withAcademy)
    expect(first.printed()).toContain(cluster)
    const twin = await own.start()
    expect(await twin.ended).toBe(1)
    expect(twin.printed()).toContain('already running on this data folder')
    expect(await doorsAt(await first.ready)).toEqual(withAcademy)
  })

  await test.step('by the code of the console an academy is set up beside it', async () => {
    await page.goto(await first.ready)
    await page.getByRole('link', { name: 'Set up an academy of your own' }).click()
    const values = {
      'Code from the console': await first.said(/Code for the first set-up: (\S+)/),
      'Name of the academy': 'Gull Street Coffee School',
      Town: 'Ostrel',
      'Your name': 'Signe Hallow',
      'Sign-in name': 'signe@gull.example',
      Password: 'terns on the harbour wall',
    }
    for (const [label, value] of Object.entries(values))
      await page.getByLabel(label, { exact: true }).fill(value)
    await page.getByRole('button', { name: 'Make the academy' }).click()
    await expect(page.getByText('Gull Street Coffee School, Ostrel')).toBeVisible()
    await expect(page.getByText('No room is set up yet.')).toBeVisible()
  })

  const second = await test.step('it stops cleanly, and starts again with all that was there', async () => {
    await stopByInterrupt(first)
    expect(postmasterPid(cluster)).toBeNull()
    const again = await own.start()
    expect(await doorsAt(await again.ready)).toEqual(withAcademy)
    return again
  })

  const third =
    await test.step('after a kill -9 of everything the next start recovers by itself', async () => {
      second.process.kill('SIGKILL')
      killPostgres(own.data)
      await second.ended
      const again = await own.start()
      expect(await doorsAt(await again.ready)).toEqual(withAcademy)
      return again
    })

  await test.step('after a kill -9 of the start command alone its server ends, and the next start takes over the database', async () => {
    const address = await third.ready
    const before = postmasterPid(cluster)
    third.process.kill('SIGKILL')
    const answers = () =>
      fetch(address).then(
        () => 'answers',
        () => 'gone',
      )
    await expect.poll(answers).toBe('gone')
    const again = await own.start()
    expect(await doorsAt(await again.ready)).toEqual(withAcademy)
    expect(postmasterPid(cluster)).toBe(before)
    await stopByInterrupt(again)
  })

  await test.step('data of another major version is said in one sentence with the mend', async () => {
    const versionFile = join(cluster, 'cluster/PG_VERSION')
    const version = readFileSync(versionFile, 'utf8')
    writeFileSync(versionFile, '9\n')
    const refused = await own.start()
    expect(await refused.ended).toBe(1)
    expect(refused.printed()).toMatch(/was made by PostgreSQL 9, but PostgreSQL \d+ is installed here/)
    writeFileSync(versionFile, version)
  })
})

test('a port that is taken is said in one sentence with the mend', async ({ own }) => {
  const port = await freePort()
  const holder = createServer()
  await new Promise<void>((resolve) => holder.listen(port, '127.0.0.1', resolve))
  const app = await own.start({ PORT: String(port) })
  expect(await app.ended).toBe(1)
  expect(app.printed()).toContain(`Port ${port} is taken`)
  expect(app.printed()).toContain(`"PORT=${port + 1} npm start"`)
  expect(app.printed()).not.toContain('    at ')
  holder.close()
})

test('an outside database is used as it is given, backed up before it is brought up to date, and gets the demo only when asked', async ({
  own,
}) => {
  const database = await createTestDatabase('empty')
  await database.holdInstead(join(CHECKOUT, 'e2e/releases/records.dump'))
  const outside = { DATABASE_URL: database.appUrl, DATABASE_OWNER_URL: database.ownerUrl }
  const plain = await own.start(outside)
  expect(await doorsAt(await plain.ready)).toMatchObject({ canSetUp: true, demo: null })
  const [, kept = ''] =
    /Backed up before the database is brought up to date: (\S+)/.exec(plain.printed()) ?? []
  expect(existsSync(kept)).toBe(true)
  await stopByInterrupt(plain)
  const demo = await own.start({ ...outside, DEMO: 'yes' })
  expect(await doorsAt(await demo.ready)).toEqual(withAcademy)
  // There was nothing left to bring up to date.
  expect(demo.printed()).not.toContain('Backed up')
  await stopByInterrupt(demo)

  const tooPowerful = await own.start({ DATABASE_URL: database.ownerUrl })
  expect(await tooPowerful.ended).toBe(1)
  expect(tooPowerful.printed()).toContain('give it a lesser one')
  await database.remove()
})

for (const uid of IS_ROOT ? [NOBODY] : []) {
  test(`it works as the ordinary user number ${uid}`, async ({ own }) => {
    chownSync(own.data, uid, uid)
    const app = await own.start({ HOME: own.data }, uid)
    expect(await doorsAt(await app.ready)).toEqual(withAcademy)
    await stopByInterrupt(app)
  })
}

test('where root’s database user can’t reach the data folder, the database lives under /var/lib, and the path is printed', async ({
  own,
}) => {
  chmodSync(own.data, 0o700)
  const app = await own.start()
  await app.ready
  const folder = /Data: (\S+)/.exec(app.printed())?.[1] ?? ''
  expect(folder).toMatch(IS_ROOT ? /^\/var\/lib\/calm-apron\// : new RegExp(`^${own.data}`))
  await stopByInterrupt(app)
  rmSync(folder, { recursive: true })
})
