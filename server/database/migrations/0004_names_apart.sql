ALTER TABLE "person" DROP COLUMN "display_name";--> statement-breakpoint
ALTER TABLE "shot_revision" DROP COLUMN "reason";