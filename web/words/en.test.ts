import { CHANNELS, FLAWS_SEEN, OPTION_SETS, SIGNS } from '@calm-apron/core'
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
  expect(all.filter(([, text]) => text === '')).toEqual([])
})

test('every piece of evidence has words for each way it can be noted', () => {
  const chosen = Object.values(OPTION_SETS).flatMap((options) =>
    options.map((option) => option.replace(':', '.')),
  )
  const wanted = [
    ...CHANNELS.flatMap((key) => [`${key}.low`, `${key}.usual`, `${key}.high`]),
    ...[...SIGNS, ...FLAWS_SEEN].flatMap((key) => [`${key}.yes`, `${key}.no`]),
    ...Object.keys(OPTION_SETS).map((key) => `${key}.usual`),
    ...chosen,
  ].map((key) => `evidence.${key}`)
  const paths = new Set(all.map(([path]) => path))
  expect(wanted.filter((path) => !paths.has(path))).toEqual([])
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
