import type { ShotSummary } from '@calm-apron/contract'
import {
  type DialInWish,
  type GrindKnown,
  type ShotWanted,
  type TrainingSetup,
  adviseGrind,
  adviserFromStart,
  grindFit,
} from '@calm-apron/core'
import { computed } from 'vue'
import { readListed } from '../../shot/reading/readListed.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useTrainings } from '../../shot/training/trainings.ts'
import { useTraining, wantedOf } from '../../shot/training/useTraining.ts'
import { sessionOf } from './sessionOf.ts'
import { useGrindHistory } from '../../shot/grind/useGrindHistory.ts'
import { dialInGrinder, dialInWish } from '../../shot/grind/dialInWish.ts'

const isWith = (
  { grinderId, bagId }: Pick<ShotSummary, 'grinderId' | 'bagId'>,
  setup: Pick<TrainingSetup, 'grinderId' | 'bagId'> | null,
) => grinderId === setup?.grinderId && bagId === setup.bagId

/** Dialling in for a training: the shots so far, the next one, and the lock at the end. */
export function useDialIn(trainingId: () => string) {
  const academy = useAcademy()
  const door = useDoor()
  const trainings = useTrainings()
  const training = useTraining(trainingId)
  const { setup, recipe, grinder, coffee, listed, isCounted } = training

  const history = useGrindHistory(() => {
    const { grinderId = null, recipeRevisionId = '' } = setup.value ?? {}
    return grinderId === null ? null : { grinderId, recipeRevisionId, exceptTrainingId: trainingId() }
  })
  /** Advice from half of what is known would be another one. */
  const isLoaded = computed(() => isCounted.value && history.seen.value !== null)

  /** This training's shots of this bag, oldest first. */
  const ofBag = computed(() => listed.value.filter(({ shot }) => isWith(shot, setup.value)).toReversed())
  /** What a stand-in pulled says nothing of a grinder; where one is dialled in with, only its own kind counts. */
  const isSimulated = computed(() => ofBag.value.some(({ shot }) => shot.isSimulated))
  const wish = computed<DialInWish>(() =>
    dialInWish({
      recipe: recipe.value,
      coffee: coffee.value,
      bagId: setup.value?.bagId ?? null,
      basket: groupBasket.value,
    }),
  )
  const groupBasket = computed(() => academy.basketInGroup(training.groups.value[0] ?? null))
  const shotsHere = computed(() =>
    recipe.value === null
      ? []
      : sessionOf(
          ofBag.value.filter(({ shot }) => shot.isSimulated === isSimulated.value),
          recipe.value.targets,
          wish.value.coffeeId,
        ),
  )
  const sessionShots = computed(() => shotsHere.value.filter(({ isDialIn }) => isDialIn))
  const scale = computed(() => (grinder.value === null ? null : dialInGrinder(grinder.value)))
  const known = computed<GrindKnown | null>(() =>
    recipe.value === null || scale.value === null || !isLoaded.value
      ? null
      : {
          // Practice beside the dial-in is history of today.
          history: isSimulated.value
            ? []
            : [...(history.seen.value ?? []), ...shotsHere.value.filter(({ isDialIn }) => !isDialIn)],
          session: sessionShots.value,
          recipe: recipe.value.targets,
          grinder: scale.value,
          wish: wish.value,
        },
  )
  const advice = computed(() => (known.value === null ? null : adviseGrind(known.value)))
  /** What the adviser would have needed from the same start: for whoever looked for the setting themselves. */
  const needed = computed(() => (known.value === null ? null : adviserFromStart(known.value)))
  /** About the settings that matter: from all that were pulled, and the advised one, with room at both sides. */
  const fit = computed(() => {
    if (known.value === null || scale.value === null || advice.value === null) return null
    const { minSetting, maxSetting, settingStep } = scale.value
    const settings = [...sessionShots.value.map(({ setting }) => setting), advice.value.setting]
    const from = Math.max(minSetting, Math.min(...settings) - 4 * settingStep)
    const to = Math.min(maxSetting, Math.max(...settings) + 4 * settingStep)
    return grindFit(known.value, [from, to])
  })
  /** Of those whose gate let them speak of the grind, the one nearest to the middle of the window. */
  const best = computed(() => {
    const targets = recipe.value?.targets
    if (!targets) return null
    const middle = (targets.timeMinS + targets.timeMaxS) / 2
    const timed = ofBag.value.flatMap((each) => {
      const { timeAtTarget, gate } = readListed(each)
      const setting = each.shot.current.facts.grindSetting
      return setting !== null && timeAtTarget.kind === 'known' && gate.passed
        ? [{ setting, s: timeAtTarget.s }]
        : []
    })
    return timed.toSorted((a, b) => Math.abs(a.s - middle) - Math.abs(b.s - middle))[0] ?? null
  })

  const wanted = computed<ShotWanted | null>(() =>
    advice.value === null || recipe.value === null ? null : wantedOf(advice.value, recipe.value.targets),
  )

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
        wanted: wanted.value,
        prediction: { text: byPersonS, byToolS: Math.round(advice.value.predicted.s * 10) / 10 },
      },
    )
  }

  async function lock(): Promise<void> {
    const { setup: now } = training
    if (advice.value === null || now.value?.grinderId == null) return
    const { spent, setting, doseG, yieldG, tastedAs } = advice.value
    await trainings.note(trainingId(), {
      kind: 'locked',
      lock: {
        grinderId: now.value.grinderId,
        bagId: now.value.bagId,
        recipeRevisionId: now.value.recipeRevisionId,
        setting,
        doseG,
        ...(wanted.value?.yieldG != null && { yieldG }),
        ...(tastedAs !== null && { taste: tastedAs }),
        basketId: recipe.value?.method.basketId ?? null,
        innerBurrAt: grinder.value?.innerBurr?.at ?? null,
        ...spent,
      },
    })
  }

  const told = { advice, needed, fit, scale, ofBag, sessionShots, best }
  return { ...training, isLoaded, ...told, pull, lock }
}
