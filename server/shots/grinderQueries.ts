import { sql } from 'drizzle-orm'
import { literally } from '../database/literally.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { isWithheldYet } from './awaitsCall.ts'

/** Which of a grinder’s shots of late tell something of it. */
interface OnGrinder {
  /** The newest so many of each coffee’s dial-ins, and of its other shots. */
  ofEach: number
  most: number
  exceptTrainingId: string | null
  before: string | null
  /** None whose call is waited for. */
  isOpenOnly: boolean
}

const LATE_DAYS = 180
/** So many of a grinder’s newest shots are looked through; its dial-ins are found by an index of their own. */
const LOOKED_AT = 2000

/** The newest first; none that was simulated, made wrong on purpose, or pulled with something broken. */
export async function newestOnGrinder(
  transaction: AcademyTransaction,
  grinderId: string,
  { ofEach, most, exceptTrainingId, before, isOpenOnly }: OnGrinder,
): Promise<string[]> {
  const isWanted = sql`shot.grinder_id = ${grinderId} and not shot.is_simulated
    and shot.pulled_at > coalesce(${before}::timestamptz, now()) - make_interval(days => ${LATE_DAYS})
    and (${before}::timestamptz is null or shot.pulled_at < ${before}::timestamptz)
    and (${exceptTrainingId}::uuid is null or shot.training_id is distinct from ${exceptTrainingId}::uuid)
    and (not ${isOpenOnly} or not ${isWithheldYet})`
  const columns = sql`shot.academy_id, shot.shot_id, shot.bag_id, shot.pulled_at, shot.purpose`
  const { rows } = await transaction.execute<{ shot_id: string }>(sql`
    with of_late as (
      (select ${columns} from shot
        where ${isWanted} and shot.purpose not in ('deliberate-fault', 'sink', 'equipment-failure')
        order by shot.pulled_at desc limit ${literally(LOOKED_AT)})
      union
      (select ${columns} from shot where ${isWanted} and shot.purpose in ('dial-in', 'experiment')
        order by shot.pulled_at desc limit ${literally(most)})
    )
    select shot_id from (
      select of_late.shot_id, of_late.pulled_at, row_number() over (
        partition by bag.parent_id, of_late.purpose in ('dial-in', 'experiment') order by of_late.pulled_at desc) as no
      from of_late join prepared bag on bag.academy_id = of_late.academy_id and bag.prepared_id = of_late.bag_id
    ) of_each where no <= ${ofEach} order by pulled_at desc limit ${literally(most)}`)
  return rows.map((row) => row.shot_id)
}
