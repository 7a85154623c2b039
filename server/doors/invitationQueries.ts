import { and, eq, gt, isNull } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { invitation, person, personName } from '../database/schema/index.ts'

type InvitationRow = typeof invitation.$inferSelect

export async function findInvitation(
  transaction: AcademyTransaction,
  invitationId: string,
): Promise<InvitationRow | null> {
  const [row] = await transaction.select().from(invitation).where(eq(invitation.invitationId, invitationId))
  return row ?? null
}

/** A link that still holds, with whom it is for. */
export async function findOpenInvitation(
  transaction: AcademyTransaction,
  tokenHash: string,
  now: Date,
): Promise<(InvitationRow & { displayName: string }) | null> {
  const [row] = await transaction
    .select({ invitation, displayName: personName.displayName })
    .from(invitation)
    .innerJoin(person, eq(person.personId, invitation.personId))
    .innerJoin(personName, eq(personName.personId, invitation.personId))
    .where(
      and(
        eq(invitation.tokenHash, tokenHash),
        isNull(invitation.usedAt),
        gt(invitation.expiresAt, now),
        isNull(person.endedAt),
      ),
    )
  return row ? { ...row.invitation, displayName: row.displayName } : null
}

export async function insertInvitation(
  transaction: AcademyTransaction,
  row: typeof invitation.$inferInsert,
): Promise<void> {
  await transaction.insert(invitation).values(row)
}

/** Uses a link up; false when another request just did. */
export async function markUsed(
  transaction: AcademyTransaction,
  invitationId: string,
  usedAt: Date,
): Promise<boolean> {
  const used = await transaction
    .update(invitation)
    .set({ usedAt })
    .where(and(eq(invitation.invitationId, invitationId), isNull(invitation.usedAt)))
    .returning({ invitationId: invitation.invitationId })
  return used.length === 1
}

/** Makes whatever links a person has stop working. */
export async function withdrawInvitations(
  transaction: AcademyTransaction,
  personId: string,
  now: Date,
): Promise<void> {
  await transaction
    .update(invitation)
    .set({ expiresAt: now })
    .where(and(eq(invitation.personId, personId), isNull(invitation.usedAt), gt(invitation.expiresAt, now)))
}
