import { text } from 'node:stream/consumers'
import { COMMANDS, isCommand } from './commands.ts'

/** Asked wrongly: an unknown command, broken JSON, or a field that can't be. */
const ASKED_WRONGLY = 2
const SIGNIFICANT = 12

function refuse(lines: readonly string[]): void {
  process.stderr.write(`${lines.join('\n')}\n`)
  process.exitCode = ASKED_WRONGLY
}

const [name = ''] = process.argv.slice(2)
if (isCommand(name)) answer(name, await text(process.stdin))
else refuse([`There is no command "${name}". Commands: ${Object.keys(COMMANDS).join(', ')}.`])

/** Without what binary arithmetic adds: −0.4, not −0.3999…. */
function asWritten(_key: string, value: unknown): unknown {
  return typeof value === 'number' ? Number(value.toPrecision(SIGNIFICANT)) : value
}

function answer(command: keyof typeof COMMANDS, written: string): void {
  let value: unknown
  try {
    value = JSON.parse(written)
  } catch (error) {
    refuse([`The input is not JSON: ${String(error)}`])
    return
  }
  const said = COMMANDS[command](value)
  if (said.ok) process.stdout.write(`${JSON.stringify(said.output, asWritten, 2)}\n`)
  else refuse(said.errors.map(({ path, message }) => `${path === '' ? '(input)' : path}: ${message}`))
}
