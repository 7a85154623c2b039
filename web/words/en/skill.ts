import type { Rung, SkillStory } from '@calm-apron/core'

/** What is said of somebody's skill. */
export const skillWords = {
  title: 'Where it stands',
  overall: 'As a whole: {rung}.',
  pass: 'Chance of passing an assessment set today: {percent}.',
  practise: 'Practise next: {reading}. {story}',
  rung: {
    new: 'new',
    learning: 'learning',
    steady: 'steady',
    ready: 'ready',
    'signed-off': 'signed off',
    due: 'due again',
  } satisfies Record<Rung, string>,
  on: 'on in {mean}',
  range: 'between {low} and {high}',
  rangeLong: '{reading}: on in {mean} of shots; it may be anything from {low} to {high}',
  unjudged: 'not judged yet',
  bias: 'usually {amount} {side}',
  onTarget: 'usually on target',
  spread: 'spread {amount}',
  side: { over: 'over', under: 'under', slow: 'slow', fast: 'fast', bitter: 'bitter', sour: 'sour' },
  points: '{value} points',
  toNext: 'It is {rung} | 1 more on in a row, and it is {rung} | {count} more on in a row, and it is {rung}',
  worse: 'It has got worse of late.',
  story: {
    'too-few': 'Too few shots yet to say more.',
    'on-target': 'On target and close together.',
    'steady-but-off': 'Close together but off to one side: move the aim.',
    scattered: 'Right on average, but all over the place: make it repeatable.',
    'scattered-and-off': 'Off to one side and all over the place: first make it repeatable.',
    'seen-only': 'Judged by eye: look at it together.',
  } satisfies Record<SkillStory, string>,
  basis: 'From the last {count} shots, the newest counting most. Faults of the bar are not charged.',
}
