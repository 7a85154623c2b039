import {
  EXAMPLE_BENCH,
  type Readings,
  adviseGrind,
  assessSkill,
  familyOf,
  diagnose,
  grindSeen,
  planSession,
  readShot,
  serveScore,
  sessionShot,
  simulateShot,
} from '@calm-apron/core'
import type { z } from 'zod'
import { type FieldError, fieldErrors } from '../problem.ts'
import {
  adviseInput,
  diagnoseInput,
  planInput,
  readInput,
  simulateInput,
  skillInput,
} from './commandInputs.ts'

/** One command of the core: JSON in, JSON out. */
export type CommandAnswer = { ok: true; output: unknown } | { ok: false; errors: FieldError[] }

function command<Input extends z.ZodType>(input: Input, work: (given: z.output<Input>) => unknown) {
  return (value: unknown): CommandAnswer => {
    const parsed = input.safeParse(value)
    return parsed.success
      ? { ok: true, output: work(parsed.data) }
      : { ok: false, errors: fieldErrors(parsed.error) }
  }
}

/** Readings without the facts that were given anyway. */
function plain({ of: _given, ...readings }: Readings): Omit<Readings, 'of'> {
  return readings
}

/** What `npm run -s core -- …` can be asked, for scripts and teachers. */
export const COMMANDS = {
  read: command(readInput, ({ facts, recipe, context }) => plain(readShot(facts, recipe, context))),
  diagnose: command(diagnoseInput, ({ facts, recipe, context, setting, grinder, ranAt, earlier }) =>
    diagnose(
      readShot(facts, recipe, context),
      { setting, grinder, ranAt },
      earlier.map((shot) => readShot(shot.facts, recipe, shot.context)),
    ),
  ),
  advise: command(adviseInput, ({ history: shots, recipe, grinder, ...wish }) => {
    const isHere = ({ isThisSession, coffeeId }: { isThisSession: boolean; coffeeId: string }) =>
      isThisSession && coffeeId === wish.coffeeId
    return adviseGrind({
      history: shots
        .filter((shot) => !isHere(shot))
        .flatMap(
          ({ facts, context, ...where }) => grindSeen(readShot(facts, recipe, context), recipe, where) ?? [],
        ),
      session: shots
        .filter(isHere)
        .flatMap(
          ({ facts, context, tasters, ...where }) =>
            sessionShot(readShot(facts, recipe, context), recipe, where, tasters) ?? [],
        ),
      recipe,
      grinder,
      wish,
    })
  }),
  skill: command(skillInput, ({ recipe, shots, programme, signOff }) =>
    assessSkill(
      shots.map(({ facts, context, purpose, isReferenceOff, callScore }, index) => {
        const readings = readShot(facts, recipe, context)
        const { noted } = facts
        return {
          shotId: String(index),
          // Whoever writes them down says in what order, not when.
          pulledAt: new Date(index * 60_000).toISOString(),
          family: familyOf(readings, { machine: null }),
          readings,
          context: { purpose, isReferenceOff, grindOwner: context.grindOwner },
          isHelped: noted?.isHelped === true,
          callScore,
          calledAs: null,
          isServeRight: serveScore(readings),
          steps: noted ?? null,
          lock: facts.grindSetting === null ? null : String(facts.grindSetting),
        }
      }),
      programme,
      signOff,
    ),
  ),
  plan: command(planInput, (wish) => planSession(wish)),
  simulate: command(simulateInput, ({ bench, done, withSamples }) => {
    const { samples, ...shot } = simulateShot({ ...EXAMPLE_BENCH, ...bench }, done)
    return withSamples ? { ...shot, samples } : shot
  }),
} as const
export type CommandName = keyof typeof COMMANDS

/** Whether there is a command by this name. */
export function isCommand(name: string): name is CommandName {
  return name in COMMANDS
}
