ALTER TABLE "call" DROP CONSTRAINT "call_once";--> statement-breakpoint
ALTER TABLE "audit" DROP CONSTRAINT "audit_kind";--> statement-breakpoint
ALTER TABLE "claim" DROP CONSTRAINT "claim_academy_id_revision_id_shot_revision_academy_id_revision_id_fk";
--> statement-breakpoint
ALTER TABLE "claim" ADD COLUMN "kind" text DEFAULT 'shot' NOT NULL;--> statement-breakpoint
ALTER TABLE "claim" ADD COLUMN "subject_id" uuid;--> statement-breakpoint
-- The owner is held by row security too; it is lifted for what is filled in.
ALTER TABLE "claim" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "shot_revision" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
UPDATE "claim" SET "subject_id" = r."shot_id", "kind" = CASE WHEN r."revision_no" = 1 THEN 'shot' ELSE 'correction' END
  FROM "shot_revision" r WHERE r."academy_id" = "claim"."academy_id" AND r."revision_id" = "claim"."revision_id";--> statement-breakpoint
ALTER TABLE "shot_revision" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "claim" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "claim" ALTER COLUMN "subject_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "claim" ADD COLUMN "is_denied" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "body_digest" text;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "clock_ahead_s" bigint;--> statement-breakpoint
ALTER TABLE "slip" ADD COLUMN "is_blind" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "slip" ADD COLUMN "is_late" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "slip" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
UPDATE "slip" SET "is_blind" = false FROM (
  SELECT "academy_id", "shot_id", max("first_at") AS "opened_at" FROM (
    SELECT "academy_id", "shot_id", "side", min("received_at") AS "first_at" FROM "slip" GROUP BY 1, 2, 3) firsts
  GROUP BY 1, 2 HAVING count(*) = 2) opened
  WHERE opened."academy_id" = "slip"."academy_id" AND opened."shot_id" = "slip"."shot_id" AND "slip"."received_at" > opened."opened_at";--> statement-breakpoint
ALTER TABLE "slip" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "training_event" ADD COLUMN "after_event_id" uuid;--> statement-breakpoint
CREATE UNIQUE INDEX "call_once" ON "call" USING btree ("academy_id","shot_id","person_id","stage") WHERE "call"."verdict" is not null;--> statement-breakpoint
CREATE UNIQUE INDEX "call_skipped_once" ON "call" USING btree ("academy_id","shot_id","person_id","stage") WHERE "call"."verdict" is null;--> statement-breakpoint
CREATE INDEX "training_event_happening" ON "training_event" USING gin ("happening" jsonb_path_ops);--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_kind" CHECK ("audit"."kind" in ('academy-made', 'academy-changed', 'shot-recorded', 'shot-corrected', 'prepared-made', 'prepared-changed', 'prepared-archived', 'prepared-restored', 'call-made', 'call-skipped', 'reading-overruled', 'photo-added', 'training-started', 'training-changed', 'training-ended', 'training-reopened', 'slip-filled', 'slip-corrected', 'slip-skipped', 'claim-confirmed', 'claim-denied', 'tablet-handed', 'tablet-taken-back', 'set-aside-kept', 'set-aside-dropped', 'person-added', 'person-renamed', 'role-changed', 'person-ended', 'person-reopened', 'person-exported', 'person-erased', 'link-made', 'link-used', 'password-changed', 'pin-changed'));--> statement-breakpoint
ALTER TABLE "claim" ADD CONSTRAINT "claim_kind" CHECK ("claim"."kind" in ('shot', 'correction', 'call', 'slip', 'photo', 'training-event'));