import { execFile } from 'node:child_process'
import { promisify } from 'node:util'

const run = promisify(execFile)

test('a kind that is added beside the others, and nowhere else, stands in a room, is begun, asked, told and brought up to date', async () => {
  const { stdout } = await run(process.execPath, ['--import', 'tsx', 'web/testing/madeOfToyKind.ts'])
  const begun = {
    name: '',
    heatsG: null,
    brokenOn: null,
    fitsBasketId: null,
    marks: [],
    lock: null,
    glow: 'dim',
  }
  expect(JSON.parse(stdout)).toEqual({
    isInRooms: true,
    asked: Object.keys(begun),
    begun,
    mark: { what: '' },
    sent: { ...begun, name: 'Warming stone', heatsG: 120 },
    changes: ['prepared.label.glow: prepared.option.glow.dim → prepared.option.glow.bright'],
    former: { name: 'Warming stone', glow: 'dim' },
  })
})
