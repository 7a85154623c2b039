import { type RoutineStep, askedBefore } from '@calm-apron/contract'
import {
  type AllStepsSeen,
  type BarStep,
  type DoseFact,
  type StepMark,
  firstOpen,
  isDoseSeen,
  isStepAsked,
  shippedStep,
  stagesOf,
  withMarked,
} from '@calm-apron/core'
import { computed } from 'vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useDoseWords } from '../../shot/dose/useDoseWords.ts'
import { answerIn } from '../../shot/facts/draftAnswers.ts'
import { rowsAt } from '../../shot/facts/factRows.ts'
import type { ShotRun } from '../../shot/run/shotRuns.ts'

/** The steps of a shot at the bar, which of them say something already, and what. */
export function useStepsDone({ draft, read, routine }: ShotRun) {
  const format = useFormat()
  const doseWords = useDoseWords()

  const stages = computed(() => stagesOf(routine.value?.steps ?? []))
  const routineSteps = computed(() => stages.value.at)
  /** The stages in the order of the routine, as far as the day looks at them. Where both taste on notes of their own, that comes after the first call. */
  const steps = computed(() =>
    stages.value.order
      .filter((step) => isStepAsked(draft.focus, step))
      .filter((step) => step !== 'taste' || !(draft.isCallAsked && askedBefore(draft).notes)),
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

  const seen = computed<AllStepsSeen>(() => draft.noted)
  /** In a routine whose order is kept, the first step that nobody has marked, of what the day looks at; else none waits. */
  const waitsFor = computed(() =>
    routine.value?.isOrderEnforced === true
      ? firstOpen(
          seen.value,
          steps.value.flatMap((step) => routineSteps.value[step] ?? []),
        )
      : null,
  )
  const stageOf = (step: RoutineStep) =>
    steps.value.find((stage) => routineSteps.value[stage]?.includes(step))
  /** Whether a stage of the bar still waits for a step before it. */
  function isWaiting(stage: BarStep): boolean {
    const held = waitsFor.value === null ? undefined : stageOf(waitsFor.value)
    return held !== undefined && steps.value.indexOf(stage) > steps.value.indexOf(held)
  }
  /** By which the wait since locking in is timed, while nobody has started the pump. */
  const lockStep = computed<RoutineStep>(
    () => routine.value?.steps.find(({ timer }) => timer === 'lock-to-start') ?? shippedStep('lock-in'),
  )
  const mark = (step: RoutineStep, as: StepMark) =>
    Object.assign(draft.noted, withMarked(seen.value, step, as))

  return { steps, done, summaries, nextStep, routineSteps, waitsFor, isWaiting, mark, lockStep }
}
