import { type Server, type Socket, connect, createServer } from 'node:net'

/** One address in front of several ports of this machine, as a proxy in front of several servers is. */
export interface Balancer {
  url: string
  close: () => Promise<void>
}

const LOOPBACK = '127.0.0.1'

/** Passes each new connection on to the next port; where nobody answers there, to the one after it. */
export async function openBalancer(ports: readonly number[]): Promise<Balancer> {
  const sockets = new Set<Socket>()
  let turn = 0
  const server: Server = createServer((near) => {
    keep(near)
    reach(near, ports.length)
  })

  function keep(socket: Socket): void {
    sockets.add(socket)
    socket.setNoDelay(true)
    socket.once('close', () => sockets.delete(socket))
    // Whoever goes away goes away at both ends.
    socket.on('error', () => socket.destroy())
  }

  function reach(near: Socket, triesLeft: number): void {
    const far = connect(ports[turn++ % ports.length] ?? 0, LOOPBACK)
    let isThere = false
    far.once('connect', () => {
      isThere = true
      near.pipe(far).pipe(near)
    })
    keep(far)
    near.once('close', () => far.destroy())
    far.once('close', () => {
      if (isThere || triesLeft <= 1) near.destroy()
      else reach(near, triesLeft - 1)
    })
  }

  await new Promise<void>((resolve) => server.listen(0, LOOPBACK, resolve))
  const address = server.address()
  const port = typeof address === 'object' && address !== null ? address.port : 0
  return {
    url: `http://${LOOPBACK}:${port}`,
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve())
        for (const socket of sockets) socket.destroy()
      }),
  }
}
