import type { Plugin } from 'vite'

const JSON_SCHEMA = /\/zod\/v4\/core\/(to-json-schema|json-schema-processors)\.js$/

/**
 * Zod gives every schema a way to say itself as JSON Schema, at 5 kB of the first load. Only the server says any, in the
 * API's document: in the page it is left out, and says so to whoever would ask.
 */
export function withoutJsonSchema(): Plugin {
  return {
    name: 'without-json-schema',
    apply: 'build',
    enforce: 'pre',
    transform(code, id) {
      if (!JSON_SCHEMA.test(id)) return null
      const names = [...code.matchAll(/^export (?:const|function) (\w+)/gm)].map(([, name = '']) => name)
      const stubs = names.map((name) =>
        name.startsWith('create') ? `export const ${name} = () => unsaid` : `export const ${name} = unsaid`,
      )
      const unsaid = `const unsaid = () => { throw new Error('No JSON Schema in the page.') }`
      return { code: [unsaid, ...stubs, 'export { unsaid as process }'].join('\n'), map: null }
    },
  }
}
