import { eq, sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { account } from '../database/schema/index.ts'
import { refuseField } from '../refusal.ts'

/**
 * Sign-in names are one list for all academies, because nobody says which is theirs when they come in.
 * @throws {Refusal} `invalid-input` at `path`
 */
export async function refuseIfNameTaken(
  transaction: AcademyTransaction,
  signInName: string,
  path: string,
): Promise<void> {
  const { rows } = await transaction.execute<{ taken: boolean }>(
    sql`select is_sign_in_name_taken(${signInName}) as taken`,
  )
  if (rows[0]?.taken)
    throw refuseField(path, 'taken', 'This sign-in name can’t be used here. Choose another.')
}

/** Sets what opens a person's door; making the account where there is none yet. */
export async function storePassword(
  transaction: AcademyTransaction,
  row: { academyId: string; personId: string; signInName: string; passwordHash: string | null },
): Promise<void> {
  await transaction
    .insert(account)
    .values(row)
    .onConflictDoUpdate({
      target: [account.academyId, account.personId],
      set: { passwordHash: row.passwordHash },
    })
}

export async function setPassword(
  transaction: AcademyTransaction,
  personId: string,
  passwordHash: string | null,
): Promise<void> {
  await transaction.update(account).set({ passwordHash }).where(eq(account.personId, personId))
}

export async function setPin(
  transaction: AcademyTransaction,
  personId: string,
  pinHash: string | null,
): Promise<void> {
  await transaction.update(account).set({ pinHash }).where(eq(account.personId, personId))
}

/** The sign-in name of a person, or null when they have no account. */
export async function findSignInName(
  transaction: AcademyTransaction,
  personId: string,
): Promise<string | null> {
  const [row] = await transaction
    .select({ signInName: account.signInName })
    .from(account)
    .where(eq(account.personId, personId))
  return row?.signInName ?? null
}
