import { workLoop } from './workLoop.ts'

/** Resolves when it was looked so many times. */
function looks(of: (look: number) => Promise<void>) {
  let count = 0
  const waiting: { at: number; go: () => void }[] = []
  return {
    work: async () => {
      count += 1
      for (const { at, go } of waiting) if (count >= at) go()
      await of(count)
    },
    reached: async (at: number) => new Promise<void>((go) => waiting.push({ at, go })),
    count: () => count,
  }
}

test('trouble is told once, and again only after something went well', async () => {
  // The first goes well, three fail, one goes well, the rest fail.
  const { work, reached } = looks((look) =>
    look === 1 || look === 5 ? Promise.resolve() : Promise.reject(new Error(`look ${look}`)),
  )
  const told: string[] = []
  const worker = workLoop(work, (error) => told.push(String(error)), 1)
  await reached(9)
  await worker.stop()
  expect(told).toEqual(['Error: look 2', 'Error: look 6'])
})

test('one thing is in hand at a time, and done before it is stopped', async () => {
  let atOnce = 0
  let most = 0
  const { work, reached, count } = looks(async () => {
    atOnce += 1
    most = Math.max(most, atOnce)
    await new Promise((resolve) => setTimeout(resolve, 5))
    atOnce -= 1
  })
  const worker = workLoop(work, () => undefined, 1)
  await reached(4)
  await worker.stop()
  expect([most, atOnce]).toEqual([1, 0])
  const then = count()
  await new Promise((resolve) => setTimeout(resolve, 10))
  expect(count()).toBe(then)
})

test('work of many parts is told when it is to stop, so that it does not hold the server for as long as there is work', async () => {
  let parts = 0
  const begun = new Promise<void>((begin) => {
    worker = workLoop(
      async (stopping) => {
        begin()
        while (!stopping.aborted && parts < 1_000_000) {
          parts += 1
          await new Promise((next) => setImmediate(next))
        }
      },
      () => undefined,
      1,
    )
  })
  await begun
  await worker?.stop()
  expect(parts).toBeLessThan(1_000_000)
})
let worker: ReturnType<typeof workLoop> | null = null
