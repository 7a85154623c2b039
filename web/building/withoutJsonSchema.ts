import type { Plugin } from 'vite'

const JSON_SCHEMA = /\/zod\/v4\/core\/(to-json-schema|json-schema-processors)\.js$/

const FIRST_PROCESSOR = '\nexport const stringProcessor'

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
      // How a schema's checks are read together stands before the first of them, and is asked for its bounds, too.
      const from = Math.max(0, code.indexOf(FIRST_PROCESSOR))
      const said = code.slice(from)
      const names = [...said.matchAll(/^export (?:const|function) (\w+)/gm)].map(([, name = '']) => name)
      const stubs = names.map((name) =>
        name.startsWith('create') ? `export const ${name} = () => unsaid` : `export const ${name} = unsaid`,
      )
      const unsaid = `const unsaid = () => { throw new Error('No JSON Schema in the page.') }`
      const last = from === 0 ? ['export { unsaid as process }'] : []
      return { code: [code.slice(0, from), unsaid, ...stubs, ...last].join('\n'), map: null }
    },
  }
}
