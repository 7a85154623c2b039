import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { text } from 'node:stream/consumers'
import {
  type CodeInformation,
  SourceMap,
  createParsedCommandLine,
  createVueLanguagePlugin,
  forEachEmbeddedCode,
  shouldReportDiagnostics,
} from '@vue/language-core'
import ts from 'typescript'
import { CHECKOUT, installed } from '../machine/checkout.ts'
import { type Placed, layOut } from './laidOut.ts'

/** What a component became, and where each part of that came from. */
interface Made {
  component: string
  written: string
  source: string
  map: SourceMap<CodeInformation>
}

const FAULT = /^(.+?)\((\d+),(\d+)\): error TS(\d+): (.*)$/

/**
 * Checks the web's types, templates too. Components are written out as TypeScript by Vue's own language tools and go through the
 * native compiler, which takes an eighth of the time; what it finds is told at its place in the component.
 * @returns an exit code
 */
export async function checkComponents(): Promise<number> {
  const made = new Map<string, Made>()
  const textOf = componentWriter(made)
  const { folder } = layOut('types', textOf, {
    include: ['**/*.ts', '../../../web/**/*.ts'],
    // To other programs a component is only known to be one.
    exclude: ['../../../web/**/*.test.ts', '../../../web/vite.config.ts', '../../../web/env.d.ts'],
  })
  const compiler = installed('typescript-native/bin/tsc')
  const compiling = spawn(process.execPath, [compiler, '-p', join(folder, 'web'), '--pretty', 'false'], {
    cwd: CHECKOUT,
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const ended = once(compiling, 'exit') as Promise<[number | null]>
  const [words, [code]] = await Promise.all([text(compiling.stdout), ended])
  const said = words.split('\n').filter((line) => line !== '')
  const faults = faultsIn(said, made)
  for (const fault of faults) console.error(fault)
  if (code !== 0 && said.length === 0) throw new Error('The compiler ended without a word.')
  return faults.length > 0 ? 1 : 0
}

function faultsIn(said: readonly string[], made: ReadonlyMap<string, Made>): string[] {
  let isTold = true
  return said.flatMap((line) => {
    // The lines that explain one go with it.
    if (line.startsWith(' ')) return isTold ? [line] : []
    const fault = faultAt(line, made)
    isTold = fault !== null
    return fault ?? []
  })
}

function componentWriter(made: Map<string, Made>): (placed: Placed) => string {
  const { options, vueOptions } = createParsedCommandLine(ts, ts.sys, join(CHECKOUT, 'web/tsconfig.json'))
  const plugin = createVueLanguagePlugin(ts, options, vueOptions, (id: string) => id)
  return ({ component, full }) => {
    const source = readFileSync(component, 'utf8')
    // It refers to its helpers from where the file will stand.
    const root = plugin.createVirtualCode?.(
      full.replace(/\.ts$/, ''),
      'vue',
      ts.ScriptSnapshot.fromString(source),
      { getAssociatedScript: () => undefined },
    )
    const script = root && [...forEachEmbeddedCode(root)].find(({ id }) => id.startsWith('script_'))
    if (!script) throw new Error(`${component} can’t be written as TypeScript.`)
    const { snapshot, mappings } = script
    const written = snapshot.getText(0, snapshot.getLength())
    made.set(relative(CHECKOUT, full), { component, written, source, map: new SourceMap(mappings) })
    return written
  }
}

/** A line of the compiler's with its place in the component; null where what it is about was only written for the compiler. */
function faultAt(line: string, made: ReadonlyMap<string, Made>): string | null {
  const [, file = '', row = '1', column = '1', code = '', words = ''] = FAULT.exec(line) ?? []
  const from = made.get(file)
  if (from === undefined) return line
  const offset = offsetAt(from.written, Number(row), Number(column))
  for (const [at] of from.map.toSourceLocation(offset, (data) => shouldReportDiagnostics(data, 'ts', code)))
    return `${relative(CHECKOUT, from.component)}${placeAt(from.source, at)}: error TS${code}: ${words}`
  return null
}

function offsetAt(text: string, row: number, column: number): number {
  const before = text.split('\n').slice(0, row - 1)
  return before.reduce((sum, each) => sum + each.length + 1, 0) + column - 1
}

function placeAt(text: string, offset: number): string {
  const before = text.slice(0, offset).split('\n')
  return `(${before.length},${(before.at(-1)?.length ?? 0) + 1})`
}
