import { type ChildProcess, spawn } from 'node:child_process'
import { EventEmitter } from 'node:events'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { CHECKOUT } from '../machine/checkout.ts'

/** The start command of the README, running. */
export interface StartedApp {
  process: ChildProcess
  /** What it has printed so far. */
  printed: () => string
  /** Resolves with what these words name in their brackets, as soon as they are printed. */
  said: (words: RegExp) => Promise<string>
  /** Resolves with its exit code. */
  ended: Promise<number | null>
  /** Resolves with its address once it says that it is ready; rejects with its words when it ends before. */
  ready: Promise<string>
}

/** Runs the start command with these settings and flags, as another user where one's number is given. */
export function startByCommand(
  settings: NodeJS.ProcessEnv,
  uid?: number,
  flags: readonly string[] = [],
): StartedApp {
  const command = [process.execPath, join(CHECKOUT, 'scripts/bootstrap.mjs'), 'start', ...flags]
  // setpriv becomes the command itself, so that signals reach it.
  const asUser = uid === undefined ? [] : ['setpriv', `--reuid=${uid}`, `--regid=${uid}`, '--clear-groups']
  const [program = '', ...args] = [...asUser, ...command]
  const child = spawn(program, args, {
    cwd: CHECKOUT,
    env: { ...process.env, ...settings },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let printed = ''
  const heard = new EventEmitter()
  const ended = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)))
  const hear = (words: Buffer) => {
    printed += words.toString()
    heard.emit('words')
  }
  child.stdout.on('data', hear)
  child.stderr.on('data', hear)
  const said = (words: RegExp) =>
    new Promise<string>((resolve, reject) => {
      const look = () => {
        const found = words.exec(printed)?.[1]
        if (found !== undefined) resolve(found)
      }
      heard.on('words', look)
      look()
      void ended.then((code) => reject(new Error(`ended with ${code}: ${printed}`)))
    })
  const ready = said(/ready: (http\S+)/)
  // Whoever only waits for the end need not care that it never became ready.
  ready.catch(() => undefined)
  return { process: child, printed: () => printed, said, ended, ready }
}

/** Runs another command of the README to its end. */
export async function runByCommand(
  args: readonly string[],
  settings: NodeJS.ProcessEnv,
): Promise<{ code: number | null; printed: string }> {
  const child = spawn(process.execPath, [join(CHECKOUT, 'scripts/bootstrap.mjs'), ...args], {
    cwd: CHECKOUT,
    env: { ...process.env, ...settings },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let printed = ''
  const hear = (words: Buffer) => (printed += words.toString())
  child.stdout.on('data', hear)
  child.stderr.on('data', hear)
  const code = await new Promise<number | null>((resolve) => child.once('close', resolve))
  return { code, printed }
}

/** The process id of a cluster's PostgreSQL, or null when none runs. */
export function postmasterPid(clusterFolder: string): number | null {
  const file = join(clusterFolder, 'cluster/postmaster.pid')
  if (!existsSync(file)) return null
  return Number(readFileSync(file, 'utf8').split('\n')[0])
}
