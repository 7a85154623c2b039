import type { RecipeRevision, ShotDetail, ShotSummary } from '@calm-apron/contract'
import { DEFAULT_PAGE_SIZE } from '@calm-apron/contract'
import { type ComputedRef, computed, ref, watch } from 'vue'
import { useAcademy } from '../academy/academy.ts'
import type { UnsentWrite } from '../device/deviceDatabase.ts'
import { type ShotsWanted, asDetail, isWanted } from '../device/keptShots.ts'
import { useDoor } from '../door/door.ts'
import { useOutbox } from '../outbox/outbox.ts'
import { useStoodNow } from '../academy/stoodNow.ts'
import { isSealedHere, rowOver, shotHere, shotOver } from './laidOver.ts'
import { shotAsked, shotsAsked } from './questions.ts'
import { useAnswer } from './useAnswer.ts'

export interface ListedShot {
  shot: ShotSummary
  recipe: RecipeRevision
  isUnsent: boolean
}

type ShotWrite = Extract<UnsentWrite, { kind: 'shot' }>

/** What a shot's page finds; `call-first`: the reading waits for the call of whoever pulled. */
export type ShotState = 'looking' | 'here' | 'not-there' | 'away' | 'call-first'

export interface FoundShot {
  shot: ComputedRef<ShotDetail | null>
  state: ComputedRef<ShotState>
}

/** One shot: as this device knows it at once, its own unsent ones too, and as the server says after it. */
export function useShot(shotId: () => string): FoundShot {
  const academy = useAcademy()
  const door = useDoor()
  const outbox = useOutbox()
  const known = useStoodNow()

  /** One that the server refused, too: it is here, and waits to be mended. */
  const write = computed(() =>
    [...outbox.since(0), ...outbox.refused].find(
      (each): each is ShotWrite => each.kind === 'shot' && each.shotId === shotId() && isSeen(each),
    ),
  )
  /** What others recorded on this device is for whoever may see it. */
  const isSeen = ({ body }: ShotWrite) => door.may('see-shots', body.personId === door.personId)
  /** What was not sent yet nobody else knows of; where it was refused there may be another under its id, which stands. */
  const isUnsent = computed(
    () => write.value !== undefined && write.value.sentAtMs === undefined && write.value.refused === null,
  )
  const answer = useAnswer(() => (shotId() === '' || isUnsent.value ? null : shotAsked(shotId())))
  const recordedHere = computed<ShotDetail | null>(() => {
    const recipe = academy.recipe(write.value?.body.recipeRevisionId ?? '')
    if (write.value === undefined || recipe === null) return null
    return asDetail(shotHere(write.value, outbox.since(0), known), recipe)
  })
  /** To whoever pulled; the screen keeps the seal as the server does. */
  const isCallFirst = computed(() => {
    if (answer.refusal.value !== null) return answer.refusal.value.code === 'call-first'
    const isOnlyHere = answer.value.value === null && write.value !== undefined
    return isOnlyHere && !door.isStaff && isSealedHere(write.value, outbox.since(0))
  })
  const shot = computed(() => {
    const found = answer.value.value ?? recordedHere.value
    if (found === null || isCallFirst.value) return null
    return shotOver(found, outbox.since(answer.askedAtMs.value), known)
  })
  const state = computed<ShotState>(() => {
    if (isCallFirst.value) return 'call-first'
    if (shot.value !== null) return 'here'
    if (answer.state.value === 'refused') return 'not-there'
    return answer.state.value === 'away' ? 'away' : 'looking'
  })
  return { shot, state }
}

export interface ShotList {
  /** Newest first. */
  shots: ComputedRef<ListedShot[]>
  /** Whether anything is known: before it, that there are none is not said. */
  isKnown: ComputedRef<boolean>
  /** Whether it is as the server says, and not as this device last heard. */
  isReached: ComputedRef<boolean>
  hasMore: ComputedRef<boolean>
  /** Whether some are still being worked out, so that there may be more. */
  isBehind: ComputedRef<boolean>
  loadMore: () => Promise<void>
  load: () => Promise<void>
}

/** The newest shots of those that are wanted, with those of this device; null asks for none. */
export function useShotList(wanted: () => ShotsWanted | null, limit = DEFAULT_PAGE_SIZE): ShotList {
  const academy = useAcademy()
  const door = useDoor()
  const outbox = useOutbox()
  const known = useStoodNow()
  const pages = ref(1)
  const answer = useAnswer(() => {
    const asked = wanted()
    return asked === null ? null : shotsAsked(asked, limit, pages.value)
  })
  watch(
    () => JSON.stringify(wanted()),
    () => (pages.value = 1),
  )

  const shots = computed<ListedShot[]>(() => {
    const asked = wanted()
    if (asked === null || answer.refusal.value !== null) return []
    const since = outbox.since(answer.askedAtMs.value)
    const told = (answer.value.value?.shots ?? []).map(({ shot, recipe }): ListedShot => ({
      shot: rowOver(shot, since, known),
      recipe,
      isUnsent: false,
    }))
    const isTold = new Set(told.map(({ shot }) => shot.shotId))
    const here = since.flatMap((write): ListedShot[] => {
      if (write.kind !== 'shot' || isTold.has(write.shotId)) return []
      // What others recorded on this device is for whoever may see it, and what waits for its call for nobody who pulled.
      if (!door.may('see-shots', write.body.personId === door.personId)) return []
      if (!door.isStaff && isSealedHere(write, since)) return []
      const recipe = academy.recipe(write.body.recipeRevisionId)
      const shot = shotHere(write, since, known)
      if (recipe === null || !isWanted(shot, asked)) return []
      return [{ shot: rowOver(shot, since, known), recipe, isUnsent: write.sentAtMs === undefined }]
    })
    return [...here.reverse(), ...told]
  })

  async function loadMore(): Promise<void> {
    pages.value += 1
    await answer.load()
  }

  return {
    shots,
    isKnown: computed(() => answer.state.value !== 'looking'),
    isReached: computed(() => answer.state.value === 'here'),
    hasMore: computed(() => answer.value.value?.hasMore ?? false),
    isBehind: computed(() => answer.value.value?.isBehind ?? false),
    loadMore,
    load: answer.load,
  }
}
