ALTER TABLE "shot" DROP CONSTRAINT "shot_purpose";--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "fault_shown" text;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "is_simulated" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "shot" ADD COLUMN "stood" jsonb;--> statement-breakpoint
-- The owner is held by row security too; it is lifted for what is filled in.
ALTER TABLE "shot" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "shot_revision" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "prepared" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "prepared_revision" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "person" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "academy" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE FUNCTION pg_temp.as_it_stood(academy uuid, thing uuid, at timestamptz) RETURNS jsonb LANGUAGE sql STABLE AS $$
  SELECT r.content || jsonb_build_object('parentId', p.parent_id)
  FROM public.prepared p JOIN public.prepared_revision r ON r.academy_id = p.academy_id AND r.prepared_id = p.prepared_id
  WHERE p.academy_id = academy AND p.prepared_id = thing
  ORDER BY (r.changed_at <= at) DESC, CASE WHEN r.changed_at <= at THEN r.revision_no ELSE -r.revision_no END DESC LIMIT 1 $$;--> statement-breakpoint
UPDATE "shot" SET "stood" = jsonb_build_object(
    'pulledOn', to_char(s.pulled_at AT TIME ZONE a.time_zone, 'YYYY-MM-DD'),
    'isPullerTeaching', who.role <> 'trainee',
    'coffee', CASE WHEN coffee.c IS NULL THEN NULL ELSE jsonb_build_object(
      'roastedOn', bag.c -> 'roastedOn',
      'frozen', CASE WHEN bag.c ->> 'frozenOn' IS NULL THEN NULL
        ELSE jsonb_build_object('frozenOn', bag.c -> 'frozenOn', 'thawedOn', bag.c -> 'thawedOn') END,
      'freshness', coffee.c -> 'freshness',
      'isRoastDark', CASE WHEN coffee.c ->> 'roastLevel' IS NULL THEN NULL ELSE to_jsonb(coffee.c ->> 'roastLevel' = 'dark') END) END,
    'machine', CASE WHEN machine.c IS NULL THEN NULL ELSE jsonb_build_object(
      'isLever', machine.c ->> 'kind' = 'lever', 'hasReleaseValve', machine.c -> 'hasReleaseValve',
      'switchedOnAt', machine.c -> 'switchedOnAt', 'warmUpMinutes', machine.c -> 'warmUpMinutes',
      'basketNominalG', basket.c -> 'nominalG') END,
    'grinder', CASE WHEN grinder.c IS NULL THEN NULL ELSE jsonb_build_object(
      'settingStep', grinder.c -> 'settingStep', 'finerIs', grinder.c -> 'finerIs') END)
  FROM "shot" s
  JOIN "academy" a ON a.academy_id = s.academy_id
  JOIN "person" who ON who.academy_id = s.academy_id AND who.person_id = s.person_id
  LEFT JOIN LATERAL (SELECT pg_temp.as_it_stood(s.academy_id, s.bag_id, s.pulled_at) AS c) bag ON true
  LEFT JOIN LATERAL (SELECT pg_temp.as_it_stood(s.academy_id, (bag.c ->> 'parentId')::uuid, s.pulled_at) AS c) coffee ON true
  LEFT JOIN LATERAL (SELECT pg_temp.as_it_stood(s.academy_id, s.machine_id, s.pulled_at) AS c) machine ON true
  LEFT JOIN LATERAL (SELECT pg_temp.as_it_stood(s.academy_id, (machine.c #>> ARRAY['groups', s.group_no::text, 'basketId'])::uuid, s.pulled_at) AS c) basket ON true
  LEFT JOIN LATERAL (SELECT pg_temp.as_it_stood(s.academy_id, s.grinder_id, s.pulled_at) AS c) grinder ON true
  WHERE s.academy_id = "shot"."academy_id" AND s.shot_id = "shot"."shot_id";--> statement-breakpoint
ALTER TABLE "shot" ALTER COLUMN "stood" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "shot_revision" ADD COLUMN "is_judge_teaching" boolean DEFAULT true NOT NULL;--> statement-breakpoint
UPDATE "shot_revision" SET "is_judge_teaching" = who.role <> 'trainee' FROM "person" who
  WHERE who.academy_id = "shot_revision".academy_id AND who.person_id = "shot_revision".judged_by;--> statement-breakpoint
ALTER TABLE "shot" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "shot_revision" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "prepared" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "prepared_revision" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "person" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "academy" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_fault_shown" CHECK ("shot"."fault_shown" in ('grind-too-coarse', 'grind-too-fine', 'dose-low', 'dose-high', 'tamp-tilted', 'tamp-light', 'poor-distribution', 'basket-wet', 'not-purged', 'cold', 'stopped-early', 'stopped-late'));--> statement-breakpoint
ALTER TABLE "shot" ADD CONSTRAINT "shot_purpose" CHECK ("shot"."purpose" in ('practice', 'assessment', 'reference', 'dial-in', 'demonstration', 'deliberate-fault', 'sink', 'equipment-failure', 'comparison', 'experiment'));