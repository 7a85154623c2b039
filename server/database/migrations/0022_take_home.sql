CREATE TABLE "take_home" (
	"academy_id" uuid NOT NULL,
	"take_home_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"given_by" uuid NOT NULL,
	"given_at" timestamp with time zone NOT NULL,
	"text_id" uuid NOT NULL,
	"body_digest" text NOT NULL,
	CONSTRAINT "take_home_academy_id_take_home_id_pk" PRIMARY KEY("academy_id","take_home_id")
);
--> statement-breakpoint
ALTER TABLE "audit" DROP CONSTRAINT "audit_kind";--> statement-breakpoint
ALTER TABLE "skill" ADD COLUMN "beside" jsonb;--> statement-breakpoint
ALTER TABLE "take_home" ADD CONSTRAINT "take_home_person" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "take_home" ADD CONSTRAINT "take_home_academy_id_given_by_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","given_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "take_home" ADD CONSTRAINT "take_home_academy_id_text_id_free_text_academy_id_text_id_fk" FOREIGN KEY ("academy_id","text_id") REFERENCES "public"."free_text"("academy_id","text_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "take_home_of_person" ON "take_home" USING btree ("academy_id","person_id","given_at","take_home_id");--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_kind" CHECK ("audit"."kind" in ('academy-made', 'academy-changed', 'shot-recorded', 'shot-corrected', 'prepared-made', 'prepared-changed', 'prepared-archived', 'prepared-restored', 'call-made', 'call-skipped', 'reading-overruled', 'shot-repurposed', 'photo-added', 'take-home-given', 'training-started', 'training-changed', 'training-ended', 'training-reopened', 'slip-filled', 'slip-corrected', 'slip-skipped', 'claim-confirmed', 'claim-denied', 'tablet-handed', 'tablet-taken-back', 'set-aside-kept', 'set-aside-dropped', 'person-added', 'person-renamed', 'role-changed', 'person-ended', 'person-reopened', 'person-exported', 'person-erased', 'link-made', 'link-used', 'password-changed', 'pin-changed'));
--> statement-breakpoint
SELECT "keep_academies_apart"();
