import { addressIssue } from './deviceAddress.ts'

test('an address of a device is one, with nothing after its path', () => {
  expect(
    ['', 'ws://127.0.0.1:4181', 'wss://bar.ostrel.example/scales'].map((each) => addressIssue(each, false)),
  ).toEqual([null, null, null])
  expect(
    [
      'scale',
      'http://bar',
      'ws://',
      'ws://bar/#left',
      'ws://bar/?group=1',
      'ws://me:secret@bar',
      'ws://a b',
    ].map((each) => addressIssue(each, false)),
  ).toEqual(Array<string>(7).fill('not-an-address'))
})

test('from a secure page only a secure line, or this machine’s own', () => {
  expect(addressIssue('ws://bar.ostrel.example', true)).toBe('not-secure')
  expect(addressIssue('wss://bar.ostrel.example', true)).toBeNull()
  expect(addressIssue('ws://127.0.0.1:4181', true)).toBeNull()
})
