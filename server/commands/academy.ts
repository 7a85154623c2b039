import { parseArgs } from 'node:util'
import { fieldErrors, name, signInName, timeZone } from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'
import { z } from 'zod'
import { type NewAcademy, makeAcademy } from '../academies/makeAcademy.ts'
import { behindDoor, inAcademy } from '../database/inAcademy.ts'
import { databaseOver, openPool } from '../database/pool.ts'
import { makeLink } from '../doors/invitations.ts'
import { newToken } from '../doors/secrets.ts'
import { findAccount } from '../doors/sessionQueries.ts'
import { Refusal } from '../refusal.ts'

// Usage: DATABASE_URL=… PUBLIC_ORIGIN=… node academy.js new --name … --town … --time-zone … --head … --sign-in …
//        DATABASE_URL=… PUBLIC_ORIGIN=… node academy.js let-in SIGN-IN-NAME
const USAGE = `npm run academy -- new --name "Gull Street" --town Ostrel --time-zone Atlantic/Azores --head "Signe Hallow" --sign-in signe@gull.example
npm run academy -- let-in signe@gull.example`

const wanted = z.strictObject({
  name,
  town: name,
  'time-zone': timeZone,
  head: name,
  'sign-in': signInName,
})

/** Words for whoever typed the command; no stack. */
function giveUp(words: string): never {
  console.error(words)
  process.exit(2)
}

const { DATABASE_URL, PUBLIC_ORIGIN } = process.env
if (!DATABASE_URL || !PUBLIC_ORIGIN) giveUp('DATABASE_URL and PUBLIC_ORIGIN are both needed.')
const text = { type: 'string' } as const
const { positionals, values } = readArguments()
const pool = openPool(DATABASE_URL, (error) => console.error(error.message))
const database = databaseOver(pool)
const now = new Date()

function readArguments() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: { name: text, town: text, 'time-zone': text, head: text, 'sign-in': text },
    })
  } catch (error) {
    return giveUp(`${error instanceof Error ? error.message : String(error)}\n\n${USAGE}`)
  }
}

function tell(whom: string, token: string, expiresAt: string): void {
  console.log(
    `${whom} sets a password by this link, once, until ${expiresAt}:\n${PUBLIC_ORIGIN}/join#${token}`,
  )
}

/** Makes a further academy, kept apart from all others, and the link by which its head comes in. */
async function makeNew(): Promise<void> {
  const parsed = wanted.safeParse(values)
  if (!parsed.success) {
    const lines = fieldErrors(parsed.error).map(({ path, message }) => `--${path}: ${message}`)
    return giveUp(`${lines.join('\n')}\n\n${USAGE}`)
  }
  const { 'time-zone': zone, 'sign-in': signIn, head, ...rest } = parsed.data
  const academyId = uuidv7()
  const personId = uuidv7()
  const token = newToken()
  const made: NewAcademy = { academyId, timeZone: zone, ...rest }
  const { invitation } = await inAcademy(database, academyId, async (transaction) => {
    const first = { personId, displayName: head, signInName: signIn, passwordHash: null }
    await makeAcademy(transaction, made, first, '--sign-in', now)
    return makeLink(transaction, { academyId, invitationId: uuidv7(), personId, token, actorId: null, now })
  })
  console.log(`${made.name}, ${made.town}, is made.`)
  tell(head, token, invitation.expiresAt)
}

/** Makes a reset link for whoever is locked out; it is traced as made from the command line. */
async function letIn(name_: string): Promise<void> {
  const token = newToken()
  const invitation = await behindDoor(database, 'sign-in', name_, async (transaction, academyId) => {
    const found = await findAccount(transaction, { signInName: name_ })
    if (found === null) return null
    const { personId } = found
    const link = { academyId, invitationId: uuidv7(), personId, token, actorId: null, now }
    return (await makeLink(transaction, link)).invitation
  })
  if (invitation === null) return giveUp(`Nobody comes in as "${name_}".`)
  tell(name_, token, invitation.expiresAt)
}

try {
  const [verb, who] = positionals
  if (verb === 'new') await makeNew()
  else if (verb === 'let-in' && who !== undefined) await letIn(signInName.parse(who))
  else giveUp(USAGE)
} catch (error) {
  if (!(error instanceof Refusal)) throw error
  const words = error.errors.map(({ path, message }) => `${path}: ${message}`)
  giveUp(words.length > 0 ? words.join('\n') : error.detail)
} finally {
  await pool.end()
}
