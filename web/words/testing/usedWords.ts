import { readFileSync, readdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { babelParse } from 'vue/compiler-sfc'

/** What is loaded by itself, and the parts of the catalogue that come with it. */
export interface Place {
  file: string
  parts: string[]
}

const LOADED = /(withWords\('(\w+)', )?\(\) =>\s+import\('(\.[^']+)'\)/g
/** A key as it is said; a field's path, which looks alike, is looked up in `issues`. */
const KEY = /(?<!issues\[)['`](\w+)\.(?=[\w$])/g
/** What only the compiler reads. */
const TYPES = /^(export )?type .*$/gm
const IMPORTED = /^import (?!type)[^'"`;]*?from '(\.[^']+)'/gm

/** What a file, or a part of it, loads later, with its words. */
function loadedIn(text: string, file: string): Place[] {
  return [...text.matchAll(LOADED)].map(({ 2: part, 3: path = '' }) => ({
    file: join(dirname(file), path),
    parts: part === undefined ? [] : [part],
  }))
}

const loadedBy = (file: string) => loadedIn(readFileSync(file, 'utf8'), file)

type Tree = Record<string, unknown> & { start: number; end: number }
const isTree = (node: unknown): node is Tree =>
  typeof node === 'object' && node !== null && 'start' in node && 'end' in node

/** What a route's object says under a name. */
function saidUnder(route: Tree, name: string): Tree | undefined {
  const said = Array.isArray(route['properties']) ? route['properties'].filter(isTree) : []
  const found = said.find(({ key }) => isTree(key) && key['name'] === name)?.['value']
  return isTree(found) ? found : undefined
}

/** Every place that routes lead to; one that stands in a frame (`children`) has the frame's words too. */
function routedIn(node: unknown, text: string, file: string, frame: readonly string[] = []): Place[] {
  if (Array.isArray(node)) return node.flatMap((each) => routedIn(each, text, file, frame))
  if (!isTree(node)) return []
  const component = node['type'] === 'ObjectExpression' ? saidUnder(node, 'component') : undefined
  if (!component) return Object.values(node).flatMap((each) => routedIn(each, text, file, frame))
  const here = loadedIn(text.slice(component.start, component.end), file)
  const own = here.map((place) => ({ ...place, parts: [...place.parts, ...frame] }))
  const parts = [...frame, ...here.flatMap((place) => place.parts)]
  return [...own, ...routedIn(saidUnder(node, 'children'), text, file, parts)]
}

/** All that is loaded by itself in the app, with the words that are there by then. For the catalogue's tests. */
export function placesOf(routers: readonly string[], app: string): Place[] {
  const routed = routers.flatMap((router) => {
    const text = readFileSync(router, 'utf8')
    const { body } = babelParse(text, { sourceType: 'module', plugins: ['typescript'] }).program
    return routedIn(body, text, router)
  })
  // What the router has at once is there with the first words alone.
  const atOnce = routers
    .flatMap((router) =>
      [...readFileSync(router, 'utf8').matchAll(IMPORTED)].flatMap(([, path = '']) =>
        path.endsWith('.vue') ? [join(dirname(router), path)] : [],
      ),
    )
    .map((file) => ({ file, parts: [] }))
  const later = readdirSync(dirname(app), { recursive: true, encoding: 'utf8' }).flatMap((name) =>
    /\.vue$|barParts\.ts$/.test(name) ? loadedBy(join(dirname(app), name)) : [],
  )
  return [{ file: app, parts: [] }, ...atOnce, ...later.filter(({ parts }) => parts.length > 0), ...routed]
}

/** Which namespaces of the catalogue a place uses, itself or in what it is made of, and which file does. */
export function namespacesAt(file: string, known: ReadonlySet<string>): Map<string, string> {
  const used = new Map<string, string>()
  const seen = new Set<string>()
  const due = [file]
  for (let next = due.pop(); next !== undefined; next = due.pop()) {
    if (seen.has(next) || /router\.ts$|prepareRoute\.ts$|^web\/words\//.test(next)) continue
    seen.add(next)
    const text = readFileSync(next, 'utf8').replace(TYPES, '')
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
/** One of several that may be said, as in a choice between two. */
const ONE_OF_KEYS = /(?<!issues\[)'(\w+)(\.[\w-]+)+'/g

/** Every key that is said as it stands, with the file that says it; beside what is asked for by `t`, all of known namespaces. */
export function keysSaid(folder: string, known: ReadonlySet<string>): { key: string; file: string }[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(vue|ts)$/.test(name) && !name.endsWith('.test.ts'))
    .flatMap((name) => {
      const file = join(folder, name)
      const text = readFileSync(file, 'utf8')
      const asked = [...text.matchAll(WHOLE_KEY)].map(([, key = '']) => key)
      const chosen = [...text.matchAll(ONE_OF_KEYS)].flatMap(([quoted, namespace = '']) =>
        known.has(namespace) ? quoted.slice(1, -1) : [],
      )
      return [...new Set([...asked, ...chosen])].map((key) => ({ key, file }))
    })
}
