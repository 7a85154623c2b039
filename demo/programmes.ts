import type { FileThing, ProgrammeContent } from '@calm-apron/contract'
import { PRESET_PROGRAMMES, type ProgrammePreset } from '@calm-apron/core'
import { demoId } from './ids.ts'

const FIRST_WEEK = [
  'Sets the group up: flushed, basket dry and clean',
  'Doses within the tolerance, three times running',
  'Tamps level and settled, wrist in line',
  'Never loosens a portafilter under pressure; waits, face away',
  'Leaves the bench rinsed and wiped, handle back',
]
const FIRST_NO = 1

function programme(
  preset: ProgrammePreset,
  name: string,
  also: Partial<ProgrammeContent> = {},
): ProgrammeContent {
  const { recipeIds: _any, buildsOn: _none, skills, machineKinds, ...shipped } = PRESET_PROGRAMMES[preset]
  return {
    ...shipped,
    name,
    ticks: [],
    skills: [...skills],
    machineKinds: [...machineKinds],
    recipes: [],
    buildsOn: [],
    ...also,
  }
}

/** What the training rooms ask of those who would work by themselves. */
export const PROGRAMMES: FileThing[] = [
  programme('first-week', 'First week', { ticks: FIRST_WEEK.map((what) => ({ what })) }),
  programme('espresso-at-the-bar', 'Espresso at the bar', {
    recipes: [{ recipeId: demoId('recipe', 1) }],
  }),
  programme('dial-in', 'Dial in'),
].map((content, at) => ({
  preparedId: demoId('programme', FIRST_NO + at),
  thing: { kind: 'programme', parentId: null, content },
}))
