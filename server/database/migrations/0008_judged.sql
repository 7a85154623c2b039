ALTER TABLE "call" ADD COLUMN "rules_version" integer;--> statement-breakpoint
ALTER TABLE "ruling" ADD COLUMN "rules_version" integer;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "basket_clean" boolean;