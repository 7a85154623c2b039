import { fork } from 'node:child_process'

/**
 * Starts a program of ours as a process of its own, which waits for its order.
 * @param program sends what it has to tell once it has done what it was ordered
 */
export function ownProcess<Told>(program: URL): (order: object) => Promise<Told> {
  const running = fork(program, { execArgv: ['--import', 'tsx'] })
  return async (order) => {
    running.send(order)
    return new Promise((resolve, reject) => {
      running.once('message', (told) => resolve(told as Told))
      running.once('exit', () => reject(new Error(`${program.pathname} ended before it told anything.`)))
    })
  }
}
