-- Every table carries academy_id; a transaction sees only the academy it has named, and none if it named none.
CREATE FUNCTION "current_academy_id"() RETURNS uuid LANGUAGE sql STABLE
  AS $$ SELECT nullif(current_setting('calm_apron.academy_id', true), '')::uuid $$;
--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOR name IN SELECT c.table_name FROM information_schema.columns c
    WHERE c.table_schema = 'public' AND c.column_name = 'academy_id'
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_academy ON %I USING (academy_id = current_academy_id()) WITH CHECK (academy_id = current_academy_id())', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- The one look before an academy is known: its id, if there is just one. The owner alone may see the table for it.
CREATE POLICY owner_looks ON "academy" FOR SELECT TO CURRENT_USER USING (true);
--> statement-breakpoint
CREATE FUNCTION "only_academy_id"() RETURNS uuid LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog
  AS $$ SELECT CASE WHEN count(*) = 1 THEN (array_agg(academy_id))[1] END FROM public.academy $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "only_academy_id"() FROM PUBLIC;
