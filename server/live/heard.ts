import { type LiveNews, reachOf, teaches } from '@calm-apron/contract'
import type { Actor } from '../doors/actor.ts'
import type { PassedOn } from './hub.ts'

/** After these a door may have closed: who follows is asked anew. To ask before each piece of news would be a transaction a reader. */
export const MAY_CLOSE: ReadonlySet<PassedOn['news']['kind']> = new Set(['doors', 'people', 'here'])

/** Whether whoever follows may know of a training. */
export type MaySee = (trainingId: string) => Promise<boolean>

/** Whether a reader hears whatever is said as it is. */
export function hearsAll({ part }: Pick<Actor, 'part'>): boolean {
  return teaches(part)
}

/**
 * A piece of news as this reader hears it; null where it is not for them. Of somebody else's shot a trainee hears how far
 * it has come in a training of theirs, and none of its numbers: they are withheld, as they are everywhere.
 */
export async function asHeardBy(
  actor: Pick<Actor, 'part' | 'personId'>,
  { news, personId: about }: PassedOn,
  maySee: MaySee,
): Promise<LiveNews | null> {
  if (news.kind === 'doors') return null
  if (hearsAll(actor)) return news
  const { part, personId } = actor
  switch (news.kind) {
    case 'here':
    case 'prepared':
    case 'people':
      return news
    case 'training':
      return (await maySee(news.trainingId)) ? news : null
    case 'skill':
      return news.personId === personId ? news : null
    case 'shot':
      return about === personId ? news : null
    case 'stage': {
      if (!(await maySee(news.trainingId))) return null
      const isOpen = reachOf(part, 'see-shots') === 'all' || news.stage.personId === personId
      return isOpen ? news : { ...news, stage: { ...news.stage, pumpS: 0, weightG: null } }
    }
  }
}
