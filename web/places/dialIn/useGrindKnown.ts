import type { ShotSummary } from '@calm-apron/contract'
import { type DialInWish, type GrindKnown, type TrainingSetup, grindFit } from '@calm-apron/core'
import { computed } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { dialInGrinder, dialInWish } from '../../shot/grind/dialInWish.ts'
import { useGrindHistory } from '../../shot/grind/useGrindHistory.ts'
import type { useTraining } from '../../shot/training/useTraining.ts'
import { sessionOf } from './sessionOf.ts'

const isWith = (
  { grinderId, bagId }: Pick<ShotSummary, 'grinderId' | 'bagId'>,
  setup: Pick<TrainingSetup, 'grinderId' | 'bagId'> | null,
) => grinderId === setup?.grinderId && bagId === setup.bagId

/** What is known of the grind when a training dials in: its shots of this bag, and what the grinder did before. */
export function useGrindKnown(trainingId: () => string, training: ReturnType<typeof useTraining>) {
  const academy = useAcademy()
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

  return { isLoaded, ofBag, sessionShots, scale, known }
}

/** About the settings that matter: from all that were pulled, and the advised one, with room at both sides. */
export function fitAbout(known: GrindKnown, advisedAt: number) {
  const { minSetting, maxSetting, settingStep } = known.grinder
  const settings = [...known.session.map(({ setting }) => setting), advisedAt]
  const from = Math.max(minSetting, Math.min(...settings) - 4 * settingStep)
  const to = Math.min(maxSetting, Math.max(...settings) + 4 * settingStep)
  return grindFit(known, [from, to])
}
