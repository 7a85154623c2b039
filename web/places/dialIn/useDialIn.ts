import {
  type GrindAdvice,
  type Recipe,
  type ShotWanted,
  adviseGrind,
  adviserFromStart,
} from '@calm-apron/core'
import { type ComputedRef, computed } from 'vue'
import { readListed } from '../../shot/reading/readListed.ts'
import { useDoor } from '../../data/door/door.ts'
import { useTrainings } from '../../shot/training/trainings.ts'
import { useTraining, wantedOf } from '../../shot/training/useTraining.ts'
import { fitAbout, useGrindKnown } from './useGrindKnown.ts'

type Training = ReturnType<typeof useTraining>

/** Dialling in for a training: the shots so far, the next one, and the lock at the end. */
export function useDialIn(trainingId: () => string) {
  const training = useTraining(trainingId)
  const { isLoaded, ofBag, sessionShots, scale, known } = useGrindKnown(trainingId, training)

  const advice = computed(() => (known.value === null ? null : adviseGrind(known.value)))
  /** What the adviser would have needed from the same start: for whoever looked for the setting themselves. */
  const needed = computed(() => (known.value === null ? null : adviserFromStart(known.value)))
  const fit = computed(() =>
    known.value === null || advice.value === null ? null : fitAbout(known.value, advice.value.setting),
  )
  const best = computed(() => {
    const targets = training.recipe.value?.targets
    return targets ? nearest(ofBag.value, targets) : null
  })

  const told = { advice, needed, fit, scale, ofBag, sessionShots, best }
  return { ...training, isLoaded, ...told, ...useDialInActs(trainingId, training, advice) }
}

/** Of those whose gate let them speak of the grind, the one nearest to the middle of the window. */
function nearest(shots: Training['listed']['value'], targets: Recipe): { setting: number; s: number } | null {
  const middle = (targets.timeMinS + targets.timeMaxS) / 2
  const timed = shots.flatMap((each) => {
    const { timeAtTarget, gate } = readListed(each)
    const setting = each.shot.current.facts.grindSetting
    return setting !== null && timeAtTarget.kind === 'known' && gate.passed
      ? [{ setting, s: timeAtTarget.s }]
      : []
  })
  return timed.toSorted((a, b) => Math.abs(a.s - middle) - Math.abs(b.s - middle))[0] ?? null
}

/** What is done with an advice: pulled, or locked in. */
function useDialInActs(
  trainingId: () => string,
  training: Training,
  advice: ComputedRef<GrindAdvice | null>,
) {
  const door = useDoor()
  const trainings = useTrainings()
  const { recipe, grinder } = training

  const wanted = computed<ShotWanted | null>(() =>
    advice.value === null || recipe.value === null ? null : wantedOf(advice.value, recipe.value.targets),
  )

  async function pull(byPersonS: string): Promise<void> {
    const [group] = training.groups.value
    if (advice.value === null) return
    const { machineId = null, groupNo = 0 } = group ?? {}
    await training.begin({ personId: door.personId, machineId, groupNo }, undefined, {
      purpose: 'dial-in',
      isCallAsked: false,
      grindOwner: door.isStaff ? 'trainer' : 'trainee',
      grindText: String(advice.value.setting),
      wanted: wanted.value,
      prediction: { text: byPersonS, byToolS: Math.round(advice.value.predicted.s * 10) / 10 },
    })
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

  return { pull, lock }
}
