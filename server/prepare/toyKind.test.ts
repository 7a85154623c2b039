import { execFile } from 'node:child_process'
import { promisify } from 'node:util'

const run = promisify(execFile)

test('a kind that is added beside the others, and nowhere else, is kept, listed, revised, checked, locked and taken from a file', async () => {
  const { stdout } = await run(process.execPath, ['--import', 'tsx', 'server/testing/storedToyKind.ts'])
  expect(JSON.parse(stdout)).toEqual({
    heatsG: [120, 140, 120],
    listed: 2,
    refused: {
      noRoom: ['parentId'],
      wrongBasket: ['content.fitsBasketId'],
      tooHeavy: ['content.heatsG'],
      lockedForNobody: ['content.lock.personId'],
    },
    whileLocked: 'locked',
    overOn: '2026-11-27',
    preview: [['refused', 'thing.content.fitsBasketId'], ['new']],
  })
})
