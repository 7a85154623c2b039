/** Words of a training that is over. */
export const sessionWords = {
  session: {
    title: 'What it came to',
    who: 'Who',
    shots: 'Shots',
    came: 'How they came out',
    times: '{count} × {heading}',
    next: 'Next time',
    grind: 'The grind',
    noLock: 'No setting was locked.',
    locked:
      '{time}: locked at {setting} by {person}. | {time}: locked at {setting} by {person}, after 1 shot and {mass}. | {time}: locked at {setting} by {person}, after {count} shots and {mass}.',
    lifted: 'Lifted at {time}: {why}.',
    replaced: 'Another took its place at {time}.',
    away: '{person} at {time} pulled at {setting}, not at {locked}.',
    noneAway: 'Every shot was pulled as locked.',
    left: 'How the bench was left',
    giveTo: 'Give {person} this sentence to take home',
    yes: 'yes',
    no: 'no',
    pulled: '{person} {count}',
    noneOf: 'no shots of yours | 1 shot of yours | {count} shots of yours',
  },
}
