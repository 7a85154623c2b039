CREATE TABLE "shot_said" (
	"academy_id" uuid NOT NULL,
	"shot_id" uuid NOT NULL,
	"pulled_at" timestamp with time zone NOT NULL,
	"rules_version" integer DEFAULT 0 NOT NULL,
	"dose" text,
	"tamp" text,
	"yield" text,
	"time" text,
	"taste" text,
	"cause" text,
	CONSTRAINT "shot_said_academy_id_shot_id_pk" PRIMARY KEY("academy_id","shot_id"),
	CONSTRAINT "shot_said_cause" CHECK ("shot_said"."cause" in ('none', 'grind-too-coarse', 'grind-too-fine', 'dose-low', 'dose-high', 'tamp-tilted', 'tamp-light', 'tamp-varying', 'poor-distribution', 'basket-wet', 'dirty', 'not-purged', 'cold', 'too-hot', 'temperature-swing', 'coffee-too-fresh', 'coffee-stale', 'pre-ground', 'roast-character', 'poor-water', 'wrong-basket', 'burrs-out-of-range', 'stopped-early', 'stopped-late', 'ratio-short', 'ratio-long'))
);
--> statement-breakpoint
ALTER TABLE "shot_said" ADD CONSTRAINT "shot_said_shot" FOREIGN KEY ("academy_id","shot_id") REFERENCES "public"."shot"("academy_id","shot_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "shot_said_behind" ON "shot_said" USING btree ("academy_id","rules_version","pulled_at" DESC NULLS LAST);--> statement-breakpoint
CREATE INDEX "shot_said_by_cause" ON "shot_said" USING btree ("academy_id","cause","pulled_at","shot_id");--> statement-breakpoint
CREATE INDEX "ruling_by_reason" ON "ruling" USING btree ("academy_id","reason_text_id");--> statement-breakpoint
CREATE INDEX "shot_revision_by_note" ON "shot_revision" USING btree ("academy_id","note_text_id") WHERE "shot_revision"."note_text_id" is not null;--> statement-breakpoint
CREATE INDEX "shot_revision_by_reason" ON "shot_revision" USING btree ("academy_id","reason_text_id") WHERE "shot_revision"."reason_text_id" is not null;--> statement-breakpoint
-- Nothing is said yet of what is there already. The owner is no academy's, and sees it only so.
ALTER TABLE "shot" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
INSERT INTO "shot_said" ("academy_id", "shot_id", "pulled_at") SELECT "academy_id", "shot_id", "pulled_at" FROM "shot";
--> statement-breakpoint
ALTER TABLE "shot" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
SELECT "keep_academies_apart"();
--> statement-breakpoint
-- In one order, so that two never wait for each other. Shot by shot (`OFFSET 0` keeps it so): of an academy just being loaded
-- nothing is known of how many there are, and they would be gone through once for each.
CREATE FUNCTION "shot_said_changed"() RETURNS trigger LANGUAGE plpgsql SET search_path = pg_catalog AS $$
BEGIN
  INSERT INTO public.shot_said (academy_id, shot_id, pulled_at)
    SELECT DISTINCT s.academy_id, s.shot_id, s.pulled_at
      FROM added a CROSS JOIN LATERAL (
        SELECT * FROM public.shot o WHERE o.academy_id = a.academy_id AND o.shot_id = a.shot_id OFFSET 0) s
      ORDER BY 1, 2
    ON CONFLICT (academy_id, shot_id) DO UPDATE SET rules_version = 0 WHERE shot_said.rules_version <> 0;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "shot_said_changed" AFTER INSERT ON "shot_revision" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "shot_said_changed"();
--> statement-breakpoint
CREATE TRIGGER "shot_said_changed" AFTER INSERT ON "slip" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "shot_said_changed"();
--> statement-breakpoint
CREATE TRIGGER "shot_said_changed" AFTER INSERT ON "ruling" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "shot_said_changed"();
--> statement-breakpoint
CREATE TRIGGER "shot_said_changed" AFTER INSERT ON "repurposing" REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION "shot_said_changed"();
--> statement-breakpoint
-- The one look of a worker across academies: in which of them something is behind, and nothing else.
CREATE POLICY owner_looks ON "shot_said" FOR SELECT TO CURRENT_USER USING (true);
--> statement-breakpoint
CREATE FUNCTION "shot_said_behind"("rules" integer) RETURNS SETOF uuid
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
  SELECT academy_id FROM public.academy a
    WHERE EXISTS (SELECT FROM public.shot_said s WHERE s.academy_id = a.academy_id AND s.rules_version < rules)
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "shot_said_behind"(integer) FROM PUBLIC;
--> statement-breakpoint
-- As before, and shot by shot.
CREATE OR REPLACE FUNCTION "skill_changed"() RETURNS trigger LANGUAGE plpgsql SET search_path = pg_catalog AS $$
BEGIN
  INSERT INTO public.skill (academy_id, person_id, changed_at)
    SELECT DISTINCT s.academy_id, s.person_id, statement_timestamp()
      FROM added a CROSS JOIN LATERAL (
        SELECT * FROM public.shot o WHERE o.academy_id = a.academy_id AND o.shot_id = a.shot_id OFFSET 0) s
      ORDER BY 1, 2
    ON CONFLICT (academy_id, person_id)
      DO UPDATE SET changes = skill.changes + 1, changed_at = excluded.changed_at, is_behind = true;
  RETURN NULL;
END $$;
