import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parse } from 'vue/compiler-sfc'
import { installed } from '../machine/checkout.ts'
import { runShown } from '../machine/run.ts'
import { layOut } from './laidOut.ts'

const LINTER = {
  plugins: ['typescript'],
  categories: { correctness: 'off' },
  options: { typeAware: true },
  rules: {
    'typescript/no-floating-promises': 'error',
    'typescript/no-misused-promises': 'error',
    'typescript/await-thenable': 'error',
  },
}

/**
 * Looks for promises that nobody waits for in the scripts of components: the linter that knows types reads TypeScript alone, so
 * each script is laid out as a file of its own, on the lines that it has in its component.
 * @returns the linter's exit code
 */
export async function lintComponents(): Promise<number> {
  const { folder, components } = layOut('linting', ({ component }) => scriptOf(component), {
    include: ['**/*.ts'],
    exclude: [],
  })
  writeFileSync(join(folder, '.oxlintrc.json'), JSON.stringify(LINTER))
  // Each by its name: a folder that git ignores is passed over.
  const files = components.map((each) => `${each}.ts`)
  return runShown(
    process.execPath,
    [installed('oxlint/bin/oxlint'), '--no-ignore', '--deny-warnings', ...files],
    { cwd: folder },
  )
}

function scriptOf(component: string): string {
  const { scriptSetup, script } = parse(readFileSync(component, 'utf8'), { sourceMap: false }).descriptor
  const block = scriptSetup ?? script
  return block === null ? '' : '\n'.repeat(block.loc.start.line - 1) + block.content
}
