import { type RoutineStep, askedBefore } from '@calm-apron/contract'
import {
  BAR_STEPS,
  type BarStep,
  type DoseFact,
  type StepKey,
  isDoseSeen,
  isStepAsked,
} from '@calm-apron/core'
import { computed } from 'vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useDoseWords } from '../../shot/dose/useDoseWords.ts'
import { answerIn } from '../../shot/facts/draftAnswers.ts'
import { rowsAt } from '../../shot/facts/factRows.ts'
import type { ShotRun } from '../../shot/run/shotRuns.ts'

/** At which step of the bar each step of a routine is done. */
const BAR_STEP_OF: Record<StepKey, BarStep> = {
  'warm-up': 'ready',
  'take-out': 'ready',
  'wipe-basket': 'ready',
  flush: 'ready',
  tare: 'dose',
  'weigh-beans': 'dose',
  purge: 'dose',
  grind: 'dose',
  'weigh-dose': 'dose',
  'fill-level': 'dose',
  distribute: 'dose',
  needle: 'dose',
  tamp: 'tamp',
  'wipe-rim': 'tamp',
  'lock-in': 'tamp',
  'cup-under': 'tamp',
  'hold-preinfusion': 'pull',
  'raise-lever': 'pull',
  start: 'pull',
  watch: 'pull',
  stop: 'pull',
  'machine-stops': 'pull',
  look: 'look',
  taste: 'taste',
  'knock-out': 'look',
  rinse: 'look',
}

/** The steps of a shot at the bar, which of them say something already, and what. */
export function useStepsDone({ draft, read, routine }: ShotRun) {
  const format = useFormat()
  const doseWords = useDoseWords()

  /** What the day looks at. Where both taste on notes of their own, that comes after the first call. */
  const steps = computed(() =>
    BAR_STEPS.filter((step) => isStepAsked(draft.focus, step)).filter(
      (step) => step !== 'taste' || !(draft.isCallAsked && askedBefore(draft).notes),
    ),
  )
  const isAnswered = (step: BarStep) =>
    rowsAt(step, 'first').some((placed) => answerIn(draft, placed) !== null)
  const done = computed(() => {
    const { dose, tamp, clock: timed, cup, abandoned, look, taste, grindSetting } = read.value.facts
    const isKnown: Record<BarStep, boolean> = {
      ready: grindSetting !== null || isAnswered('ready'),
      dose: dose !== null,
      tamp: tamp.tilt !== null || tamp.settled !== null,
      pull: timed !== null,
      cup: cup !== null || abandoned !== null,
      look: look.stream !== null || look.puck !== null,
      taste: Object.values(taste).some((value) => value !== null),
    }
    return new Set(steps.value.filter((step) => isKnown[step]))
  })
  const summaries = computed<Partial<Record<BarStep, string>>>(() => ({
    ...doseSummary(read.value.facts.dose),
    ...(read.value.facts.clock && { pull: format.seconds(read.value.facts.clock.stopS) }),
    ...(read.value.cup.netG !== null && { cup: format.mass(read.value.cup.netG) }),
  }))
  function doseSummary(dose: DoseFact | null): { dose?: string } {
    if (isDoseSeen(dose)) return { dose: doseWords.seenWords(dose) }
    const { netG } = read.value.dose
    return netG === null ? {} : { dose: format.mass(netG) }
  }
  const nextStep = computed(() => steps.value[steps.value.indexOf(draft.step) + 1] ?? null)

  /** The routine's own steps, each at the bar's step where it is done; one of the house's own stays with the one before. */
  const routineSteps = computed(() => {
    const at: Partial<Record<BarStep, RoutineStep[]>> = {}
    let step: BarStep = 'ready'
    for (const each of routine.value?.steps ?? []) {
      if (each.key !== null) step = BAR_STEP_OF[each.key]
      at[step] = [...(at[step] ?? []), each]
    }
    return at
  })

  return { steps, done, summaries, nextStep, routineSteps }
}
