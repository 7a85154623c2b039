import { readFileSync } from 'node:fs'
import { ENDPOINTS } from '@calm-apron/contract'
import { deleteDB, openDB } from 'idb'
import { keptAnswer } from '../queries/keptAnswer.ts'
import { deviceDatabase, openDeviceDatabase } from './deviceDatabase.ts'
import { keptShotsOf } from './keptShots.ts'
import { freshDevice } from '../../testing/device.ts'

type KeptDevice = Record<string, { key: IDBValidKey; value: { [key: string]: unknown } }[]>

/** What `npm run keep-release` kept of a device on which the last release's page had worked. */
const kept = JSON.parse(
  readFileSync(new URL('../../../e2e/releases/device.json', import.meta.url), 'utf8'),
) as KeptDevice
const FORMER_VERSION = 5
const viewerId = kept['remembered']?.[0]?.key as string

/** Lays the former device down as that release's page had made it. */
async function formerDevice(name: string): Promise<void> {
  const former = await openDB(name, FORMER_VERSION, {
    upgrade(database) {
      for (const store of Object.keys(kept)) {
        if (store === 'outbox') database.createObjectStore(store, { keyPath: 'order', autoIncrement: true })
        else if (store === 'drafts') database.createObjectStore(store, { keyPath: 'shotId' })
        else if (store === 'shots') {
          const shots = database.createObjectStore(store, { keyPath: ['viewerId', 'detail.shotId'] })
          shots.createIndex('pulledAt', 'detail.pulledAt')
        } else database.createObjectStore(store)
      }
    },
  })
  for (const [store, rows] of Object.entries(kept))
    for (const { key, value } of rows)
      await former.put(store, value, ['outbox', 'drafts', 'shots'].includes(store) ? undefined : key)
  former.close()
}

test('a device of the last release keeps its draft, its curve, what waits and what was refused', async () => {
  await formerDevice('former-writes')
  const device = await openDeviceDatabase('former-writes')
  const outbox = await device.getAll('outbox')
  expect(outbox.map(({ kind, refused }) => [kind, refused?.detail ?? null])).toEqual([
    ['shot', 'Refused to be kept.'],
    ['shot', null],
  ])
  const [draft] = await device.getAll('drafts')
  expect(draft).toMatchObject({
    correcting: null,
    cup: { way: 'net', netText: expect.stringMatching(/^\d/) },
  })
  expect((await device.get('series', draft?.shotId ?? ''))?.weight.split(' ').length).toBeGreaterThan(100)
  expect(await device.get('door', 'last')).toMatchObject({ session: { person: { personId: viewerId } } })
  device.close()
})

test('without network it wakes with all that it had been told', async () => {
  await freshDevice({})
  // This page lets go of its own, and finds the former one in its place.
  await deleteDB('calm-apron')
  await formerDevice('calm-apron')
  const today = await keptAnswer(['today'], ENDPOINTS.today).read(viewerId)
  expect(today?.value.academy.name).toBe('Tern & Thimble')
  const trainings = await keptAnswer(['trainings'], ENDPOINTS.listTrainings).read(viewerId)
  expect(trainings?.value.trainings).toHaveLength(1)
  const shots = await keptShotsOf(viewerId, {}, 100)
  expect(shots).toHaveLength(kept['shots']?.length ?? 0)
  const [{ detail }] = shots as [(typeof shots)[number]]
  const ofOne = await keptShotsOf(viewerId, { personId: detail.personId }, 1)
  expect(ofOne.map((each) => each.detail.shotId)).toEqual([detail.shotId])
  expect([...(await deviceDatabase()).objectStoreNames]).not.toContain('remembered')
  await deleteDB('calm-apron')
})

test('what can’t be read as today’s answer is not known, and breaks nothing', async () => {
  await freshDevice({})
  const device = await deviceDatabase()
  await device.put('answers', { answer: { academy: 'of another shape' }, askedAtMs: 5 }, [
    viewerId,
    '["today"]',
  ])
  expect(await keptAnswer(['today'], ENDPOINTS.today).read(viewerId)).toBeNull()
})
