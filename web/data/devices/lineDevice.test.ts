import { lineDevice } from './lineDevice.ts'

/** The other end of the line, in the test's hands. */
class FakeLine extends EventTarget {
  static readonly OPEN = 1
  static made: FakeLine[] = []
  readyState = 1
  sent: string[] = []
  constructor(readonly address: string) {
    super()
    FakeLine.made.push(this)
  }
  send(text: string): void {
    this.sent.push(text)
  }
  close(): void {
    this.dispatchEvent(new Event('close'))
  }
  say(...words: object[]): void {
    const data = words.map((word) => `${JSON.stringify(word)}\n`).join('')
    this.dispatchEvent(Object.assign(new Event('message'), { data }))
  }
}

const real = globalThis.WebSocket
beforeEach(() => {
  jest.useFakeTimers({ now: 1_000_000 })
  FakeLine.made = []
  Object.assign(globalThis, { WebSocket: FakeLine })
})
afterEach(() => {
  jest.useRealTimers()
  Object.assign(globalThis, { WebSocket: real })
})

function open() {
  const device = lineDevice('ws://here/bar')
  const line = FakeLine.made[0]
  if (!line) throw new Error('no line was opened')
  return { device, line }
}
const hello = { kind: 'hello', name: 'Scale', sensors: ['scale'] }
const weight = (t: number, value: number, unit = 'g') => ({ kind: 'weight', t, value, unit })

test('it is looked for until it says hello; readings come in base units with their own times', () => {
  const { device, line } = open()
  expect(device.state.value).toBe('looking')
  const heard: [number, number][] = []
  device.hear(({ value, atS }) => heard.push([value, atS]))
  line.say(hello, weight(500, 10))
  jest.advanceTimersByTime(100)
  line.say(weight(600, 1, 'oz'))
  expect([device.state.value, device.name.value]).toEqual(['here', 'Scale'])
  expect(device.trouble.value).toBe('other-unit')
  expect(heard.map(([value]) => value)).toEqual([10, 28.349523125])
  expect((heard[1]?.[1] ?? 0) - (heard[0]?.[1] ?? 0)).toBeCloseTo(0.1)
  device.close()
})

test('a late reading keeps the time at which it was taken, and is named', () => {
  const { device, line } = open()
  const times: number[] = []
  device.hear(({ atS }) => times.push(atS))
  line.say(hello, weight(0, 1))
  jest.advanceTimersByTime(2000)
  line.say(weight(1000, 2))
  expect((times[1] ?? 0) - (times[0] ?? 0)).toBeCloseTo(1)
  expect(device.trouble.value).toBe('late')
  device.close()
})

test.each([
  ['below nothing', weight(0, -45), 'below-nothing'],
  ['no word at all', { kind: 'dance' }, 'unreadable'],
])('what is odd is named: %s', (_what, word, trouble) => {
  const { device, line } = open()
  line.say(hello, word)
  expect(device.trouble.value).toBe(trouble)
  device.close()
})

test('silence is named, and over with the next word', () => {
  const { device, line } = open()
  line.say(hello, weight(0, 1))
  jest.advanceTimersByTime(1600)
  expect(device.trouble.value).toBe('silent')
  line.say(weight(1600, 1))
  expect(device.trouble.value).toBeNull()
  device.close()
})

test('one that went away is gone, is looked for again, and its orders go nowhere meanwhile', () => {
  const { device, line } = open()
  line.say(hello, weight(0, 1))
  line.readyState = 3
  line.close()
  expect([device.state.value, device.last.value]).toEqual(['gone', {}])
  device.order({ kind: 'tare' })
  expect(line.sent).toEqual([])
  jest.advanceTimersByTime(600)
  expect(FakeLine.made).toHaveLength(2)
  FakeLine.made[1]?.say(hello)
  expect(device.state.value).toBe('here')
  device.order({ kind: 'tare' })
  expect(FakeLine.made[1]?.sent).toEqual(['{"kind":"tare"}\n'])
  device.close()
})
