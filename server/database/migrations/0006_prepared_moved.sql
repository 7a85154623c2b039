DROP TABLE "bag" CASCADE;--> statement-breakpoint
DROP TABLE "bar" CASCADE;--> statement-breakpoint
DROP TABLE "coffee" CASCADE;--> statement-breakpoint
DROP TABLE "grinder" CASCADE;--> statement-breakpoint
DROP TABLE "recipe_revision" CASCADE;--> statement-breakpoint
DROP TABLE "vessel" CASCADE;--> statement-breakpoint
SELECT "keep_academies_apart"();
