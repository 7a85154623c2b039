import { fileURLToPath } from 'node:url'
import type { Plugin } from 'vite'

const ours = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** Parts of the component library that are fetched with any of it, and what stands in their place. */
const IN_PLACE_OF: readonly (readonly [RegExp, string])[] = [
  // A picture for lists without entries, of which none here is the library's.
  [/\/config-provider\/renderEmpty(\.js)?$|^(\.|\.\.)\/renderEmpty$/, ours('nothingDrawn.ts')],
  // One icon, and with it the machinery of all; no button of the library's turns here.
  [/^@ant-design\/icons-vue\/es\/icons\/LoadingOutlined$/, ours('nothingDrawn.ts')],
  // Props are checked while the library is made, not in the page.
  [/^vue-types$/, 'vue-types/dist/shim.m.js'],
]

/** Leaves out of the page what the component library brings along and nothing here shows: 10 kB of the first load. */
export function lightLibrary(): Plugin {
  return {
    name: 'light-library',
    apply: 'build',
    enforce: 'pre',
    async resolveId(source, importer) {
      if (!importer?.includes('/ant-design-vue/')) return null
      const [, instead] = IN_PLACE_OF.find(([pattern]) => pattern.test(source)) ?? []
      return instead === undefined ? null : this.resolve(instead, importer, { skipSelf: true })
    },
  }
}
