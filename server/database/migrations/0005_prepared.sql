CREATE TABLE "prepared" (
	"academy_id" uuid NOT NULL,
	"prepared_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"parent_id" uuid,
	"revision_no" integer NOT NULL,
	"name_key" text NOT NULL,
	"search_text" text NOT NULL,
	"archived_at" timestamp with time zone,
	CONSTRAINT "prepared_academy_id_prepared_id_pk" PRIMARY KEY("academy_id","prepared_id"),
	CONSTRAINT "prepared_kind" CHECK ("prepared"."kind" in ('recipe', 'coffee', 'bag', 'bar', 'machine', 'grinder', 'basket', 'vessel', 'tool', 'scale', 'water', 'routine', 'caution')),
	CONSTRAINT "prepared_revision_no" CHECK ("prepared"."revision_no" >= 1)
);
--> statement-breakpoint
CREATE TABLE "prepared_revision" (
	"academy_id" uuid NOT NULL,
	"revision_id" uuid NOT NULL,
	"prepared_id" uuid NOT NULL,
	"revision_no" integer NOT NULL,
	"content" jsonb NOT NULL,
	"body_digest" text NOT NULL,
	"changed_by" uuid,
	"changed_at" timestamp with time zone NOT NULL,
	CONSTRAINT "prepared_revision_academy_id_revision_id_pk" PRIMARY KEY("academy_id","revision_id"),
	CONSTRAINT "prepared_revision_once" UNIQUE("academy_id","prepared_id","revision_no"),
	CONSTRAINT "prepared_content" CHECK (jsonb_typeof("prepared_revision"."content") = 'object' and "prepared_revision"."content" ? 'name')
);
--> statement-breakpoint
ALTER TABLE "audit" DROP CONSTRAINT "audit_kind";--> statement-breakpoint
ALTER TABLE "shot" DROP CONSTRAINT "shot_recipe_revision";
--> statement-breakpoint
ALTER TABLE "shot" DROP CONSTRAINT "shot_bar";
--> statement-breakpoint
ALTER TABLE "shot" DROP CONSTRAINT "shot_grinder";
--> statement-breakpoint
ALTER TABLE "shot" DROP CONSTRAINT "shot_bag";
--> statement-breakpoint
ALTER TABLE "shot_revision" DROP CONSTRAINT "shot_dose_vessel";
--> statement-breakpoint
ALTER TABLE "shot_revision" DROP CONSTRAINT "shot_cup_vessel";
--> statement-breakpoint
-- What was prepared so far moves over whole. The owner is held by row security too; it is lifted for the move.
ALTER TABLE "recipe_revision" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "coffee" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "bag" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "bar" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "grinder" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "vessel" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE TEMPORARY TABLE "moved" ON COMMIT DROP AS
  SELECT "academy_id", "recipe_id" AS "prepared_id", 'recipe' AS "kind", NULL::uuid AS "parent_id", "recipe_revision_id" AS "revision_id",
    "revision_no", "created_at" AS "changed_at", jsonb_build_object(
      'name', "name", 'drink', '', 'tastingWords', '', 'note', '',
      'method', jsonb_build_object('doseBy', 'scale', 'basketId', NULL, 'tampBy', 'settled', 'isTwisted', false, 'temperatureC', NULL, 'lowDoseRule', NULL),
      'targets', jsonb_build_object('doseG', "dose_g", 'doseToleranceG', "dose_tolerance_g", 'yieldG', "yield_g", 'yieldToleranceG', "yield_tolerance_g",
        'clock', "clock", 'timeMinS', "time_min_s", 'timeMaxS', "time_max_s", 'firstDropMinS', "first_drop_min_s", 'firstDropMaxS', "first_drop_max_s",
        'tasteTolerance', "taste_tolerance", 'sweetMin', "sweet_min",
        'school', jsonb_build_object('onlyRecorded', '[]'::jsonb, 'volume', NULL, 'tampForce', NULL))) AS "content"
  FROM "recipe_revision"
  UNION ALL SELECT "academy_id", "coffee_id", 'coffee', NULL, "coffee_id", 1, now(), jsonb_build_object(
      'name', "name", 'roaster', "roaster", 'origin', '', 'process', '', 'roastLevel', NULL, 'bagWords', '', 'bagG', NULL, 'bagPrice', NULL,
      'deliveryDays', 4, 'density', NULL,
      'freshness', jsonb_build_object('restDays', "rest_days", 'bestUntilDays', "best_until_days", 'usableUntilDays', "usable_until_days")) FROM "coffee"
  UNION ALL SELECT "academy_id", "bag_id", 'bag', "coffee_id", "bag_id", 1, now(), jsonb_build_object(
      'name', 'Bag of ' || to_char("roasted_on", 'DD Mon YYYY'), 'roastedOn', "roasted_on", 'bestBefore', NULL, 'openedOn', "roasted_on", 'finishedOn', NULL,
      'keptIn', 'hopper', 'frozenOn', NULL, 'thawedOn', NULL, 'bagG', 1000, 'weighed', NULL) FROM "bag"
  UNION ALL SELECT "academy_id", "bar_id", 'bar', NULL, "bar_id", 1, now(), jsonb_build_object('name', "name", 'bench', '[]'::jsonb) FROM "bar"
  UNION ALL SELECT "academy_id", gen_random_uuid(), 'machine', "bar_id", gen_random_uuid(), 1, now(), jsonb_build_object(
      'name', "machine_name", 'kind', 'heat-exchange', 'warmUpMinutes', 25, 'switchedOnAt', NULL, 'temperature', 'controlled', 'gauge', NULL,
      'preinfusion', 'none', 'startBy', 'button', 'stopBy', 'hand', 'hasReleaseValve', true, 'isSelfFilling', false,
      'groups', jsonb_build_array(jsonb_build_object('name', 'Group 1', 'basketId', NULL, 'selector', 'none', 'buttons', '[]'::jsonb))) FROM "bar"
  UNION ALL SELECT "academy_id", "grinder_id", 'grinder', "bar_id", "grinder_id", 1, now(), jsonb_build_object(
      'name', "name", 'minSetting', "min_setting", 'maxSetting', "max_setting", 'settingStep', "setting_step", 'isStepless', false, 'lettersPerNumber', 0,
      'finerIs', "finer_is", 'touchingAt', NULL, 'onlyWhileRunning', false, 'purgeG', 5, 'dosesBy', 'weight', 'innerBurr', NULL,
      'portions', '[]'::jsonb, 'weighIns', '[]'::jsonb, 'lock', NULL) FROM "grinder"
  UNION ALL SELECT "academy_id", "vessel_id", 'vessel', "bar_id", "vessel_id", 1, now(), jsonb_build_object(
      'name', "name", 'kind', "kind", 'spouts', NULL, 'emptyG', "empty_g", 'emptyWithFunnelG', NULL) FROM "vessel";
