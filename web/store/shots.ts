import {
  DEFAULT_PAGE_SIZE,
  ENDPOINTS,
  type RecipeRevision,
  type ShotDetail,
  type ShotRevision,
  type ShotSummary,
  type SlipSide,
} from '@calm-apron/contract'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import { useAcademy } from './academy.ts'
import type { UnsentWrite } from './deviceDatabase.ts'
import { useDoor } from './door.ts'
import { asDetail, keepShots, keptShot, keptShotsOf } from './keptShots.ts'
import { useOutbox } from './outbox.ts'
import { useStoodNow } from './stoodNow.ts'

export interface ListedShot {
  shot: ShotSummary
  recipe: RecipeRevision
  isUnsent: boolean
}

export interface ShotPage {
  shots: ListedShot[]
  nextCursor: string | null
  isReached: boolean
}

/** Whose shots, of which grinder, or of which training; any of them left out asks for all. */
export interface ShotsWanted {
  personId?: string
  grinderId?: string
  trainingId?: string
}

/** The reading waits for the call of whoever pulled. */
export class CallFirst extends Error {
  override readonly name = 'CallFirst'
}

type UnsentShot = Extract<UnsentWrite, { kind: 'shot' }>
type UnsentCorrection = Extract<UnsentWrite, { kind: 'correction' }>

function revisionOfShot({ shotId, body }: UnsentShot, isJudgeTeaching: boolean): ShotRevision {
  return {
    revisionId: shotId,
    revisionNo: 1,
    judgedBy: body.judgedBy,
    isClaimed: false,
    isDenied: false,
    isJudgeTeaching,
    reason: null,
    recordedAt: body.pulledAt,
    receivedAt: body.pulledAt,
    facts: body.facts,
    note: body.note,
  }
}

function revisionOfCorrection(
  { revisionId, body }: UnsentCorrection,
  before: ShotRevision,
  isJudgeTeaching: boolean,
): ShotRevision {
  const { basedOnNo, judgedBy, reason, correctedAt, facts, note } = body
  return {
    revisionId,
    revisionNo: basedOnNo + 1,
    judgedBy,
    isClaimed: false,
    isDenied: false,
    isJudgeTeaching,
    reason,
    recordedAt: correctedAt,
    receivedAt: correctedAt,
    facts,
    note: note ?? before.note,
  }
}

