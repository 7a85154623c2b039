import {
  type AuditEntry,
  type AuditKind,
  DEFAULT_PAGE_SIZE,
  ENDPOINTS,
  type Endpoint,
  type PastTrainings,
  type RecipeRevision,
  type ShotDetail,
  type ShotSummary,
  type Training,
} from '@calm-apron/contract'
import { call } from '../api/client.ts'
import {
  type ShotsWanted,
  asDetail,
  forgetShot,
  isToldHere,
  keepShots,
  keptShot,
  keptShotsOf,
} from '../device/keptShots.ts'
import { inPages } from './inPages.ts'
import { keptAnswer } from './keptAnswer.ts'
import type { AnswerOf, KeptAs, Question } from './question.ts'
import { askToday, todayAskedAtMs } from './todayAhead.ts'

type Key = Question<unknown>['key']

/** An answer that the device keeps as it was told, under its key or a shorter one. */
function keptAsTold<E extends Endpoint>(
  endpoint: E,
  key: Key,
  ask: () => Promise<AnswerOf<E>>,
  keptKey: Key = key,
): Question<AnswerOf<E>> {
  return { key, ask, kept: keptAnswer<E>(keptKey, endpoint) }
}

/** The academy as whoever is here may know it. */
export const todayAsked = () => ({
  ...keptAsTold(ENDPOINTS.today, ['today'], askToday),
  askedAtMs: todayAskedAtMs,
})

/** The trainings that are on. */
export const trainingsAsked = () =>
  keptAsTold(ENDPOINTS.listTrainings, ['trainings'], async () => call(ENDPOINTS.listTrainings))

export const trainingAsked = (trainingId: string) =>
  keptAsTold(ENDPOINTS.getTraining, ['training', trainingId], async () =>
    call(ENDPOINTS.getTraining, { params: { trainingId } }),
  )

/** What was said of a shot. */
export const tastingAsked = (shotId: string) =>
  keptAsTold(ENDPOINTS.getTasting, ['tasting', shotId], async () =>
    call(ENDPOINTS.getTasting, { params: { shotId } }),
  )

/** What everyone can do, in brief. */
export const teamSkillAsked = () =>
  keptAsTold(ENDPOINTS.listSkill, ['team-skill'], async () => call(ENDPOINTS.listSkill))

/** What one person can do. */
export const skillAsked = (personId: string) =>
  keptAsTold(ENDPOINTS.getSkill, ['skill', personId], async () =>
    call(ENDPOINTS.getSkill, { params: { personId } }),
  )

/** How somebody stands in each programme. */
export const signOffsAsked = (personId: string) =>
  keptAsTold(ENDPOINTS.getSignOffs, ['sign-offs', personId], async () =>
    call(ENDPOINTS.getSignOffs, { params: { personId } }),
  )

/** Assessments that are on, or wait for somebody. */
export const assessmentsAsked = () =>
  keptAsTold(ENDPOINTS.listAssessments, ['assessments'], async () => call(ENDPOINTS.listAssessments))

export const assessmentAsked = (assessmentId: string) =>
  keptAsTold(ENDPOINTS.getAssessment, ['assessment', assessmentId], async () =>
    call(ENDPOINTS.getAssessment, { params: { assessmentId } }),
  )

/** Who is in the academy, with what a head knows of them: kept on no device. */
export const peopleAsked = (): Question<AnswerOf<typeof ENDPOINTS.listPeople>> => ({
  key: ['people'],
  ask: async () => call(ENDPOINTS.listPeople),
})

/** What was entered in the name of whoever is here while another was signed in. */
export const claimsAsked = (): Question<AnswerOf<typeof ENDPOINTS.listClaims>> => ({
  key: ['claims'],
  ask: async () => call(ENDPOINTS.listClaims),
})

/** Records of accounts that are ended, kept aside until somebody decides. */
export const setAsideAsked = (): Question<AnswerOf<typeof ENDPOINTS.listSetAside>> => ({
  key: ['set-aside'],
  ask: async () => call(ENDPOINTS.listSetAside),
})

/** Where whoever is here is signed in. */
export const sessionsAsked = (): Question<AnswerOf<typeof ENDPOINTS.listSessions>> => ({
  key: ['sessions'],
  ask: async () => call(ENDPOINTS.listSessions),
})

/** Which traces; what is left out is no condition. */
export interface TracesWanted {
  actorId?: string
  personId?: string
  kind?: AuditKind
  from?: string
  until?: string
}

/** The trail, newest first, as many pages as were asked for. */
export function tracesAsked(
  wanted: TracesWanted,
  pages: number,
): Question<{ entries: AuditEntry[]; hasMore: boolean }> {
  return {
    key: ['audit', { ...wanted }],
    ask: async () => {
      const told = await inPages(
        async (cursor) =>
          call(ENDPOINTS.listAudit, { query: { ...wanted, ...(cursor !== null && { cursor }) } }),
        pages,
      )
      return { entries: told.pages.flatMap(({ entries }) => entries), hasMore: told.hasMore }
    },
  }
}

