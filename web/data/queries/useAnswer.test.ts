import { ODALYS, doorsWith, freshDevice, sessionOf, settled, todayOf } from '../../testing/device.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useDoor } from '../door/door.ts'
import type { Question } from './question.ts'
import { useAnswer } from './useAnswer.ts'

test('what the server says shows at once, however long the device takes to keep it', async () => {
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: todayOf('Ostrel') }),
  })
  const kept: string[] = []
  const question: Question<string> = {
    key: ['today'],
    ask: async () => 'told',
    kept: {
      read: async () => null,
      keep: async (viewerId, { value }) => {
        kept.push(`${viewerId}: ${value}`)
        await new Promise(() => undefined)
      },
      forget: async () => undefined,
    },
  }
  const { result: answer, end } = await inSetup(() => useAnswer(() => question))
  await useDoor().load()
  await settled()
  expect([answer.value.value, answer.state.value]).toEqual(['told', 'here'])
  expect(kept).toEqual([`${ODALYS}: told`])
  end()
})
