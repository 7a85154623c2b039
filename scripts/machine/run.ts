import { spawn, spawnSync } from 'node:child_process'
import { PlainFailure } from './plainFailure.ts'

/** Whether this process may do what root may. */
export const IS_ROOT = process.getuid?.() === 0

/**
 * Runs a program to its end and returns what it printed.
 * @throws {PlainFailure} with `otherwise` and the program's own last words when it fails
 */
export function run(program: string, args: readonly string[], otherwise: string, cwd = '/'): string {
  const { status, stdout, stderr, error } = spawnSync(program, args, { cwd, encoding: 'utf8' })
  if (status === 0) return stdout
  const words = (error?.message ?? stderr).trim().split('\n').slice(-2).join(' ')
  throw new PlainFailure(`${otherwise} (${program}: ${words})`)
}

/** Runs a program with its output going straight to this console; resolves with its exit code. */
export async function runShown(
  program: string,
  args: readonly string[],
  options: { cwd: string; env?: NodeJS.ProcessEnv; silent?: boolean },
): Promise<number> {
  const child = spawn(program, args, {
    cwd: options.cwd,
    env: { ...process.env, ...options.env },
    stdio: options.silent ? 'ignore' : 'inherit',
  })
  return new Promise((resolve, reject) => {
    child.once('error', reject)
    child.once('exit', (code) => resolve(code ?? 1))
  })
}
