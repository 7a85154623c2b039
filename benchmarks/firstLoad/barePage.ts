import { once } from 'node:events'
import { type IncomingMessage, type ServerResponse, createServer } from 'node:http'
import { brotliCompressSync } from 'node:zlib'
import { build } from 'vite'

/** A page that does next to nothing, served as ours is: packed, and kept on the device by a service worker. */
export interface BarePage {
  url: string
  close: () => void
}

const ROOT = new URL('barePage', import.meta.url).pathname
const TYPES: Record<string, string> = { js: 'text/javascript', html: 'text/html' }

/** Builds and serves it on a free port of this machine. */
export async function serveBarePage(): Promise<BarePage> {
  const files = await built()
  const names = [...files.keys()].map((name) => (name === 'index.html' ? '/bar' : `/${name}`))
  files.set('sw.js', keptBy(names))
  const answer = ({ url = '/' }: IncomingMessage, response: ServerResponse) => {
    const name = url === '/bar' ? 'index.html' : url.slice(1)
    const file = files.get(name)
    if (file === undefined) return response.writeHead(404).end()
    const type = TYPES[name.split('.').at(-1) ?? ''] ?? 'text/plain'
    return response
      .writeHead(200, { 'Content-Type': type, 'Content-Encoding': 'br' })
      .end(brotliCompressSync(file))
  }
  const server = createServer((request, response) => void answer(request, response))
  server.listen(0, '127.0.0.1')
  await once(server, 'listening')
  const address = server.address()
  const port = typeof address === 'object' && address !== null ? address.port : 0
  return {
    url: `http://127.0.0.1:${port}`,
    close: () => {
      server.closeAllConnections()
      server.close()
    },
  }
}

async function built(): Promise<Map<string, string>> {
  const options = { root: ROOT, logLevel: 'warn', configFile: false, build: { write: false } } as const
  const result = await build(options)
  // Neither watched nor of several formats.
  const { output } = result as { output: ({ fileName: string } & ({ code: string } | { source: string }))[] }
  return new Map(output.map((file) => [file.fileName, 'code' in file ? file.code : file.source]))
}

const keptBy = (paths: readonly string[]) => `
self.addEventListener('install', (event) => event.waitUntil(caches.open('bare').then((kept) => kept.addAll(${JSON.stringify(paths)}))))
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
self.addEventListener('fetch', (event) => event.respondWith(caches.match(event.request).then((kept) => kept ?? fetch(event.request))))
`
