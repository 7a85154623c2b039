import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, writeFileSync } from 'node:fs'
import { PlainFailure } from './plainFailure.ts'
import { IS_ROOT } from './run.ts'

const NO_MAIN_CLUSTER_FOLDER = '/etc/postgresql-common/createcluster.d'

/**
 * Installs a Debian package where it may.
 * @throws {PlainFailure} saying what to type where it may not, or where apt fails
 */
export function installDebianPackage(name: string, whatFor: string): void {
  const byHand = `Install it once with "sudo apt-get install ${name}", and start again.`
  if (!existsSync('/usr/bin/apt-get')) {
    throw new PlainFailure(
      `${whatFor} is missing, and this is no Debian machine to install it on. Install it, and start again.`,
    )
  }
  if (!IS_ROOT) throw new PlainFailure(`${whatFor} is missing, and only root may install it. ${byHand}`)
  // Debian would otherwise set up and start a cluster of its own on the usual port.
  mkdirSync(NO_MAIN_CLUSTER_FOLDER, { recursive: true })
  const noMain = `${NO_MAIN_CLUSTER_FOLDER}/no-main.conf`
  if (!existsSync(noMain)) writeFileSync(noMain, 'create_main_cluster = false\n')
  console.log(`Installing ${name} from Debian's packages (once) …`)
  apt(['update', '-qq'], byHand)
  apt(['install', '-y', '-qq', '--no-install-recommends', name], byHand)
}

function apt(args: string[], byHand: string): void {
  const { status, stderr } = spawnSync('apt-get', args, {
    encoding: 'utf8',
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  })
  if (status !== 0)
    throw new PlainFailure(
      `apt-get ${args[0] ?? ''} failed: ${stderr.trim().split('\n').at(-1) ?? ''}. ${byHand}`,
    )
}
