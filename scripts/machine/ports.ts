import { createServer } from 'node:net'

async function listenOnce(port: number, host: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(port, host, () => {
      const address = probe.address()
      probe.close(() => resolve(typeof address === 'object' && address !== null ? address.port : port))
    })
  })
}

/** A port of loopback that was free a moment ago. */
export async function freePort(): Promise<number> {
  return listenOnce(0, '127.0.0.1')
}

export type PortState = 'free' | 'taken' | 'no-such-host' | 'not-allowed'

/** Whether a server could listen there now. */
export async function portState(port: number, host: string): Promise<PortState> {
  try {
    await listenOnce(port, host)
    return 'free'
  } catch (error) {
    const code = typeof error === 'object' && error !== null && 'code' in error ? error.code : ''
    if (code === 'EADDRINUSE') return 'taken'
    if (code === 'EACCES') return 'not-allowed'
    return 'no-such-host'
  }
}
