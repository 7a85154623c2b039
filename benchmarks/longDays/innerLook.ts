import WebSocket from 'ws'

/** What a server process holds, after all that is not needed was collected. */
export interface Held {
  heapMb: number
  /** How many of each kind of thing keeps it alive: sockets, timers, files. */
  handles: Record<string, number>
}

/** Looks into a Node process through its inspector, which it must have been started with. */
export async function innerLook(
  inspectorPort: number,
): Promise<{ look: () => Promise<Held>; close: () => void }> {
  const targets = (await (await fetch(`http://127.0.0.1:${inspectorPort}/json`)).json()) as {
    webSocketDebuggerUrl: string
  }[]
  const socket = new WebSocket(targets[0]?.webSocketDebuggerUrl ?? '')
  await new Promise<void>((resolve, reject) => socket.once('open', resolve).once('error', reject))
  let lastId = 0
  const ask = (method: string, params: object = {}): Promise<{ result?: { value?: string } }> =>
    new Promise((resolve) => {
      const id = ++lastId
      const hear = (data: WebSocket.RawData) => {
        const told = JSON.parse(textOf(data)) as { id?: number; result: { result?: { value?: string } } }
        if (told.id !== id) return
        socket.off('message', hear)
        resolve(told.result)
      }
      socket.on('message', hear)
      socket.send(JSON.stringify({ id, method, params }))
    })
  const HELD = `JSON.stringify({ heapMb: process.memoryUsage().heapUsed / 1048576,
    handles: process.getActiveResourcesInfo().reduce((all, kind) => ({ ...all, [kind]: (all[kind] ?? 0) + 1 }), {}) })`
  return {
    look: async () => {
      for (let turn = 0; turn < 3; turn += 1) await ask('HeapProfiler.collectGarbage')
      const { result } = await ask('Runtime.evaluate', { expression: HELD, returnByValue: true })
      return JSON.parse(result?.value ?? '') as Held
    },
    close: () => socket.close(),
  }
}

function textOf(data: WebSocket.RawData): string {
  return Array.isArray(data) ? Buffer.concat(data).toString() : Buffer.from(data as Buffer).toString()
}
