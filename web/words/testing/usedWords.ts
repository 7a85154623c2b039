import { readFileSync, readdirSync } from 'node:fs'
import { dirname, join } from 'node:path'

/** What is loaded by itself, and the parts of the catalogue that come with it. */
export interface Place {
  file: string
  parts: string[]
}

const LOADED = /(withWords\('(\w+)', )?\(\) =>\s+import\('(\.[^']+)'\)/g
/** A key as it is said; a field's path, which looks alike, is looked up in `issues`. */
const KEY = /(?<!issues\[)['`](\w+)\.(?=[\w$])/g
/** How far a page that stands inside a frame is indented. */
const INSIDE = ' '.repeat(8)
const IMPORTED = /^import (?!type)[^'"`;]*?from '(\.[^']+)'/gm

/** What one file loads later, with its words. */
function loadedBy(file: string): (Place & { at: number })[] {
  return [...readFileSync(file, 'utf8').matchAll(LOADED)].map(({ index, 2: part, 3: path = '' }) => ({
    file: join(dirname(file), path),
    parts: part === undefined ? [] : [part],
    at: index,
  }))
}

/**
 * All that is loaded by itself in the app, with the words that are there by then. For the catalogue's tests.
 * @param router pages that stand inside a frame, indented further than it, have the frame's words too
 */
export function placesOf(router: string, app: string): Place[] {
  const text = readFileSync(router, 'utf8')
  let frame: string[] = []
  const routed = loadedBy(router).map(({ at, ...place }) => {
    const isInside = text.slice(text.lastIndexOf('\n', at) + 1).startsWith(INSIDE)
    if (isInside) return { ...place, parts: [...place.parts, ...frame] }
    frame = place.parts
    return place
  })
  const others = readdirSync(dirname(app), { recursive: true, encoding: 'utf8' }).flatMap((name) =>
    name.endsWith('.vue') ? loadedBy(join(dirname(app), name)) : [],
  )
  return [{ file: app, parts: [] }, ...others.filter(({ parts }) => parts.length > 0), ...routed]
}

/** Which namespaces of the catalogue a place uses, itself or in what it is made of, and which file does. */
export function namespacesAt(file: string, known: ReadonlySet<string>): Map<string, string> {
  const used = new Map<string, string>()
  const seen = new Set<string>()
  const due = [file]
  for (let next = due.pop(); next !== undefined; next = due.pop()) {
    if (seen.has(next) || /router\.ts$|^web\/words\//.test(next)) continue
    seen.add(next)
    const text = readFileSync(next, 'utf8')
    for (const [, namespace = ''] of text.matchAll(KEY)) if (known.has(namespace)) used.set(namespace, next)
    const folder = dirname(next)
    due.push(...[...text.matchAll(IMPORTED)].flatMap(([, path]) => sourceAt(folder, path)))
    // What is loaded later without words of its own must find them here.
    due.push(...loadedBy(next).flatMap((each) => (each.parts.length === 0 ? [each.file] : [])))
  }
  return used
}

function sourceAt(folder: string, path = ''): string[] {
  return /\.(vue|ts)$/.test(path) ? [join(folder, path)] : []
}

const WHOLE_KEY = /\bte?\(\s*'([\w.-]+)'/g

/** Every key that is said as it stands, with the file that says it. */
export function keysSaid(folder: string): { key: string; file: string }[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(vue|ts)$/.test(name) && !name.endsWith('.test.ts'))
    .flatMap((name) => {
      const file = join(folder, name)
      return [...readFileSync(file, 'utf8').matchAll(WHOLE_KEY)].map(([, key = '']) => ({ key, file }))
    })
}
