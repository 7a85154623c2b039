import { inThread } from './thread.ts'

const program = (code: string) => new URL(`data:text/javascript,${encodeURIComponent(code)}`)
const WAITS = `import { parentPort } from 'node:worker_threads'; const at = setInterval(() => {}, 60_000);
  parentPort.once('message', () => clearInterval(at))`

test('a program that breaks is told of, and started again', async () => {
  const told: string[] = []
  let stop = async () => {}
  await new Promise<void>((twice) => {
    const broken = inThread(
      program(`throw new Error('broken')`),
      (error) => {
        told.push(String(error))
        if (told.length === 2) twice()
      },
      { againMs: 1 },
    )
    stop = broken.stop
  })
  await stop()
  expect(told.slice(0, 2)).toEqual(['Error: broken', 'Error: broken'])
})

test('told to stop, it ends what is in hand first, and is not started again', async () => {
  const told: unknown[] = []
  const thread = inThread(program(WAITS), (error) => told.push(error), { againMs: 1 })
  await thread.stop()
  await thread.stop()
  expect(told).toEqual([])
})

test('what it has in hand is broken off where that takes too long', async () => {
  const told: unknown[] = []
  const thread = inThread(
    program(
      `import { parentPort } from 'node:worker_threads'; parentPort.on('message', () => { for (;;); })`,
    ),
    (error) => told.push(error),
    { finishWithinMs: 50 },
  )
  await thread.stop()
  expect(told).toEqual([])
})
