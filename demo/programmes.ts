import { type FileThing, presetProgramme } from '@calm-apron/contract'
import { demoId } from './ids.ts'

const FIRST_WEEK = [
  'Sets the group up: flushed, basket dry and clean',
  'Doses within the tolerance, three times running',
  'Tamps level and settled, wrist in line',
  'Never loosens a portafilter under pressure; waits, face away',
  'Leaves the bench rinsed and wiped, handle back',
]

/** What the training rooms ask of those who would work by themselves. */
export const PROGRAMMES: FileThing[] = [
  presetProgramme('first-week', { name: 'First week', ticks: FIRST_WEEK.map((what) => ({ what })) }),
  presetProgramme('espresso-at-the-bar', {
    name: 'Espresso at the bar',
    recipes: [{ recipeId: demoId('recipe', 1) }],
  }),
  presetProgramme('dial-in', { name: 'Dial in' }),
].map((content, at) => ({
  preparedId: demoId('programme', 1 + at),
  thing: { kind: 'programme', parentId: null, content },
}))
