import { readFileSync } from 'node:fs'
import ts from 'typescript'
import tseslint from 'typescript-eslint'
import { parse } from 'vue/compiler-sfc'

/** @type {ts.FileExtensionInfo} */
const COMPONENT = { extension: '.vue', isMixedContent: true, scriptKind: ts.ScriptKind.Deferred }

/**
 * One program over all rooms, in which a component stands as the TypeScript of its script: the type checker begins once
 * for all files, components too, and what it knows of one it knows for all.
 * @param {string} configFile
 */
export function oneProgram(configFile) {
  const { options, fileNames } = parsedConfig(configFile)
  const host = ts.createCompilerHost(options, true)
  const read = host.getSourceFile.bind(host)
  host.getSourceFile = (name, languageVersion, ...rest) =>
    name.endsWith('.vue')
      ? ts.createSourceFile(name, scriptOf(name), languageVersion, true, ts.ScriptKind.TS)
      : read(name, languageVersion, ...rest)
  return ts.createProgram(fileNames, options, host)
}

/** @param {string} configFile */
function parsedConfig(configFile) {
  const host = {
    ...ts.sys,
    /** @param {ts.Diagnostic} diagnostic */
    onUnRecoverableConfigFileDiagnostic: (diagnostic) => {
      throw new Error(ts.flattenDiagnosticMessageText(diagnostic.messageText, '\n'))
    },
  }
  const extra = { allowNonTsExtensions: true }
  const parsed = ts.getParsedCommandLineOfConfigFile(configFile, extra, host, undefined, undefined, [
    COMPONENT,
  ])
  if (!parsed) throw new Error(`${configFile} can’t be read.`)
  return parsed
}

/** @param {string} file */
function scriptOf(file) {
  const { descriptor } = parse(readFileSync(file, 'utf8'), { sourceMap: false })
  return (descriptor.scriptSetup ?? descriptor.script)?.content ?? ''
}

/**
 * The library's types leave out the second argument that its parser takes.
 * @type {{ parseForESLint: (code: string, options: object) => unknown }}
 */
const typeScript = tseslint.parser

/**
 * Parses files as the program has them, with all that is known of their types. What the program has not is the
 * expressions of a component's template, which need no types, and what a fix has just changed, which is looked at anew.
 * @param {ts.Program} program
 * @param {string} project
 */
export const parserOf = (program, project) => ({
  /**
   * @param {string} code
   * @param {{ filePath: string }} options
   */
  parseForESLint: (code, options) => {
    const known = program.getSourceFile(options.filePath)?.text
    if (known?.trim() === code.trim())
      return typeScript.parseForESLint(code, { ...options, programs: [program] })
    const isComponent = options.filePath.endsWith('.vue')
    return typeScript.parseForESLint(code, { ...options, ...(!isComponent && { project }) })
  },
})
