import { deviceName } from './deviceName.ts'

test.each([
  [
    'Mozilla/5.0 (iPad; CPU OS 17_4 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/17.4 Mobile/15E148 Safari/604.1',
    'Safari · iOS',
  ],
  ['Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:125.0) Gecko/20100101 Firefox/125.0', 'Firefox · Windows'],
  ['a machine of its own kind', 'a machine of its own kind'],
  ['', '–'],
])('"%s" is shown as "%s"', (userAgent, shown) => {
  expect(deviceName(userAgent)).toBe(shown)
})
