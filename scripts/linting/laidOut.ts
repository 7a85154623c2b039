import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { sourceFiles } from '../building/sourceFiles.ts'
import { CHECKOUT } from '../machine/checkout.ts'

/** The compiler takes a folder and the web's for one. */
const TOGETHER = {
  extends: '../../../web/tsconfig.json',
  compilerOptions: { rootDirs: ['../../../web', '.'] },
}

/** Components that stand as TypeScript for programs that read nothing else. */
export interface LaidOut {
  folder: string
  /** Paths of the components in the checkout; each stands at `<path>.ts` in the folder. */
  components: readonly string[]
}

/** A component's path in the checkout, and where the TypeScript made of it will stand. */
export interface Placed {
  component: string
  full: string
}

/**
 * Lays components out in a folder of `dist`, each at the path that it has in the checkout.
 * @param extra of the folder's `tsconfig.json`: what the compiler looks at
 */
export function layOut(
  name: string,
  textOf: (placed: Placed) => string,
  extra: { include: readonly string[]; exclude: readonly string[] },
): LaidOut {
  const folder = join(CHECKOUT, 'dist', name)
  rmSync(folder, { recursive: true, force: true })
  const components = sourceFiles(['web']).filter((each) => each.endsWith('.vue'))
  for (const component of components) {
    const full = join(folder, `${component}.ts`)
    lay(full, textOf({ component: join(CHECKOUT, component), full }))
  }
  lay(join(folder, 'web/tsconfig.json'), JSON.stringify({ ...TOGETHER, ...extra }))
  return { folder, components }
}

function lay(full: string, text: string): void {
  mkdirSync(dirname(full), { recursive: true })
  writeFileSync(full, text)
}
