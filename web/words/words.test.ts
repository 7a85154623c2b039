import { CHANNELS, FLAWS_SEEN, OPTION_SETS, SIGNS } from '@calm-apron/core'
import { PREPARED_KINDS, kindOf } from '@calm-apron/contract'
import { type FieldSpec, fieldsOf } from '../places/prepare/fields/fieldSpec.ts'
import { keysSaid, namespacesAt, placesOf } from './testing/usedWords.ts'
import { en as catalogue } from './en/index.ts'
import { PARTS } from './index.ts'

const { first, later } = catalogue
const partsOf = (part: keyof typeof PARTS) => Promise.all(PARTS[part].map((name) => later[name]()))
const brought = Object.fromEntries(
  await Promise.all(
    Object.keys(PARTS).map(async (part) => [part, await partsOf(part as keyof typeof PARTS)] as const),
  ),
)
const modules = [first, ...new Set(Object.values(brought).flat())]
const en = Object.assign({}, ...modules) as object

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
  expect(all.filter(([, text]) => /\berror\b|\b[45]\d\d\b(?! mg)/i.test(text))).toEqual([])
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

test('no part of the catalogue hides another’s words', () => {
  const keys = modules.flatMap((words) => Object.keys(words))
  expect(keys.filter((key, at) => keys.indexOf(key) !== at)).toEqual([])
})

test('every place has the words it uses, from the start or brought with it', () => {
  const places = placesOf(['web/router.ts', 'web/prepareRoute.ts'], 'web/App.vue')
  expect(places.length).toBeGreaterThan(35)
  const known = new Set(Object.keys(en))
  const lacking = places.flatMap(({ file, parts }) => {
    const here = new Set([first, ...parts.flatMap((part) => brought[part] ?? [])].flatMap(Object.keys))
    return [...namespacesAt(file, known)]
      .filter(([namespace]) => !here.has(namespace))
      .map(([namespace, usedBy]) => `${file}: ${namespace} (${usedBy})`)
  })
  expect(lacking).toEqual([])
})

test('every key that is said has words', () => {
  const paths = new Set(all.map(([path]) => path))
  const said = keysSaid('web', new Set(Object.keys(en)))
  expect(said.length).toBeGreaterThan(700)
  const lacking = said.filter(({ key }) => !paths.has(key))
  // A fact that a test makes up has no words here.
  expect(lacking.filter(({ file }) => file !== 'web/testing/madeOfToyFacts.ts')).toEqual([])
})

/** Where the word of each field, and of each of its choices, may stand: its kind's own, or everyone's. */
function wantedWords(kind: string, fields: readonly FieldSpec[]): string[][] {
  return fields.flatMap((spec) => {
    const options = spec.type === 'choice' || spec.type === 'choices' ? spec.options : []
    // A step's own name is its key's, and is not chosen in a form.
    const chosen = spec.name === 'key' ? [] : options
    return [
      [`label.${kind}-${spec.name}`, `label.${spec.name}`],
      ...chosen.map((option) => [`option.${kind}-${spec.name}.${option}`, `option.${spec.name}.${option}`]),
      ...('fields' in spec ? wantedWords(kind, spec.fields) : []),
    ]
  })
}

test('every field of everything that is prepared has a name, and so has each of its choices', () => {
  const paths = new Set(all.map(([path]) => path))
  const wanted = PREPARED_KINDS.flatMap((kind) => wantedWords(kind, fieldsOf(kindOf(kind).content)))
  const missing = wanted.filter((places) => !places.some((place) => paths.has(`prepared.${place}`)))
  expect(wanted.length).toBeGreaterThan(150)
  expect(missing).toEqual([])
})
