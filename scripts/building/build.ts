import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { cpSync, existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { build as bundle } from 'esbuild'
import { CHECKOUT, distFolder } from '../machine/checkout.ts'
import { PlainFailure } from '../machine/plainFailure.ts'
import { runShown } from '../machine/run.ts'
import { sourceFiles } from './sourceFiles.ts'

const BUILT_FROM = [
  'core',
  'contract',
  'server',
  'web',
  'demo',
  'devices',
  'scripts/building',
  'package-lock.json',
]

/** How what runs under Node is compiled. */
export const FOR_NODE = { bundle: true, platform: 'node', format: 'esm', target: 'node20' } as const

/** Compiles the server, its commands, the demo and the web app, unless nothing has changed since the last time. */
export async function buildIfChanged(): Promise<void> {
  const dist = distFolder()
  const stampFile = join(dist, 'built-from')
  const stamp = digestOfSources()
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return
  console.log('Building …')
  rmSync(dist, { recursive: true, force: true })
  await bundleForNode(dist)
  packHalfYear(dist)
  cpSync(join(CHECKOUT, 'server/database/migrations'), join(dist, 'server/migrations'), { recursive: true })
  const code = await runShown(
    process.execPath,
    [
      join(CHECKOUT, 'node_modules/vite/bin/vite.js'),
      'build',
      '--logLevel',
      'warn',
      '--outDir',
      join(dist, 'web'),
    ],
    {
      cwd: join(CHECKOUT, 'web'),
      env: { NODE_ENV: 'production' },
    },
  )
  if (code !== 0) throw new PlainFailure('The web app could not be built; what is wrong is said above.')
  writeFileSync(stampFile, stamp)
}

async function bundleForNode(dist: string): Promise<void> {
  await bundle({
    entryPoints: {
      'server/main': join(CHECKOUT, 'server/main.ts'),
      'server/background': join(CHECKOUT, 'server/background/main.ts'),
      'server/migrate': join(CHECKOUT, 'server/commands/migrate.ts'),
      'server/academy': join(CHECKOUT, 'server/commands/academy.ts'),
      'server/importAcademy': join(CHECKOUT, 'server/commands/importAcademy.ts'),
      'demo/print': join(CHECKOUT, 'demo/print.ts'),
      'devices/main': join(CHECKOUT, 'devices/main.ts'),
    },
    outdir: dist,
    ...FOR_NODE,
    sourcemap: true,
    logLevel: 'warning',
    // Native code can't be inside. Everything else is, since looking for hundreds of files makes a slow start.
    external: ['@node-rs/argon2', 'pg-native'],
    // Packages in the older form ask for Node's own modules in the older way.
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
  })
}

/** To pull half a year of shots takes its time; it is done once, here. */
function packHalfYear(dist: string): void {
  const made = execFileSync(process.execPath, [join(dist, 'demo/print.js'), 'make-half-year'], {
    maxBuffer: 64 * 1_048_576,
  })
  writeFileSync(join(dist, 'demo/half-year.json.gz'), gzipSync(made, { level: 9 }))
}

function digestOfSources(): string {
  const hash = createHash('sha256').update(process.version)
  for (const file of sourceFiles(BUILT_FROM)) hash.update(file).update(readFileSync(join(CHECKOUT, file)))
  return hash.digest('hex')
}
