ALTER TABLE "doors"."attempt" ADD COLUMN "forget_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "prepared_revision" ADD COLUMN "content_version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
-- What nobody sees in a name is refused from now on, and taken out of those that are there. The owner is held by row
-- security too; it is lifted for that.
ALTER TABLE "person_name" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "academy" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
UPDATE "person_name" SET "display_name" = coalesce(nullif(regexp_replace("display_name", '[\u00ad\u034f\u061c\u115f\u1160\u180b-\u180f\u200b\u200e\u200f\u202a-\u202e\u2060-\u206f\u2800\u3164\ufeff\uffa0]', '', 'g'), ''), '?')
  WHERE "display_name" ~ '[\u00ad\u034f\u061c\u115f\u1160\u180b-\u180f\u200b\u200e\u200f\u202a-\u202e\u2060-\u206f\u2800\u3164\ufeff\uffa0]';--> statement-breakpoint
UPDATE "academy" SET "name" = coalesce(nullif(regexp_replace("name", '[\u00ad\u034f\u061c\u115f\u1160\u180b-\u180f\u200b\u200e\u200f\u202a-\u202e\u2060-\u206f\u2800\u3164\ufeff\uffa0]', '', 'g'), ''), '?'),
  "town" = coalesce(nullif(regexp_replace("town", '[\u00ad\u034f\u061c\u115f\u1160\u180b-\u180f\u200b\u200e\u200f\u202a-\u202e\u2060-\u206f\u2800\u3164\ufeff\uffa0]', '', 'g'), ''), '?');--> statement-breakpoint
ALTER TABLE "academy" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "person_name" FORCE ROW LEVEL SECURITY;
