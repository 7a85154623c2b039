import { SAYINGS, type SkillSaying } from '@calm-apron/core'
import { inSetup } from '../../testing/inSetup.ts'
import { freshDevice } from '../../testing/device.ts'
import type { Told } from './useSkillWords.ts'
import { useSaying } from './useSaying.ts'

const TOLD: Told = {
  family: { by: 'mass', basketId: null },
  tolerances: { dose: 0.3, tamp: null, yield: 2, time: 3, taste: 2 },
}
const VOLUME: Told = { ...TOLD, family: { by: 'volume', basketId: null } }

async function saying() {
  await freshDevice({})
  const { bringWords } = await import('../../words/index.ts')
  await bringWords('progress')
  return inSetup(() => useSaying())
}

const EACH: Record<(typeof SAYINGS)[number], SkillSaying> = {
  'safety-missed': { kind: 'safety-missed', times: 2 },
  worse: { kind: 'worse', skill: 'dose', shift: { shots: 8, mean: 2 } },
  ready: { kind: 'ready' },
  due: { kind: 'due' },
  idle: { kind: 'idle', days: 21 },
  practise: { kind: 'practise', skill: 'yield', story: 'steady-but-off', bias: -1.5 },
  few: { kind: 'few', shots: 1 },
  'going-well': { kind: 'going-well' },
  'nothing-yet': { kind: 'nothing-yet' },
}

test('each thing that can be said is one sentence, with amounts in the unit of the recipe', async () => {
  const { result: says, end } = await saying()
  const said = Object.fromEntries(SAYINGS.map((kind) => [kind, says(EACH[kind], TOLD)]))
  expect(said).toEqual({
    'safety-missed': 'A safety step was left out in 2 of the last ten shots watched.',
    worse: 'Dose: the last 8 shots 0.6 g heavy on average, and not so before.',
    ready: 'Ready to be assessed.',
    due: 'Due to be looked at again.',
    idle: 'No shots for 21 days.',
    practise: 'Practise yield next. Close together, but 3.0 g light: move the aim.',
    few: '1 shot so far: too few to say more.',
    'going-well': 'Going well.',
    'nothing-yet': 'No shots yet.',
  })
  end()
})

test('what has no sides or no unit is said without an amount; volume is in millilitres', async () => {
  const { result: says, end } = await saying()
  const worse = (skill: 'tamp' | 'alike' | 'taste') =>
    says({ kind: 'worse', skill, shift: { shots: 8, mean: -1 } }, TOLD)
  expect(worse('alike')).toBe('Alike has got worse of late.')
  expect(worse('taste')).toBe('Taste: the last 8 shots 2 points sour on average, and not so before.')
  expect(says(EACH.practise, VOLUME)).toBe(
    'Practise yield next. Close together, but 3 ml light: move the aim.',
  )
  const scattered: SkillSaying = { kind: 'practise', skill: 'call', story: 'scattered', bias: null }
  expect(says(scattered, TOLD)).toMatch(/^Practise the call next\. Right on average/)
  end()
})