/** Trainings that are over, newest first, as many pages as were asked for. */
export function pastTrainingsAsked(
  pages: number,
): Question<{ trainings: Training[]; turns: PastTrainings['turns']; hasMore: boolean }> {
  return {
    key: ['past-trainings'],
    ask: async () => {
      const told = await inPages(
        async (cursor) =>
          call(ENDPOINTS.listPastTrainings, { query: { ...(cursor !== null && { cursor }) } }),
        pages,
      )
      return {
        trainings: told.pages.flatMap(({ trainings }) => trainings),
        turns: told.pages.flatMap(({ turns }) => turns),
        hasMore: told.hasMore,
      }
    },
  }
}

/** Of which grinder, under which recipe; without the shots of a training whose page has them, or up to a shot that is read. */
export interface HistoryWanted {
  grinderId: string
  recipeRevisionId: string
  exceptTrainingId?: string
  before?: string
}

/** What a grinder did of late. What was known a shot ago is near enough for when the server can't be asked. */
export function grindHistoryAsked({ grinderId, ...query }: HistoryWanted) {
  const about = [grinderId, query.recipeRevisionId, query.exceptTrainingId ?? '']
  return keptAsTold(
    ENDPOINTS.grindHistory,
    ['grind-history', ...about, query.before ?? ''],
    async () => call(ENDPOINTS.grindHistory, { params: { preparedId: grinderId }, query }),
    ['grind-history', ...about],
  )
}

export function shotAsked(shotId: string): Question<ShotDetail> {
  return {
    key: ['shot', shotId],
    ask: async () => call(ENDPOINTS.getShot, { params: { shotId } }),
    kept: {
      async read(viewerId) {
        const kept = await keptShot(viewerId, shotId)
        return kept && { value: kept.detail, askedAtMs: kept.askedAtMs }
      },
      keep: async (viewerId, { value, askedAtMs }) => keepShots(viewerId, [value], askedAtMs),
      forget: async (viewerId) => forgetShot(viewerId, shotId),
    },
  }
}

/** A shot as it was told in a list, with the recipe it is judged by. */
export interface ToldShot {
  shot: ShotSummary
  recipe: RecipeRevision
}

/** The newest shots of those that are wanted, as many pages as were asked for. */
export interface ToldShots {
  shots: ToldShot[]
  hasMore: boolean
  /** Whether some are still being worked out, so that there may be more. */
  isBehind: boolean
}

/** @param pages how many pages to ask for, one after the other */
export function shotsAsked(wanted: ShotsWanted, limit = DEFAULT_PAGE_SIZE, pages = 1): Question<ToldShots> {
  return {
    key: ['shots', { ...wanted }, limit],
    ask: async () => {
      const told = await inPages(
        async (cursor) =>
          call(ENDPOINTS.listShots, { query: { ...wanted, limit, ...(cursor !== null && { cursor }) } }),
        pages,
      )
      return {
        shots: told.pages.flatMap(({ shots, recipes }) => withRecipes(shots, recipes)),
        hasMore: told.hasMore,
        isBehind: told.pages.some(({ isBehind }) => isBehind),
      }
    },
    ...(isToldHere(wanted) && { kept: keptList(wanted, limit) }),
  }
}

function withRecipes(shots: readonly ShotSummary[], recipes: readonly RecipeRevision[]): ToldShot[] {
  const byId = new Map(recipes.map((recipe) => [recipe.recipeRevisionId, recipe]))
  return shots.flatMap((shot) => {
    const recipe = byId.get(shot.recipeRevisionId)
    return recipe ? [{ shot, recipe }] : []
  })
}

/** A list is kept shot by shot, so that each is in every list that it belongs to. */
function keptList(wanted: ShotsWanted, limit: number): KeptAs<ToldShots> {
  return {
    async read(viewerId) {
      const kept = await keptShotsOf(viewerId, wanted, limit)
      if (kept.length === 0) return null
      const shots = kept.map(({ detail: { recipe, revisions: _revisions, ...shot } }) => ({ shot, recipe }))
      return {
        value: { shots, hasMore: false, isBehind: false },
        askedAtMs: Math.min(...kept.map((each) => each.askedAtMs)),
      }
    },
    async keep(viewerId, { value, askedAtMs }) {
      const details = value.shots.map(({ shot, recipe }) => asDetail(shot, recipe))
      await keepShots(viewerId, details, askedAtMs)
    },
    // Each shot of it may be another's too.
    forget: async () => Promise.resolve(),
  }
}
