import {
  DEFAULT_PAGE_SIZE,
  ENDPOINTS,
  type RecipeRevision,
  type ShotDetail,
  type ShotRevision,
  type ShotSummary,
} from '@calm-apron/contract'
import { RefusedByServer, ServerUnreachable, call } from '../api/client.ts'
import { useAcademy } from './academy.ts'
import type { UnsentWrite } from './deviceDatabase.ts'
import { useOutbox } from './outbox.ts'

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

type UnsentShot = Extract<UnsentWrite, { kind: 'shot' }>
type UnsentCorrection = Extract<UnsentWrite, { kind: 'correction' }>

function revisionOfShot({ shotId, body }: UnsentShot): ShotRevision {
  return {
    revisionId: shotId,
    revisionNo: 1,
    judgedBy: body.judgedBy,
    isClaimed: false,
    reason: null,
    recordedAt: body.pulledAt,
    receivedAt: body.pulledAt,
    facts: body.facts,
  }
}

function revisionOfCorrection({ revisionId, body }: UnsentCorrection): ShotRevision {
  const { basedOnNo, judgedBy, reason, correctedAt, facts } = body
  return {
    revisionId,
    revisionNo: basedOnNo + 1,
    judgedBy,
    isClaimed: false,
    reason,
    recordedAt: correctedAt,
    receivedAt: correctedAt,
    facts,
  }
}

/** Shots as the server has them, with what this device has not sent yet laid over. */
export function useShots() {
  const academy = useAcademy()
  const outbox = useOutbox()

  function unsentShots(): ListedShot[] {
    return outbox.writes.flatMap((write): ListedShot[] => {
      if (write.kind !== 'shot' || write.refused !== null) return []
      const recipe = academy.recipe(write.body.recipeRevisionId)
      if (recipe === null) return []
      const { facts: _facts, judgedBy: _judgedBy, ...setting } = write.body
      return [
        {
          shot: { shotId: write.shotId, ...setting, current: revisionOfShot(write) },
          recipe,
          isUnsent: true,
        },
      ]
    })
  }

  function withUnsentCorrections(detail: ShotDetail): ShotDetail {
    const unsent = outbox.writes
      .filter(
        (write): write is UnsentCorrection =>
          write.kind === 'correction' && write.shotId === detail.shotId && write.refused === null,
      )
      .map(revisionOfCorrection)
      .filter(({ revisionId }) => !detail.revisions.some((known) => known.revisionId === revisionId))
    const revisions = [...detail.revisions, ...unsent].sort((a, b) => b.revisionNo - a.revisionNo)
    return { ...detail, revisions, current: revisions[0] ?? detail.current }
  }

  /** One shot; null when neither the server nor this device has it. @throws {ServerUnreachable} when only the server could know */
  async function find(shotId: string): Promise<ShotDetail | null> {
    try {
      return withUnsentCorrections(await call(ENDPOINTS.getShot, { params: { shotId } }))
    } catch (error) {
      const here = unsentShots().find(({ shot }) => shot.shotId === shotId)
      if (here)
        return withUnsentCorrections({ ...here.shot, recipe: here.recipe, revisions: [here.shot.current] })
      if (error instanceof RefusedByServer) return null
      throw error
    }
  }

  /** One page of a person's shots, newest first; unsent ones stand before the first page. */
  async function page(personId: string, cursor: string | null, limit = DEFAULT_PAGE_SIZE): Promise<ShotPage> {
    const unsent =
      cursor === null
        ? unsentShots()
            .filter(({ shot }) => shot.personId === personId)
            .reverse()
        : []
    try {
      const list = await call(ENDPOINTS.listShots, {
        query: { personId, limit, ...(cursor !== null && { cursor }) },
      })
      const recipes = new Map(list.recipes.map((recipe) => [recipe.recipeRevisionId, recipe]))
      const sent = list.shots.flatMap((shot): ListedShot[] => {
        const recipe = recipes.get(shot.recipeRevisionId)
        return recipe ? [{ shot, recipe, isUnsent: false }] : []
      })
      const isSent = new Set(sent.map(({ shot }) => shot.shotId))
      return {
        shots: [...unsent.filter(({ shot }) => !isSent.has(shot.shotId)), ...sent],
        nextCursor: list.nextCursor,
        isReached: true,
      }
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
      return { shots: unsent, nextCursor: null, isReached: false }
    }
  }

  return { find, page }
}
