import { en } from './en.ts'

/** Every text of the catalogue with the path it stands at. */
function texts(part: object, path = ''): [string, string][] {
  return Object.entries(part).flatMap(([key, value]: [string, unknown]): [string, string][] => {
    const here = path === '' ? key : `${path}.${key}`
    return typeof value === 'string' ? [[here, value]] : texts(value as object, here)
  })
}
const all = texts(en)

test('nothing is left without words', () => {
  // A flow that is unknown has nothing to say.
  expect(all.filter(([, text]) => text === '').map(([path]) => path)).toEqual(['why.flow.unknown'])
})

test('no text names a status code or says "error"', () => {
  expect(all.filter(([, text]) => /\berror\b|\b[45]\d\d\b/i.test(text))).toEqual([])
})

test('plural forms come in threes: none, one, many', () => {
  const forms = all.filter(([, text]) => text.includes(' | ')).map(([, text]) => text.split(' | ').length)
  expect(forms.length).toBeGreaterThan(0)
  expect(new Set(forms)).toEqual(new Set([3]))
})

test('every placeholder is closed', () => {
  const broken = all.filter(([, text]) => text.replaceAll(/\{\w+\}/g, '').match(/[{}]/))
  expect(broken).toEqual([])
})
