import { ESLint } from 'eslint'
import { CHECKOUT } from './machine/checkout.ts'
import { ROOMS as WALLED } from './linting/walls.js'
import { ROOMS } from './machine/rooms.ts'

/** Looked for as the project looks at its files. */
const RULE = 'import-x/no-restricted-paths'
const eslint = new ESLint({ cwd: CHECKOUT })

async function wallsHit(filePath: string, code: string): Promise<string[]> {
  const [result] = await eslint.lintText(code, { filePath })
  return (result?.messages ?? []).filter(({ ruleId }) => ruleId === RULE).map(({ message }) => message)
}

test.each([
  ['core/coffee/age.ts', "import '../../contract/index.ts'"],
  ['core/coffee/age.ts', "import '@calm-apron/contract'"],
  ['core/coffee/age.ts', "export type { Shot } from '../../server/app.ts'"],
  ['contract/bounds.ts', "import '../server/app.ts'"],
  ['server/app.ts', "import '../web/router.ts'"],
  ['server/app.ts', "import '../demo/index.ts'"],
  ['web/router.ts', "void import('../server/app.ts')"],
  ['demo/index.ts', "import '../web/App.vue'"],
  ['web/kit/parts/signs.ts', "import '../../data/door/door.ts'"],
  ['web/data/door/door.ts', "import '../../shot/draft/shotDraft.ts'"],
  ['web/shot/draft/shotDraft.ts', "import '../../places/bar/useBarKeys.ts'"],
  ['web/places/today/useCare.ts', "import '../bar/useBarKeys.ts'"],
  ['web/places/today/useCare.ts', "import '../../shell/barParts.ts'"],
  ['web/App.vue', '<script setup lang="ts">\nimport \'../server/app.ts\'\n</script>'],
  ['e2e/bar.ts', "import '../server/app.ts'"],
  ['scripts/test.ts', "import '../core/index.ts'"],
])('in %s the line %s hits a wall', async (filePath, code) => {
  expect(await wallsHit(filePath, code)).toHaveLength(1)
})

test('every room has its walls', () => {
  expect([...WALLED].sort()).toEqual([...ROOMS].sort())
})

test('what a room may use passes', async () => {
  expect(await wallsHit('contract/bounds.ts', "import '@calm-apron/core'")).toEqual([])
  expect(await wallsHit('server/app.ts', "import '@calm-apron/contract'")).toEqual([])
  expect(await wallsHit('web/places/today/useCare.ts', "import '../../shot/draft/shotDraft.ts'")).toEqual([])
})
