import { randomBytes } from 'node:crypto'
import { startTestApp } from '@calm-apron/scripts/testing'
import { v7 as uuidv7 } from 'uuid'
import { comeIn, send } from './comeIn.ts'
import { time } from './measure.ts'

// Few enough that no account and no address is slowed down.
const ACCOUNTS = 6
const RUNS = 12

const app = await startTestApp('demo')
try {
  const head = await comeIn(app.url, 'head')
  const names = await Promise.all(Array.from({ length: ACCOUNTS }, (_, n) => makeAccount(head, n)))
  let next = 0
  const knock = async (signInName: string) => {
    const answer = await send(app.url, 'POST', '/session', { signInName, password: 'not the one at all' })
    if (answer.status !== 401) throw new Error(`A wrong password was answered with ${answer.status}.`)
    await answer.arrayBuffer()
  }
  const known = () => knock(names[next++ % ACCOUNTS] ?? '')
  const unknown = () => knock(`${uuidv7()}@nobody.example`)
  // In turns, so that whatever else the machine does hits both.
  const before = await time(RUNS, known)
  const stranger = await time(RUNS, unknown)
  const after = await time(RUNS, known)
  const baselineMs = (before.medianMs + after.medianMs) / 2
  const ms = (value: number) => value.toFixed(1)
  console.log(`\nA wrong password, one caller:`)
  console.log(`  baseline, for a name that is known  ${ms(baselineMs)} ms median`)
  console.log(`  for a name that is not              ${ms(stranger.medianMs)} ms median`)
  console.log(`  ratio                               ${(stranger.medianMs / baselineMs).toFixed(2)}`)
} finally {
  await app.remove()
}

async function makeAccount(head: string, n: number): Promise<string> {
  const personId = uuidv7()
  const token = randomBytes(32).toString('base64url')
  const signInName = `known-${n}@ostrel.example`
  const person = { displayName: `Known ${n}`, role: 'trainer' }
  await send(app.url, 'PUT', `/people/${personId}`, person, head)
  await send(app.url, 'PUT', `/people/${personId}/invitations/${uuidv7()}`, { token }, head)
  const use = { token, signInName, password: 'gulls over the quay' }
  const joined = await send(app.url, 'POST', '/invitations/use', use)
  if (!joined.ok) throw new Error(`An account could not be made: ${joined.status}.`)
  return signInName
}
