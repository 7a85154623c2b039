import { type Server, type Socket, connect, createServer } from 'node:net'

/** A TCP line to a port of this machine that a test can cut, or let hang, and mend. */
export interface Line {
  port: number
  cut: () => Promise<void>
  /** From now on it takes whatever is said, on lines that are open and on new ones, and nothing comes back. */
  hang: () => void
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
  let isHanging = false
  const open = async (port: number): Promise<Server> => {
    const server = createServer((near) => {
      keep(near)
      if (isHanging) return
      const far = connect(toPort, LOOPBACK)
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
    hang: () => {
      isHanging = true
      for (const socket of sockets) {
        socket.unpipe()
        socket.pause()
      }
    },
    mend: async () => {
      if (server.listening) {
        isHanging = false
        // What hung never comes; whoever waits asks again.
        for (const socket of sockets) socket.destroy()
      } else server = await open(port)
    },
  }
}
