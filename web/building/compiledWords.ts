import { baseCompile } from '@intlify/message-compiler'
import type { Plugin } from 'vite'

const WORDS = /\/web\/words\/\w+\/(?!index)\w+\.ts$/

interface Text {
  start: number
  end: number
  value: string
}

/** Every text that is the value of a key, in the order of the file. */
function textsIn(node: unknown, found: Text[] = []): Text[] {
  if (Array.isArray(node)) for (const each of node) textsIn(each, found)
  else if (typeof node === 'object' && node !== null) {
    const value: unknown = Reflect.get(node, 'value')
    if (Reflect.get(node, 'type') === 'Property' && isText(value)) found.push(value)
    else for (const each of Object.values(node)) textsIn(each, found)
  }
  return found
}

function isText(node: unknown): node is Text {
  return (
    typeof node === 'object' &&
    node !== null &&
    Reflect.get(node, 'type') === 'Literal' &&
    typeof Reflect.get(node, 'value') === 'string'
  )
}

/** Of a message that holds nothing to be put in, its parts say no more than its text. */
function compile(message: string): string {
  const { ast } = baseCompile(message, { jit: true, location: false, minify: true, optimize: true })
  const isPlain = (key: string, value: unknown) => !(key === 'i' && Array.isArray(value) && isEmpty(value))
  return JSON.stringify(ast, (key, value: unknown) => (isPlain(key, value) ? value : undefined))
}

function isEmpty(parts: unknown[]): boolean {
  return JSON.stringify(parts) === '[{"t":3}]'
}

/**
 * Makes of every message, while the app is built, what its compiler would make of it in the page: the compiler, and the time
 * it takes before the first picture, stay out of the page.
 */
export function compiledWords(): Plugin {
  return {
    name: 'compiled-words',
    apply: 'build',
    enforce: 'post',
    config: () => ({
      define: { __INTLIFY_DROP_MESSAGE_COMPILER__: 'true', __INTLIFY_JIT_COMPILATION__: 'true' },
      resolve: { alias: [{ find: /^vue-i18n$/, replacement: 'vue-i18n/dist/vue-i18n.runtime.mjs' }] },
    }),
    transform(code, id) {
      if (!WORDS.test(id)) return null
      let compiled = code
      for (const { start, end, value } of textsIn(this.parse(code)).toReversed())
        compiled = `${compiled.slice(0, start)}${compile(value)}${compiled.slice(end)}`
      return { code: compiled, map: null }
    },
  }
}
