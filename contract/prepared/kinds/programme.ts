import {
  ASSESSORS,
  GRIND_OWNERS,
  MACHINE_KINDS,
  PRESET_PROGRAMMES,
  PROGRAMME_WAYS,
  type Programme,
  type ProgrammePreset,
  SKILLS,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { id, line, name, refuse, within } from '../../primitives.ts'
import { definedKind } from './definedKind.ts'
import { list } from './fields.ts'

const whole = (bounds: { readonly min: number; readonly max: number }) =>
  z.int().min(bounds.min).max(bounds.max)

/** What somebody must show before they work by themselves; written by heads. */
export const programmeContent = z
  .strictObject({
    name,
    way: z.enum(PROGRAMME_WAYS),
    /** What is ticked off, where it is shown so. */
    ticks: list(z.strictObject({ what: line({ min: 1, max: BOUNDS.stepTextLength.max }) })),
    skills: z.array(z.enum(SKILLS)).max(SKILLS.length),
    /** None named: any. */
    recipes: list(z.strictObject({ recipeId: id })),
    machineKinds: z.array(z.enum(MACHINE_KINDS)).max(MACHINE_KINDS.length),
    grindOwner: z.enum(GRIND_OWNERS),
    assessors: z.enum(ASSESSORS),
    run: z.strictObject({
      shots: whole(BOUNDS.runShots),
      days: whole(BOUNDS.runDays),
      bags: whole(BOUNDS.runBags),
      readyFrom: within(BOUNDS.share),
      callScoreFrom: within(BOUNDS.share),
    }),
    set: z.strictObject({
      shots: whole(BOUNDS.setShots),
      onShots: whole(BOUNDS.setShots),
      uncounted: whole(BOUNDS.uncountedShots),
      keepsCue: z.boolean(),
    }),
    holds: z.strictObject({ months: whole(BOUNDS.holdsMonths), awayWeeks: whole(BOUNDS.awayWeeks) }),
    /** Programmes that come first. */
    buildsOn: list(z.strictObject({ programmeId: id })),
  })
  .superRefine(({ way, ticks, skills, set }, context) => {
    if (way === 'ticks' && ticks.length === 0)
      refuse(context, ['ticks'], 'missing', 'Say what is ticked off, one thing at least.')
    if (way !== 'ticks' && skills.length === 0)
      refuse(context, ['skills'], 'missing', 'Choose what is judged, one thing at least.')
    if (set.onShots > set.shots)
      refuse(context, ['set', 'onShots'], 'more-than-all', 'No more shots can be on than are pulled.')
  })
export type ProgrammeContent = z.infer<typeof programmeContent>

/** A programme as core judges by it. */
export function programmeOf({ ticks, recipes, buildsOn, ...content }: ProgrammeContent): Programme {
  return {
    ...content,
    ticks: ticks.map(({ what }) => what),
    recipeIds: recipes.map(({ recipeId }) => recipeId),
    buildsOn: buildsOn.map(({ programmeId }) => programmeId),
  }
}

/** One that ships, by any recipe and after no other, with what its house says of it. */
export function presetProgramme(
  preset: ProgrammePreset,
  said: Pick<ProgrammeContent, 'name'> & Partial<ProgrammeContent>,
): ProgrammeContent {
  const { recipeIds: _any, buildsOn: _none, machineKinds, skills, ...shipped } = PRESET_PROGRAMMES[preset]
  return {
    ...shipped,
    skills: [...skills],
    machineKinds: [...machineKinds],
    ticks: [],
    recipes: [],
    buildsOn: [],
    ...said,
  }
}

/** Begun from one that ships, at a place of its own. */
export const programme = definedKind({
  content: programmeContent,
  parent: null,
  begins: null,
  parts: {
    ticks: () => ({ what: '' }),
    recipes: () => ({ recipeId: '' }),
    buildsOn: () => ({ programmeId: '' }),
  },
  namedKinds: ['recipe'],
  names: ({ recipes, buildsOn }) => [
    ...recipes.map(({ recipeId }, no) => ({
      path: `recipes.${no}.recipeId`,
      kind: 'recipe',
      preparedId: recipeId,
    })),
    ...buildsOn.map(({ programmeId }, no) => ({
      path: `buildsOn.${no}.programmeId`,
      kind: 'programme',
      preparedId: programmeId,
    })),
  ],
  isHeads: true,
  steps: [],
})
