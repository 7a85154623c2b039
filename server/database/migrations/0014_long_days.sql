ALTER TABLE "prepared" ADD COLUMN "over_on" date;--> statement-breakpoint
CREATE INDEX "prepared_in_use" ON "prepared" USING btree ("academy_id","kind") WHERE "prepared"."over_on" is null;--> statement-breakpoint
CREATE INDEX "prepared_by_end" ON "prepared" USING btree ("academy_id","over_on") WHERE "prepared"."over_on" is not null;--> statement-breakpoint
CREATE INDEX "prepared_revision_by_time" ON "prepared_revision" USING btree ("academy_id","changed_at");--> statement-breakpoint
-- The owner is held by row security too; it is lifted for what is filled in.
ALTER TABLE "prepared" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "prepared_revision" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
UPDATE "prepared" p SET "over_on" = (r."content" ->> 'finishedOn')::date FROM "prepared_revision" r
  WHERE p."kind" = 'bag' AND r."academy_id" = p."academy_id" AND r."prepared_id" = p."prepared_id" AND r."revision_no" = p."revision_no";--> statement-breakpoint
ALTER TABLE "prepared" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "prepared_revision" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
-- The same look as before, in a language that keeps its plans: it is made by every request.
CREATE OR REPLACE FUNCTION "academy_behind"("door" text, "door_key" text) RETURNS uuid
  LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  CASE door
    WHEN 'session' THEN RETURN (SELECT academy_id FROM public.session WHERE token_hash = door_key);
    WHEN 'sign-in' THEN RETURN (SELECT academy_id FROM public.account WHERE sign_in_name = door_key);
    WHEN 'invitation' THEN RETURN (SELECT academy_id FROM public.invitation WHERE token_hash = door_key);
    WHEN 'device' THEN RETURN (SELECT academy_id FROM public.remembered_sign_in WHERE device_hash = door_key ORDER BY full_at DESC LIMIT 1);
    WHEN 'demo' THEN RETURN (SELECT academy_id FROM public.academy WHERE is_demo ORDER BY created_at LIMIT 1);
    ELSE RETURN NULL;
  END CASE;
END $$;
--> statement-breakpoint
-- Names the academy of a session for this transaction, and tells whose the session is and how it stands, in one look.
CREATE FUNCTION "come_in"("digest" text) RETURNS TABLE (
    academy_id uuid, session_id uuid, person_id uuid, role text, person_ended_at timestamptz, device_hash text,
    last_used_at timestamptz, ends_at timestamptz, handed_person_id uuid, handed_shot_id uuid)
  LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  PERFORM set_config('calm_apron.academy_id',
    coalesce((SELECT s.academy_id FROM public.session s WHERE s.token_hash = digest), '00000000-0000-0000-0000-000000000000')::text, true);
  RETURN QUERY SELECT s.academy_id, s.session_id, s.person_id, p.role, p.ended_at, s.device_hash, s.last_used_at, s.ends_at,
      s.handed_person_id, s.handed_shot_id
    FROM public.session s JOIN public.person p ON p.academy_id = s.academy_id AND p.person_id = s.person_id
    WHERE s.academy_id = public.current_academy_id() AND s.token_hash = digest;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "come_in"(text) FROM PUBLIC;
