import { deviceOrder, deviceWord, readLines, writeLines } from './deviceLine.ts'

test('lines are read one by one; what can’t be read is counted and left out', () => {
  const text = '{"kind":"weight","t":1,"value":18.2,"unit":"g"}\nnonsense\n\n{"kind":"weight","t":2}\n'
  const { words, unread } = readLines(deviceWord, text)
  expect(words).toEqual([{ kind: 'weight', t: 1, value: 18.2, unit: 'g' }])
  expect(unread).toBe(2)
})

test('what is written is read again', () => {
  const orders = [
    { kind: 'tare' },
    { kind: 'pump', isOn: true },
    { kind: 'put', vesselG: 586.4, contentG: 18 },
  ]
  expect(readLines(deviceOrder, writeLines(orders))).toEqual({ words: orders, unread: 0 })
})

test('a device that says no more of itself runs at the pace of life, and is no stand-in', () => {
  const { words } = readLines(deviceWord, '{"kind":"hello","name":"x","sensors":[]}')
  expect(words[0]).toMatchObject({ pace: 1, isStandIn: false })
})
