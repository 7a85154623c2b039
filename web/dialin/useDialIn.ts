import type { TodayGrinder } from '@calm-apron/contract'
import { type DialInGrinder, type DialInWish, type GrindShot, adviseGrind, grindFit } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import { readListed } from '../reading/readListed.ts'
import { useAcademy } from '../store/academy.ts'
import { useDoor } from '../store/door.ts'
import { useOutbox } from '../store/outbox.ts'
import { type ListedShot, useShots } from '../store/shots.ts'
import { useTrainings } from '../training/trainings.ts'
import { useTraining } from '../training/useTraining.ts'

/** So much of a grinder's history is looked at. */
const HISTORY_SHOTS = 80
const MS_PER_DAY = 86_400_000
/** A basket takes so much more or less than a dose to reach between two settings. */
const NUDGE_G = 0.3

/** A grinder as dialling in sees it. */
export function dialInGrinder(grinder: TodayGrinder): DialInGrinder {
  const { minSetting, maxSetting, settingStep, finerIs, innerBurr, purgeG, touchingAt } = grinder
  return { minSetting, maxSetting, settingStep, finerIs, innerBurr, purgeG, touchingAt, lnTimePerUnit: null }
}

/** Dialling in for a training: the shots so far, the next one, and the lock at the end. */
export function useDialIn(trainingId: () => string) {
  const academy = useAcademy()
  const door = useDoor()
  const outbox = useOutbox()
  const shots = useShots()
  const trainings = useTrainings()
  const training = useTraining(trainingId)
  const history = ref<ListedShot[]>([])
  /** Advice from half of what is known would be another one. */
  const isLoaded = ref(false)

  const { setup, recipe, grinder, coffee } = training

  async function load(): Promise<void> {
    const grinderId = setup.value?.grinderId
    if (!grinderId) return
    history.value = (await shots.page({ grinderId }, null, HISTORY_SHOTS)).shots.toReversed()
    isLoaded.value = true
  }
  watch([() => setup.value?.grinderId, () => outbox.writes.length], () => void load(), { immediate: true })

  const coffeeId = computed(() => coffee.value?.coffeeId ?? `bag:${setup.value?.bagId ?? ''}`)
  /** What a stand-in pulled says nothing of a grinder; where one is dialled in with, only its own kind counts. */
  const isSimulated = computed(() =>
    history.value.some(({ shot }) => shot.trainingId === trainingId() && shot.isSimulated),
  )
  const grindShots = computed<GrindShot[]>(() =>
    history.value.flatMap(({ shot, recipe: by }): GrindShot[] => {
      const setting = shot.current.facts.grindSetting
      if (setting === null || shot.isSimulated !== isSimulated.value) return []
      return [
        {
          coffeeId: academy.coffeeOfBag(shot.bagId)?.coffeeId ?? `bag:${shot.bagId ?? ''}`,
          daysAgo: Math.max(0, Math.floor((Date.now() - Date.parse(shot.pulledAt)) / MS_PER_DAY)),
          isThisSession: shot.trainingId === trainingId(),
          setting,
          innerBurrAt: grinder.value?.innerBurr?.at ?? null,
          doseWantedG: null,
          readings: readListed({ shot, recipe: by }),
        },
      ]
    }),
  )
  const wish = computed<DialInWish>(() => {
    const doseG = recipe.value?.targets.doseG ?? 0
    const { bagPrice = null, bagG = null } = coffee.value ?? {}
    return {
      coffeeId: coffeeId.value,
      doseRangeG: { min: doseG - NUDGE_G, max: doseG + NUDGE_G },
      pricePerKg: bagPrice !== null && bagG !== null && bagG > 0 ? (bagPrice / bagG) * 1000 : null,
    }
  })
  const scale = computed(() => (grinder.value === null ? null : dialInGrinder(grinder.value)))
  const advice = computed(() =>
    recipe.value === null || scale.value === null || !isLoaded.value
      ? null
      : adviseGrind(grindShots.value, recipe.value.targets, scale.value, wish.value),
  )
  /** About the settings that matter: from all that were pulled, and the advised one, with room at both sides. */
  const fit = computed(() => {
    if (recipe.value === null || scale.value === null || advice.value === null) return null
    const { minSetting, maxSetting, settingStep } = scale.value
    const settings = [...sessionShots.value.map(({ setting }) => setting), advice.value.setting]
    const from = Math.max(minSetting, Math.min(...settings) - 4 * settingStep)
    const to = Math.min(maxSetting, Math.max(...settings) + 4 * settingStep)
    return grindFit(grindShots.value, recipe.value.targets, scale.value, wish.value, [from, to])
  })
  const sessionShots = computed(() =>
    grindShots.value.filter((shot) => shot.isThisSession && shot.coffeeId === coffeeId.value),
  )
  const sessionListed = computed(() =>
    history.value.filter(({ shot }) => shot.trainingId === trainingId() && shot.bagId === setup.value?.bagId),
  )
  /** Of those whose gate let them speak of the grind, the one nearest to the middle of the window. */
  const best = computed(() => {
    const targets = recipe.value?.targets
    if (!targets) return null
    const middle = (targets.timeMinS + targets.timeMaxS) / 2
    const timed = sessionShots.value.flatMap((shot) =>
      shot.readings.timeAtTarget.kind === 'known' && shot.readings.gate.passed
        ? [{ setting: shot.setting, s: shot.readings.timeAtTarget.s }]
        : [],
    )
    return timed.toSorted((a, b) => Math.abs(a.s - middle) - Math.abs(b.s - middle))[0] ?? null
  })

  async function pull(byPersonS: string): Promise<void> {
    const [group] = training.groups.value
    if (advice.value === null) return
    const { machineId = null, groupNo = 0 } = group ?? {}
    await training.begin(
      { personId: door.personId, machineId, groupNo },
      {
        purpose: 'dial-in',
        isCallAsked: false,
        grindOwner: door.isStaff ? 'trainer' : 'trainee',
        grindText: String(advice.value.setting),
        prediction: { text: byPersonS, byToolS: Math.round(advice.value.predicted.s * 10) / 10 },
      },
    )
  }

  async function lock(): Promise<void> {
    const { setup: now } = training
    if (advice.value === null || now.value?.grinderId == null) return
    const { spent, setting, doseG } = advice.value
    await trainings.note(trainingId(), {
      kind: 'locked',
      lock: {
        grinderId: now.value.grinderId,
        bagId: now.value.bagId,
        recipeRevisionId: now.value.recipeRevisionId,
        setting,
        doseG,
        basketId: recipe.value?.method.basketId ?? null,
        innerBurrAt: grinder.value?.innerBurr?.at ?? null,
        ...spent,
      },
    })
  }

  return { ...training, isLoaded, advice, fit, scale, sessionListed, sessionShots, best, pull, lock }
}
