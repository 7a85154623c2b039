ALTER TABLE "shot_revision" ADD COLUMN "dose_wanted_g" numeric;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "yield_wanted_g" numeric;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "taste_wanted" jsonb;--> statement-breakpoint
-- The owner is held by row security too; it is lifted for what is filled in.
ALTER TABLE "shot" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "prepared_revision" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE OR REPLACE FUNCTION pg_temp.as_it_stood(academy uuid, thing uuid, at timestamptz) RETURNS jsonb LANGUAGE sql STABLE AS $$
  SELECT r.content FROM public.prepared_revision r
  WHERE r.academy_id = academy AND r.prepared_id = thing
  ORDER BY (r.changed_at <= at) DESC, CASE WHEN r.changed_at <= at THEN r.revision_no ELSE -r.revision_no END DESC LIMIT 1 $$;--> statement-breakpoint
UPDATE "shot" SET "stood" = jsonb_set("stood", '{grinder,innerBurrAt}',
    coalesce(pg_temp.as_it_stood(academy_id, grinder_id, pulled_at) #> '{innerBurr,at}', 'null'::jsonb))
  WHERE "stood" -> 'grinder' <> 'null'::jsonb;--> statement-breakpoint
UPDATE "shot" SET "stood" = jsonb_set("stood", '{machine,basketId}',
    coalesce(pg_temp.as_it_stood(academy_id, machine_id, pulled_at) #> ARRAY['groups', group_no::text, 'basketId'], 'null'::jsonb))
  WHERE "stood" -> 'machine' <> 'null'::jsonb;--> statement-breakpoint
ALTER TABLE "shot" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "prepared_revision" FORCE ROW LEVEL SECURITY;
