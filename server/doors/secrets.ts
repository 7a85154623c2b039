import { createHash, randomBytes, randomInt } from 'node:crypto'
import { hash, verify } from '@node-rs/argon2'

/**
 * Argon2id (the library's default kind) with 19 MiB, two passes, one lane: the least that the OWASP password storage
 * guidance names.
 */
const ARGON2 = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const

// No one's: verifying against it takes as long as against a real one, and never holds.
const NOBODYS_HASH = hash(randomBytes(32), ARGON2)

const CODE_LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789'

/** 32 random bytes in base64url: session, device. */
export function newToken(): string {
  return randomBytes(32).toString('base64url')
}

/** Of long random secrets a plain digest is enough: there is nothing to guess. */
export function tokenHash(secret: string): string {
  return createHash('sha256').update(secret).digest('base64url')
}

/** A code that is easily read off a console: `K7QM-4TZP`. */
export function newCode(): string {
  const letters = Array.from({ length: 8 }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)])
  return `${letters.slice(0, 4).join('')}-${letters.slice(4).join('')}`
}

/** The digest of a code, however it was typed. */
export function codeHash(code: string): string {
  return tokenHash(code.toUpperCase().replaceAll(/[^A-Z0-9]/g, ''))
}

/** Passwords are compared as people see them, not as keyboards send them. */
const asSeen = (secret: string) => secret.normalize('NFKC')

export async function hashSecret(secret: string): Promise<string> {
  return hash(asSeen(secret), ARGON2)
}

/** Whether a secret fits a hash; against none it takes as long and doesn't. */
export async function fits(secret: string, stored: string | null): Promise<boolean> {
  const held = await verify(stored ?? (await NOBODYS_HASH), asSeen(secret))
  return stored !== null && held
}