/** Shots as the server has them, with what this device has not sent yet laid over. */
export function useShots() {
  const academy = useAcademy()
  const door = useDoor()
  const outbox = useOutbox()
  const { stoodNow, isTeaching } = useStoodNow()

  function unsentShots(): ListedShot[] {
    return outbox.writes.flatMap((write): ListedShot[] => {
      if (write.kind !== 'shot' || write.refused !== null) return []
      const recipe = academy.recipe(write.body.recipeRevisionId)
      if (recipe === null) return []
      const { facts: _facts, judgedBy: _judgedBy, note: _note, ...setting } = write.body
      const shot = {
        shotId: write.shotId,
        ...setting,
        current: revisionOfShot(write, isTeaching(write.body.judgedBy)),
      }
      const stood = stoodNow(write.body)
      const unsent = { ...shot, stood, clockAheadS: null, tasted: NOT_TASTED }
      return [{ shot: withUnsentSlips(unsent), recipe, isUnsent: true }]
    })
  }

  /** What both sides said, where both are in and one of them was not sent yet. */
  function withUnsentSlips<S extends ShotSummary>(shot: S): S {
    const tasted = { ...shot.tasted }
    const said = new Set<SlipSide>()
    for (const write of outbox.writes) {
      if (write.kind !== 'slip' || write.shotId !== shot.shotId) continue
      said.add(write.body.side)
      tasted[write.body.side] = write.body.taste
    }
    const isWhole = said.size === 2 || shot.tasted.trainee !== null || shot.tasted.trainer !== null
    return said.size > 0 && isWhole ? { ...shot, tasted } : shot
  }

  function withUnsent(detail: ShotDetail): ShotDetail {
    const unsent = outbox.writes
      .filter(
        (write): write is UnsentCorrection =>
          write.kind === 'correction' && write.shotId === detail.shotId && write.refused === null,
      )
      .map((write) => revisionOfCorrection(write, detail.current, isTeaching(write.body.judgedBy)))
      .filter(({ revisionId }) => !detail.revisions.some((known) => known.revisionId === revisionId))
    const revisions = [...detail.revisions, ...unsent].sort((a, b) => b.revisionNo - a.revisionNo)
    return withUnsentSlips({ ...detail, revisions, current: revisions[0] ?? detail.current })
  }

  /**
   * One shot; null when neither the server nor this device has it.
   * @throws {CallFirst} to whoever pulled, where their call is asked for
   * @throws {ServerUnreachable} when only the server could know
   */
  async function find(shotId: string): Promise<ShotDetail | null> {
    try {
      const detail = await call(ENDPOINTS.getShot, { params: { shotId } })
      await outbox.keeping(() => keepShots(door.personId, [detail]))
      return withUnsent(detail)
    } catch (error) {
      if (error instanceof RefusedByServer && error.problem.code === 'call-first')
        throw new CallFirst('The call comes first.', { cause: error })
      const here = unsentShots().find(({ shot }) => shot.shotId === shotId)
      if (here) return withUnsent(asDetail(here.shot, here.recipe))
      if (error instanceof RefusedByServer) return null
      const kept = await keptShot(door.personId, shotId)
      if (kept === null) throw error
      return withUnsent(kept)
    }
  }

  /** One page, newest first; unsent ones stand before the first page. */
  async function page(
    wanted: ShotsWanted,
    cursor: string | null,
    limit = DEFAULT_PAGE_SIZE,
  ): Promise<ShotPage> {
    const isWanted = ({ shot }: Pick<ListedShot, 'shot'>) =>
      (wanted.personId === undefined || shot.personId === wanted.personId) &&
      (wanted.grinderId === undefined || shot.grinderId === wanted.grinderId) &&
      (wanted.trainingId === undefined || shot.trainingId === wanted.trainingId)
    const unsent = cursor === null ? unsentShots().filter(isWanted).reverse() : []
    try {
      const list = await call(ENDPOINTS.listShots, {
        query: { ...wanted, limit, ...(cursor !== null && { cursor }) },
      })
      const recipes = new Map(list.recipes.map((recipe) => [recipe.recipeRevisionId, recipe]))
      const told = list.shots.flatMap((shot) => {
        const recipe = recipes.get(shot.recipeRevisionId)
        return recipe ? [{ shot, recipe }] : []
      })
      // As it was told: what waits here is laid over it whenever it is shown.
      await outbox.keeping(() =>
        keepShots(
          door.personId,
          told.map(({ shot, recipe }) => asDetail(shot, recipe)),
        ),
      )
      const sent = told.map(({ shot, recipe }) => ({
        shot: withUnsentSlips(shot),
        recipe,
        isUnsent: false,
      }))
      return { shots: unsentFirst(unsent, sent), nextCursor: list.nextCursor, isReached: true }
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
      const kept = (await keptShotsOf(door.personId)).map((detail): ListedShot => {
        const { recipe, revisions: _revisions, ...shot } = detail
        return { shot: withUnsentSlips(shot), recipe, isUnsent: false }
      })
      const shots = cursor === null ? unsentFirst(unsent, kept.filter(isWanted)) : []
      return { shots, nextCursor: null, isReached: false }
    }
  }

  return { find, page }
}

const NOT_TASTED = { trainee: null, trainer: null }

function unsentFirst(unsent: readonly ListedShot[], sent: readonly ListedShot[]): ListedShot[] {
  const isSent = new Set(sent.map(({ shot }) => shot.shotId))
  return [...unsent.filter(({ shot }) => !isSent.has(shot.shotId)), ...sent]
}
