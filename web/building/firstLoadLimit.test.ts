import type { Rolldown } from 'vite'
import { firstFiles, firstLoadLimit } from './firstLoadLimit.ts'

const chunk = (fileName: string, part: Partial<Rolldown.OutputChunk> = {}) => ({
  type: 'chunk' as const,
  fileName,
  isEntry: false,
  imports: [] as string[],
  dynamicImports: [] as string[],
  code: fileName,
  ...part,
})
const style = { type: 'asset' as const, fileName: 'entry.css', source: 'a{}' }
const BUNDLE = {
  'entry.js': chunk('entry.js', {
    isEntry: true,
    imports: ['shared.js'],
    dynamicImports: ['later.js'],
    viteMetadata: { importedCss: new Set(['entry.css']), importedAssets: new Set() },
  } as Partial<Rolldown.OutputChunk>),
  'shared.js': chunk('shared.js', { imports: ['entry.js'] }),
  'later.js': chunk('later.js'),
  'entry.css': style,
  'later.css': { ...style, fileName: 'later.css' },
} as never

test('the first view is the entry, what it imports, and their styles; what is fetched later is not', () => {
  expect(firstFiles(BUNDLE).sort()).toEqual(['entry.css', 'entry.js', 'shared.js'])
})

test('more than it may be ends the build, more than it should be is said, less is quiet', () => {
  const built = (limit: { goal: number; most: number }) => {
    const said: string[] = []
    const here = {
      error: (says: string) => said.push(`error: ${says}`),
      warn: (says: string) => said.push(says),
    }
    const { generateBundle } = firstLoadLimit(limit) as { generateBundle: (...of: unknown[]) => void }
    generateBundle.call(here, {}, BUNDLE)
    return said
  }
  expect(built({ goal: 1e6, most: 1e6 })).toEqual([])
  expect(built({ goal: 1, most: 1e6 })).toEqual([expect.stringContaining('should be')])
  expect(built({ goal: 1, most: 2 })[0]).toMatch(/^error: .*may be/)
})
