import type { RouteLocationNormalized } from 'vue-router'
import { freshDevice, settled } from '../../testing/device.ts'
import { PartNotFetched, fetched, useAppFiles } from './appFiles.ts'

const READING = { fullPath: '/shots/1' } as RouteLocationNormalized
const there = () => Promise.resolve('a part')
const gone = () => Promise.reject(new TypeError('Failed to fetch dynamically imported module'))

/** A page whose server is there, or not; and where it was led. */
async function pageWith(isUp: boolean) {
  const device = await freshDevice({ 'GET /healthz': () => (isUp ? { body: {} } : 'nothing') })
  const led: string[] = []
  Object.assign(window, { location: { assign: (to: string) => led.push(to) } })
  return { ...device, led, files: useAppFiles() }
}

test('a part that can’t be had is told in one way, whatever the browser calls it', async () => {
  expect(await fetched(there)()).toBe('a part')
  await expect(fetched(gone)()).rejects.toBeInstanceOf(PartNotFetched)
})

test('the page goes on without network once all it may need is here; what was not to be had is tried again', async () => {
  const { files } = await pageWith(true)
  expect(files.reach).toBe('not-yet')
  await files.warm([fetched(there), fetched(gone)])
  expect(files.reach).toBe('not-yet')
  await files.warm([fetched(there), fetched(there)])
  expect(files.reach).toBe('while-open')
})

test('a fault that is no missing file is not taken for one', async () => {
  const { files } = await pageWith(true)
  await expect(files.warm([() => Promise.reject(new Error('broken'))])).rejects.toThrow('broken')
})

test('what is awaited opens once the server answers, and nothing does before', async () => {
  const { files, led, says } = await pageWith(false)
  files.lack(READING)
  files.isAwaited = true
  await files.tryMissing()
  expect(led).toEqual([])
  says['GET /healthz'] = () => ({ body: {} })
  await files.tryMissing()
  expect(led).toEqual(['/shots/1'])
})

test('whoever went elsewhere, or has something under way, is not called away', async () => {
  const { files, led } = await pageWith(true)
  files.lack(READING)
  await files.tryMissing()
  files.isAwaited = true
  const trying = files.tryMissing()
  files.lack(null)
  await trying
  await settled()
  expect(led).toEqual([])
})
