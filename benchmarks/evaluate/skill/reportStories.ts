import type { SkillSaying } from '@calm-apron/core'
import { demoOfHalfYear, sayingOf } from '@calm-apron/demo'

const NOW = new Date('2026-11-23T10:00:00Z')
const SEEDS = 200

/** What a page must say of each who has a story, by their number in the demo. */
const STORIES: Readonly<Record<string, { who: number; isTold: (said: SkillSaying) => boolean }>> = {
  'doses heavily, and always as heavily': {
    who: 3,
    isTold: (said) => said.kind === 'practise' && said.skill === 'dose' && said.story === 'steady-but-off',
  },
  'tamps aslant': { who: 4, isTold: (said) => said.kind === 'practise' && said.skill === 'tamp' },
  'overdoes the grind': { who: 5, isTold: (said) => said.kind === 'practise' && said.skill === 'time' },
  'has not been here for five weeks': { who: 8, isTold: (said) => said.kind === 'idle' },
  'doses lightly of late': { who: 9, isTold: (said) => said.kind === 'worse' && said.skill === 'dose' },
}
/** Of these nothing is wrong: a shift or a lapse said of them is a false alarm. */
const CALM = [2, 10, 11]

const percent = (share: number) => `${(100 * share).toFixed(1)} %`

/** Prints in how many half-years of other seeds each story is told of the right person, and how often one of nobody. */
export function reportStories(firstSeed: number): void {
  const told = new Map(Object.keys(STORIES).map((story) => [story, 0]))
  let alarms = 0
  for (let seed = firstSeed; seed < firstSeed + SEEDS; seed += 1) {
    const academy = demoOfHalfYear(NOW, seed)
    for (const [story, { who, isTold }] of Object.entries(STORIES))
      if (isTold(sayingOf(academy, who, NOW))) told.set(story, (told.get(story) ?? 0) + 1)
    for (const who of CALM) if (['worse', 'idle'].includes(sayingOf(academy, who, NOW).kind)) alarms += 1
  }
  console.log(`  half-years of ${SEEDS} seeds that nothing was tuned on, as their page says it (goal: 90 %)`)
  for (const [story, count] of told) console.log(`    ${story}: told in ${percent(count / SEEDS)}`)
  console.log(
    `    of who keeps steady a shift or lapse: ${percent(alarms / (SEEDS * CALM.length))} (goal: 5 % at most)`,
  )
}
