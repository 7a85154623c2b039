import type { LiveNews } from '@calm-apron/contract'
import type { UnsentWrite } from '../device/deviceDatabase.ts'
import { type Subject, subjectOf } from './question.ts'

/** Whether a piece of news makes what was told of a subject stale; `about` is what stands in its key after it. */
type Stale = (news: LiveNews, about: unknown) => boolean

const by =
  (...kinds: readonly LiveNews['kind'][]): Stale =>
  ({ kind }) =>
    kinds.includes(kind)

/** Where the news tells whom it is about, only that. */
const ofShot: Stale = (news, about) =>
  news.kind === 'people' || (news.kind === 'shot' && (typeof about !== 'string' || about === news.shotId))

/** A list of one training's shots is another training's no concern. */
const ofShots: Stale = (news, about) => {
  // Which cause is named, and how readings stood, is worked out after the shot came in, with what its puller can do.
  if (news.kind === 'skill')
    return typeof about === 'object' && about !== null && ('cause' in about || 'reading' in about)
  if (news.kind !== 'shot' || news.trainingId === null) return by('shot', 'people')(news, about)
  const isOfOne = typeof about === 'object' && about !== null && 'trainingId' in about
  return !isOfOne || about.trainingId === news.trainingId
}

/** The one table of what makes what stale; after a gap (`here`) everything is. */
export const STALE_BY: Readonly<Record<Subject, Stale>> = {
  today: by('people', 'prepared', 'shot'),
  trainings: by('training'),
  training: (news, about) => news.kind === 'training' && news.trainingId === about,
  'past-trainings': by('training'),
  shots: ofShots,
  shot: ofShot,
  tasting: ofShot,
  'grind-history': by('shot', 'prepared'),
  prepared: by('prepared'),
  'coffee-use': by('shot', 'prepared'),
  'team-skill': by('people', 'skill'),
  skill: (news, about) => news.kind === 'people' || (news.kind === 'skill' && news.personId === about),
  'sign-offs': by('people', 'skill', 'prepared'),
  assessments: by('skill', 'shot'),
  assessment: by('skill', 'shot'),
  people: by('people'),
  claims: by('shot'),
  'set-aside': by('shot'),
  sessions: () => false,
  worked: by('shot', 'prepared'),
  audit: by('people', 'prepared', 'shot', 'training'),
}

/** What is heavy to tell, and of which a shot changes little, is asked for no oftener than this by shots. */
export const AT_MOST_EVERY_MS: Partial<Record<Subject, number>> = {
  today: 1500,
  'team-skill': 1500,
  audit: 1500,
}

/** @param key as it stands in the cache: whose it is, the subject, what about it */
export function isStaleBy(key: readonly unknown[], news: LiveNews): boolean {
  const subject = subjectOf(key)
  return subject !== undefined && (news.kind === 'here' || STALE_BY[subject](news, key[2]))
}

/** What the others hear of a write of ours, where the line that would tell us does not stand. */
export function newsOfWrite(write: UnsentWrite): LiveNews {
  if (write.kind === 'training-event') return { kind: 'training', trainingId: write.trainingId }
  if (write.kind === 'assessment-event') {
    const { happening } = write.body
    return { kind: 'skill', personId: happening.kind === 'begun' ? happening.setup.personId : '' }
  }
  if (write.kind === 'watch') return { kind: 'shot', shotId: write.body.shotId, trainingId: write.trainingId }
  return {
    kind: 'shot',
    shotId: write.shotId,
    trainingId: write.kind === 'shot' ? write.body.trainingId : null,
  }
}
