-- Names and reasons move to where they can be blanked. The owner is held by row security too; it is lifted for the move.
ALTER TABLE "person" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "shot" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "shot_revision" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
INSERT INTO "person_name" ("academy_id", "person_id", "display_name") SELECT "academy_id", "person_id", "display_name" FROM "person";
--> statement-breakpoint
UPDATE "shot_revision" SET "reason_text_id" = gen_random_uuid() WHERE "reason" IS NOT NULL;
--> statement-breakpoint
INSERT INTO "free_text" ("academy_id", "text_id", "about_id", "content")
  SELECT r."academy_id", r."reason_text_id", s."person_id", r."reason" FROM "shot_revision" r
  JOIN "shot" s ON s."academy_id" = r."academy_id" AND s."shot_id" = r."shot_id" WHERE r."reason_text_id" IS NOT NULL;
--> statement-breakpoint
ALTER TABLE "person" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "shot" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "shot_revision" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
-- Every table that carries academy_id and has no row security yet gets it; run again by each migration that adds some.
CREATE FUNCTION "keep_academies_apart"() RETURNS void LANGUAGE plpgsql AS $$
DECLARE name text;
BEGIN
  FOR name IN
    SELECT c.relname FROM pg_class c
    WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r' AND NOT c.relrowsecurity
      AND EXISTS (SELECT FROM pg_attribute a WHERE a.attrelid = c.oid AND a.attname = 'academy_id')
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_academy ON %I USING (academy_id = current_academy_id()) WITH CHECK (academy_id = current_academy_id())', name);
  END LOOP;
  -- A backup reads everything, and says so; nothing else does.
  FOR name IN
    SELECT c.relname FROM pg_class c
    WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r' AND c.relrowsecurity
      AND NOT EXISTS (SELECT FROM pg_policy p WHERE p.polrelid = c.oid AND p.polname = 'owner_backs_up')
  LOOP
    EXECUTE format('CREATE POLICY owner_backs_up ON %I FOR SELECT TO CURRENT_USER USING (current_setting(''calm_apron.backup'', true) = ''yes'')', name);
  END LOOP;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "keep_academies_apart"() FROM PUBLIC;
--> statement-breakpoint
SELECT "keep_academies_apart"();
--> statement-breakpoint
DROP FUNCTION "only_academy_id"();
--> statement-breakpoint
-- The one look before an academy is known: whose door a secret's hash, or a sign-in name, belongs to. It tells the
-- academy and nothing else; whether the door opens is then asked inside that academy.
CREATE POLICY owner_looks ON "session" FOR SELECT TO CURRENT_USER USING (true);
--> statement-breakpoint
CREATE POLICY owner_looks ON "account" FOR SELECT TO CURRENT_USER USING (true);
--> statement-breakpoint
CREATE POLICY owner_looks ON "invitation" FOR SELECT TO CURRENT_USER USING (true);
--> statement-breakpoint
CREATE POLICY owner_looks ON "remembered_sign_in" FOR SELECT TO CURRENT_USER USING (true);
--> statement-breakpoint
CREATE FUNCTION "academy_behind"("door" text, "door_key" text) RETURNS uuid
  LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
  SELECT CASE door
    WHEN 'session' THEN (SELECT academy_id FROM public.session WHERE token_hash = door_key)
    WHEN 'sign-in' THEN (SELECT academy_id FROM public.account WHERE sign_in_name = door_key)
    WHEN 'invitation' THEN (SELECT academy_id FROM public.invitation WHERE token_hash = door_key)
    WHEN 'device' THEN (SELECT academy_id FROM public.remembered_sign_in WHERE device_hash = door_key ORDER BY full_at DESC LIMIT 1)
    WHEN 'demo' THEN (SELECT academy_id FROM public.academy WHERE is_demo ORDER BY created_at LIMIT 1)
  END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "academy_behind"(text, text) FROM PUBLIC;
--> statement-breakpoint
-- Whether an academy of someone's own, not the made-up one, is here.
CREATE FUNCTION "is_set_up"() RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog
  AS $$ SELECT EXISTS (SELECT FROM public.academy WHERE NOT is_demo) $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "is_set_up"() FROM PUBLIC;
--> statement-breakpoint
-- Whether a sign-in name is taken anywhere, for whoever holds a valid invitation.
CREATE FUNCTION "is_sign_in_name_taken"("name" text) RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog
  AS $$ SELECT EXISTS (SELECT FROM public.account WHERE sign_in_name = name) $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "is_sign_in_name_taken"(text) FROM PUBLIC;
--> statement-breakpoint
-- The only way in which anything that was written is ever blanked. Row security holds here too: only the academy that
-- the transaction has named is reached. Doing it twice is doing it once, so that a restore can do it again.
CREATE FUNCTION "erase_person"("erased" uuid, "at" timestamptz) RETURNS void
  LANGUAGE sql SECURITY DEFINER SET search_path = pg_catalog AS $$
  UPDATE public.person SET erased_at = coalesce(erased_at, at), ended_at = coalesce(ended_at, at), revision_no = revision_no + (erased_at IS NULL)::int
    WHERE academy_id = public.current_academy_id() AND person_id = erased;
  UPDATE public.person_name SET display_name = '', blanked_at = at
    WHERE academy_id = public.current_academy_id() AND person_id = erased AND blanked_at IS NULL;
  UPDATE public.free_text SET content = '', blanked_at = at
    WHERE academy_id = public.current_academy_id() AND erased IN (about_id, written_by) AND blanked_at IS NULL;
  DELETE FROM public.session WHERE academy_id = public.current_academy_id() AND person_id = erased;
  DELETE FROM public.remembered_sign_in WHERE academy_id = public.current_academy_id() AND person_id = erased;
  DELETE FROM public.invitation WHERE academy_id = public.current_academy_id() AND person_id = erased;
  DELETE FROM public.account WHERE academy_id = public.current_academy_id() AND person_id = erased;
  DELETE FROM public.set_aside WHERE academy_id = public.current_academy_id()
    AND (judged_by = erased OR write #>> '{body,personId}' = erased::text);
  $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "erase_person"(uuid, timestamptz) FROM PUBLIC;
