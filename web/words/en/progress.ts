import { skillWords } from './skill.ts'

/** Words of Progress. */
export const progressWords = {
  progress: {
    title: 'Progress',
    team: 'Everyone',
    empty: '{person} has no shots yet. The first one pulled will stand here.',
    first: 'Choose {person} on Today',
    earlier: 'Show earlier shots',
    newestFirst: 'Newest first. Choose a shot to see its reading.',
    offline: 'Shown is what this device knows; there may be more.',
    offlineNone: 'This device knows no shots of {person} yet.',
  },
  skill: skillWords,
}
