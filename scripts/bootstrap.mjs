// The one entry that runs on a bare machine: plain JavaScript, Node's own modules only, until the packages are there.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

const OLDEST_NODE = [20, 19]
const checkout = join(dirname(fileURLToPath(import.meta.url)), '..')

/** @param {string} sentence */
function fail(sentence) {
  console.error(sentence)
  process.exit(1)
}

function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number)
  const [oldestMajor = 0, oldestMinor = 0] = OLDEST_NODE
  if (major > oldestMajor || (major === oldestMajor && minor >= oldestMinor)) return
  fail(
    `Calm Apron needs Node ${OLDEST_NODE.join('.')} or newer; this is ${process.version}. Install a newer one and start again.`,
  )
}

/** Installs the locked packages when they are missing or the lock file has changed since. */
function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(checkout, 'package-lock.json')))
    .digest('hex')
  const mark = join(checkout, 'node_modules', '.calm-apron-lock')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return
  console.log('Installing npm packages (once, about a minute) …')
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: checkout,
    stdio: 'inherit',
  })
  if (status !== 0)
    fail(
      'npm could not install the packages (its own words are above). Check the connection to the npm registry, and start again.',
    )
  writeFileSync(mark, lock)
}

checkNode()
ensurePackages()
process.chdir(checkout)
const { register } = await import('tsx/esm/api')
register()
const [command = 'start'] = process.argv.slice(2)
await import(`./${command}.ts`)
