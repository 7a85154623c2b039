CREATE TABLE "skill" (
	"academy_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"changes" bigint DEFAULT 1 NOT NULL,
	"changed_at" timestamp with time zone NOT NULL,
	"is_behind" boolean DEFAULT true NOT NULL,
	"claimed_until" timestamp with time zone,
	"worked_out_at" timestamp with time zone,
	"rules_version" integer,
	"figures" jsonb,
	"brief" jsonb,
	CONSTRAINT "skill_academy_id_person_id_pk" PRIMARY KEY("academy_id","person_id")
);
--> statement-breakpoint
ALTER TABLE "skill" ADD CONSTRAINT "skill_academy_id_person_id_person_academy_id_person_id_fk" FOREIGN KEY ("academy_id","person_id") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "skill_behind" ON "skill" USING btree ("academy_id","changed_at") WHERE "skill"."is_behind";--> statement-breakpoint
-- Whoever has shots already is behind. The owner is no academy's, and sees them only so.
ALTER TABLE "shot" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
INSERT INTO "skill" ("academy_id", "person_id", "changed_at") SELECT DISTINCT "academy_id", "person_id", now() FROM "shot";
--> statement-breakpoint
ALTER TABLE "shot" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
SELECT "keep_academies_apart"();
--> statement-breakpoint
-- Whatever changes what somebody's figures rest on, by whichever route, is counted; in one order, so that two never wait for each other.
CREATE FUNCTION "skill_changed"() RETURNS trigger LANGUAGE plpgsql SET search_path = pg_catalog AS $$
BEGIN
  INSERT INTO public.skill (academy_id, person_id, changed_at)
    SELECT DISTINCT s.academy_id, s.person_id, statement_timestamp()
      FROM added a JOIN public.shot s ON s.academy_id = a.academy_id AND s.shot_id = a.shot_id
      ORDER BY 1, 2
    ON CONFLICT (academy_id, person_id)
      DO UPDATE SET changes = skill.changes + 1, changed_at = excluded.changed_at, is_behind = true;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "skill_changed" AFTER INSERT ON "shot_revision" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "skill_changed"();
--> statement-breakpoint
CREATE TRIGGER "skill_changed" AFTER INSERT ON "call" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "skill_changed"();
--> statement-breakpoint
CREATE TRIGGER "skill_changed" AFTER INSERT ON "slip" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "skill_changed"();
--> statement-breakpoint
CREATE TRIGGER "skill_changed" AFTER INSERT ON "ruling" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "skill_changed"();
--> statement-breakpoint
CREATE TRIGGER "skill_changed" AFTER INSERT ON "repurposing" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "skill_changed"();
--> statement-breakpoint
-- The one look of a worker across academies: in which of them somebody is behind, and nothing else.
CREATE POLICY owner_looks ON "skill" FOR SELECT TO CURRENT_USER USING (true);
--> statement-breakpoint
CREATE FUNCTION "skill_behind"("rules" integer) RETURNS SETOF uuid
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
  SELECT DISTINCT academy_id FROM public.skill
    WHERE (is_behind OR rules_version IS DISTINCT FROM rules) AND coalesce(claimed_until, '-infinity') < now()
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "skill_behind"(integer) FROM PUBLIC;
