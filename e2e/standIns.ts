import { type ChildProcess } from 'node:child_process'
import { startTestStandIns } from '@calm-apron/scripts/testing'
import WebSocket from 'ws'

/** The demo's two-group machine, by which its groups' benches are known. */
const MACHINE = '019a5c00-0000-700b-8000-000000000001'

/** What hands do at one simulated bench. */
export interface Hands {
  order: (...orders: object[]) => Promise<void>
  close: () => void
}

/** Simulated devices of a test's own, at a pace of its own. */
export class StandIns {
  private constructor(
    private readonly process: ChildProcess,
    readonly url: string,
  ) {}

  static async start(pace: number): Promise<StandIns> {
    const { process, url } = await startTestStandIns(pace)
    return new StandIns(process, url)
  }

  /** Hands at a group of the demo's two-group machine. */
  async hands(groupNo: number): Promise<Hands> {
    const line = new WebSocket(`${this.url}/${MACHINE}:${groupNo}`)
    await new Promise((resolve, reject) => {
      line.once('open', resolve)
      line.once('error', reject)
    })
    return {
      order: (...orders) =>
        new Promise((resolve, reject) => {
          const text = orders.map((each) => `${JSON.stringify(each)}\n`).join('')
          line.send(text, (error) => {
            if (error) reject(error)
            else resolve()
          })
        }),
      close: () => line.close(),
    }
  }

  stop(): void {
    this.process.kill('SIGTERM')
  }
}
