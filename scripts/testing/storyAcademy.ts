import type pg from 'pg'

/** Doors that are open to one browser alone; what is copied begins with all of them shut. */
const LEFT_BEHIND = ['session', 'invitation', 'remembered_sign_in']

/**
 * Copies all that one academy holds under another academy's id, so that each story changes an academy of its own and
 * none needs a server of its own. Only a superuser may: row security and the order of foreign keys are passed by.
 * @param tag comes before each sign-in name, which is one person's in the whole database
 */
export async function copyAcademy(
  superuser: pg.Client,
  { from, to, tag }: { from: string; to: string; tag: string },
): Promise<void> {
  const { rows: tables } = await superuser.query<{ name: string; columns: string; values: string }>(
    `SELECT quote_ident(c.relname) AS name,
       string_agg(quote_ident(a.attname), ', ' ORDER BY a.attnum) AS columns,
       string_agg(CASE a.attname WHEN 'academy_id' THEN '$2' WHEN 'is_demo' THEN 'false' WHEN 'claimed_until' THEN 'NULL'
         WHEN 'sign_in_name' THEN quote_literal($1::text) || ' || sign_in_name'
         ELSE quote_ident(a.attname) END, ', ' ORDER BY a.attnum) AS values
     FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped AND a.attgenerated = ''
     WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r' AND NOT c.relname = ANY ($2)
     GROUP BY c.relname HAVING bool_or(a.attname = 'academy_id')`,
    [tag, LEFT_BEHIND],
  )
  await superuser.query('BEGIN')
  await superuser.query('SET LOCAL session_replication_role = replica')
  for (const { name, columns, values } of tables)
    await superuser.query(
      `INSERT INTO public.${name} (${columns}) SELECT ${values} FROM public.${name} WHERE academy_id = $1`,
      [from, to],
    )
  await superuser.query('COMMIT')
}

/** Takes away every password of an academy, so that a made-up one is come in by a tap again. */
export async function forgetAccounts(superuser: pg.Client, academyId: string): Promise<void> {
  await superuser.query('DELETE FROM account WHERE academy_id = $1', [academyId])
}
