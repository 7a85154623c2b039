import { brotliCompressSync } from 'node:zlib'
import type { Plugin, Rolldown } from 'vite'

/** What the first view fetches of script and style, packed, in bytes. */
export const LIMIT = { goal: 150_000, most: 170_000 } as const

type Bundle = Readonly<Record<string, Rolldown.OutputChunk | Rolldown.OutputAsset>>

/** Every file that the page's entry asks for before it stands: what it imports, and their styles. */
export function firstFiles(bundle: Bundle): string[] {
  const found = new Set<string>()
  const take = (fileName: string) => {
    const file = bundle[fileName]
    if (file === undefined || found.has(fileName)) return
    found.add(fileName)
    if (file.type !== 'chunk') return
    file.imports.forEach(take)
    file.viteMetadata?.importedCss.forEach(take)
  }
  for (const file of Object.values(bundle)) if (file.type === 'chunk' && file.isEntry) take(file.fileName)
  return [...found]
}

function packed(file: Rolldown.OutputChunk | Rolldown.OutputAsset | undefined): number {
  if (file === undefined) return 0
  return brotliCompressSync(file.type === 'chunk' ? file.code : file.source).length
}

/** Ends the build when the first view would fetch more than it may, and says so when it is more than it should. */
export function firstLoadLimit({ goal, most }: { goal: number; most: number } = LIMIT): Plugin {
  return {
    name: 'first-load-limit',
    apply: 'build',
    enforce: 'post',
    generateBundle(_, bundle) {
      const bytes = firstFiles(bundle).reduce((sum, name) => sum + packed(bundle[name]), 0)
      const says = `The first view fetches ${(bytes / 1000).toFixed(1)} kB of script and style, packed`
      if (bytes > most) this.error(`${says}; it may be ${most / 1000} kB.`)
      if (bytes > goal) this.warn(`${says}; it should be ${goal / 1000} kB.`)
    },
  }
}
