import type { Clock } from '@calm-apron/core'

/** Words of what Today and the bar say before a shot is begun: trainings, recipes. */
export const startWords = {
  training: {
    on: 'At the bar today',
    new: 'Start a training',
    again: 'Quick start, as last time: {people}',
    with: 'With what',
    bag: '{coffee}, {bag}',
    title: { practice: 'Training', assessment: 'Assessment set' },
    missing: {
      people: 'Choose at least one trainee’s group.',
      recipe: 'Choose a recipe.',
      bar: 'No room is set up yet; set one up under Prepare.',
    },
    withSince: '{people}, since {time}',
    past: 'Earlier trainings',
    onDay: '{date}, {from} to {to}',
  },
  recipe: {
    targets: '{dose} in, {yield} out, {ratio}',
    window: {
      pump: '{min}–{max} s from the pump',
      drop: '{min}–{max} s from the first drop',
      pressure: '{min}–{max} s from the release',
    } satisfies Record<Clock, string>,
  },
}
