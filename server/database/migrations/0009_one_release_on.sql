ALTER TABLE "call" DROP CONSTRAINT "call_once";--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "body_digest" text;--> statement-breakpoint
CREATE UNIQUE INDEX "call_once" ON "call" USING btree ("academy_id","shot_id","person_id","stage") WHERE "call"."verdict" is not null;--> statement-breakpoint
CREATE UNIQUE INDEX "call_skipped_once" ON "call" USING btree ("academy_id","shot_id","person_id","stage") WHERE "call"."verdict" is null;