import { type Server, type Socket, connect, createServer } from 'node:net'

/** A TCP line to a port of this machine that a test can cut and mend. */
export interface Line {
  port: number
  cut: () => Promise<void>
  mend: () => Promise<void>
}

const LOOPBACK = '127.0.0.1'

/** Opens a line to `toPort`. */
export async function openLine(toPort: number): Promise<Line> {
  const sockets = new Set<Socket>()
  const keep = (socket: Socket) => {
    sockets.add(socket)
    // Small packets must not wait for one another, or the line would be slower than what it stands for.
    socket.setNoDelay(true)
    socket.once('close', () => sockets.delete(socket))
    // A line that is cut is what the test is about.
    socket.on('error', () => socket.destroy())
  }
  const open = async (port: number): Promise<Server> => {
    const server = createServer((near) => {
      const far = connect(toPort, LOOPBACK)
      keep(near)
      keep(far)
      near.pipe(far).pipe(near)
      // When one end is killed the other must hear of it, as it would without us in between.
      near.once('close', () => far.destroy())
      far.once('close', () => near.destroy())
    })
    await new Promise<void>((resolve) => server.listen(port, LOOPBACK, resolve))
    return server
  }
  let server = await open(0)
  const address = server.address()
  const port = typeof address === 'object' && address !== null ? address.port : 0
  return {
    port,
    cut: () =>
      new Promise((resolve) => {
        server.close(() => resolve())
        for (const socket of sockets) socket.destroy()
      }),
    mend: async () => {
      server = await open(port)
    },
  }
}
