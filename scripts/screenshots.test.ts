import { readFileSync, readdirSync } from 'node:fs'

test('the README shows every picture there is, and no other', () => {
  const shown = [...readFileSync('README.md', 'utf8').matchAll(/docs\/screenshots\/([\w-]+\.png)/g)].map(
    ([, file]) => file,
  )
  expect(shown.toSorted()).toEqual(readdirSync('docs/screenshots').toSorted())
})
