CREATE TABLE "assessment" (
	"academy_id" uuid NOT NULL,
	"assessment_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"programme_id" uuid NOT NULL,
	"begun_at" timestamp with time zone NOT NULL,
	"closed_at" timestamp with time zone,
	CONSTRAINT "assessment_academy_id_assessment_id_pk" PRIMARY KEY("academy_id","assessment_id")
);
--> statement-breakpoint
CREATE TABLE "assessment_event" (
	"academy_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"assessment_id" uuid NOT NULL,
	"by" uuid NOT NULL,
	"sent_by" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"happening" jsonb NOT NULL,
	"text_id" uuid,
	"body_digest" text NOT NULL,
	CONSTRAINT "assessment_event_academy_id_event_id_pk" PRIMARY KEY("academy_id","event_id")
);
--> statement-breakpoint
ALTER TABLE "audit" DROP CONSTRAINT "audit_kind";--> statement-breakpoint
ALTER TABLE "prepared" DROP CONSTRAINT "prepared_kind";--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "assessment_id" uuid;--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_person" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "assessment" ADD CONSTRAINT "assessment_academy_id_programme_id_prepared_academy_id_prepared_id_fk" FOREIGN KEY ("academy_id","programme_id") REFERENCES "public"."prepared"("academy_id","prepared_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "assessment_event" ADD CONSTRAINT "assessment_event_of" FOREIGN KEY ("academy_id","assessment_id") REFERENCES "public"."assessment"("academy_id","assessment_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "assessment_event" ADD CONSTRAINT "assessment_event_by" FOREIGN KEY ("academy_id","by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "assessment_event" ADD CONSTRAINT "assessment_event_sent_by" FOREIGN KEY ("academy_id","sent_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "assessment_event" ADD CONSTRAINT "assessment_event_text" FOREIGN KEY ("academy_id","text_id") REFERENCES "public"."free_text"("academy_id","text_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "assessment_of_person" ON "assessment" USING btree ("academy_id","person_id","begun_at");--> statement-breakpoint
CREATE INDEX "assessment_by_time" ON "assessment" USING btree ("academy_id","begun_at");--> statement-breakpoint
CREATE INDEX "assessment_event_of_one" ON "assessment_event" USING btree ("academy_id","assessment_id","received_at");--> statement-breakpoint
CREATE INDEX "shot_of_assessment" ON "shot" USING btree ("academy_id","assessment_id") WHERE "shot"."assessment_id" is not null;--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_kind" CHECK ("audit"."kind" in ('academy-made', 'academy-changed', 'shot-recorded', 'shot-corrected', 'prepared-made', 'prepared-changed', 'prepared-archived', 'prepared-restored', 'call-made', 'call-skipped', 'reading-overruled', 'shot-repurposed', 'photo-added', 'take-home-given', 'assessment-begun', 'assessment-ended', 'assessment-decided', 'assessment-appealed', 'assessment-reviewed', 'assessment-answered', 'assessment-settled', 'sign-off-withdrawn', 'training-started', 'training-changed', 'training-ended', 'training-reopened', 'slip-filled', 'slip-corrected', 'slip-skipped', 'claim-confirmed', 'claim-denied', 'tablet-handed', 'tablet-taken-back', 'set-aside-kept', 'set-aside-dropped', 'person-added', 'person-renamed', 'role-changed', 'person-ended', 'person-reopened', 'person-exported', 'person-erased', 'link-made', 'link-used', 'password-changed', 'pin-changed'));--> statement-breakpoint
ALTER TABLE "prepared" ADD CONSTRAINT "prepared_kind" CHECK ("prepared"."kind" in ('recipe', 'coffee', 'bag', 'bar', 'machine', 'grinder', 'basket', 'vessel', 'tool', 'scale', 'water', 'routine', 'caution', 'programme'));
--> statement-breakpoint
SELECT "keep_academies_apart"();
--> statement-breakpoint
-- What a set holds counts once it is over, and what is signed stands on the ladder.
CREATE FUNCTION "skill_of_assessed"() RETURNS trigger LANGUAGE plpgsql SET search_path = pg_catalog AS $$
BEGIN
  INSERT INTO public.skill (academy_id, person_id, changed_at)
    SELECT DISTINCT a.academy_id, a.person_id, statement_timestamp()
      FROM added e CROSS JOIN LATERAL (
        SELECT * FROM public.assessment o WHERE o.academy_id = e.academy_id AND o.assessment_id = e.assessment_id OFFSET 0) a
      ORDER BY 1, 2
    ON CONFLICT (academy_id, person_id)
      DO UPDATE SET changes = skill.changes + 1, changed_at = excluded.changed_at, is_behind = true;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "skill_of_assessed" AFTER INSERT ON "assessment_event" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "skill_of_assessed"();