--> statement-breakpoint
-- Ids of ours are of version 7; those just made here are made to look so.
UPDATE "moved" SET "prepared_id" = overlay("prepared_id"::text PLACING '7' FROM 15 FOR 1)::uuid, "revision_id" = overlay("revision_id"::text PLACING '7' FROM 15 FOR 1)::uuid
  WHERE "kind" = 'machine';
--> statement-breakpoint
INSERT INTO "prepared" ("academy_id", "prepared_id", "kind", "parent_id", "revision_no", "name_key", "search_text")
  SELECT DISTINCT ON ("academy_id", "prepared_id") "academy_id", "prepared_id", "kind", "parent_id", "revision_no",
    lower("content" ->> 'name'), lower(concat_ws(' ', "content" ->> 'name', "content" ->> 'roaster'))
  FROM "moved" ORDER BY "academy_id", "prepared_id", "revision_no" DESC;
--> statement-breakpoint
INSERT INTO "prepared_revision" ("academy_id", "revision_id", "prepared_id", "revision_no", "content", "body_digest", "changed_at")
  SELECT "academy_id", "revision_id", "prepared_id", "revision_no", "content", 'moved', "changed_at" FROM "moved";
--> statement-breakpoint
ALTER TABLE "prepared" ADD CONSTRAINT "prepared_academy_id_academy_academy_id_fk" FOREIGN KEY ("academy_id") REFERENCES "public"."academy"("academy_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prepared" ADD CONSTRAINT "prepared_parent" FOREIGN KEY ("academy_id","parent_id") REFERENCES "public"."prepared"("academy_id","prepared_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prepared_revision" ADD CONSTRAINT "prepared_revision_of" FOREIGN KEY ("academy_id","prepared_id") REFERENCES "public"."prepared"("academy_id","prepared_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prepared_revision" ADD CONSTRAINT "prepared_revision_by" FOREIGN KEY ("academy_id","changed_by") REFERENCES "public"."person"("academy_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "prepared_by_name" ON "prepared" USING btree ("academy_id","kind","name_key","prepared_id");--> statement-breakpoint
CREATE INDEX "prepared_by_parent" ON "prepared" USING btree ("academy_id","parent_id");--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_recipe_revision" FOREIGN KEY ("academy_id","recipe_revision_id") REFERENCES "public"."prepared_revision"("academy_id","revision_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_bar" FOREIGN KEY ("academy_id","bar_id") REFERENCES "public"."prepared"("academy_id","prepared_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_grinder" FOREIGN KEY ("academy_id","grinder_id") REFERENCES "public"."prepared"("academy_id","prepared_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_bag" FOREIGN KEY ("academy_id","bag_id") REFERENCES "public"."prepared"("academy_id","prepared_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_dose_vessel" FOREIGN KEY ("academy_id","dose_vessel_id") REFERENCES "public"."prepared"("academy_id","prepared_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD CONSTRAINT "shot_cup_vessel" FOREIGN KEY ("academy_id","cup_vessel_id") REFERENCES "public"."prepared"("academy_id","prepared_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "shot_of_bag_by_time" ON "shot" USING btree ("academy_id","bag_id","pulled_at");--> statement-breakpoint
CREATE INDEX "shot_of_grinder_by_time" ON "shot" USING btree ("academy_id","grinder_id","pulled_at");--> statement-breakpoint
ALTER TABLE "audit" ADD CONSTRAINT "audit_kind" CHECK ("audit"."kind" in ('academy-made', 'academy-changed', 'shot-recorded', 'shot-corrected', 'prepared-made', 'prepared-changed', 'prepared-archived', 'prepared-restored', 'call-made', 'slip-filled', 'slip-corrected', 'slip-skipped', 'claim-confirmed', 'set-aside-kept', 'set-aside-dropped', 'person-added', 'person-renamed', 'role-changed', 'person-ended', 'person-reopened', 'person-exported', 'person-erased', 'link-made', 'link-used', 'password-changed', 'pin-changed'));
