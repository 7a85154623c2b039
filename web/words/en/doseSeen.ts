import type { CountMethod, MarkMethod, MarkPlace } from '@calm-apron/core'

/** Words of doses that nobody weighs. */
export const doseSeenWords = {
  doseSeen: {
    /** As a dose was seen. */
    is: {
      razor: { below: 'under the razor', at: 'shaved to the razor', above: 'proud of the razor' },
      line: {
        below: 'tamper line sank in',
        at: 'tamper line at the rim',
        above: 'tamper line above the rim',
      },
      'basket-line': { below: 'under the line', at: 'at the line', above: 'over the line' },
      sweep: { below: 'not filled to the rim', at: 'level with the rim', above: 'heaped over the rim' },
      mound: { below: 'a flat mound', at: 'the usual mound', above: 'a high mound' },
      'machine-light': { below: 'light: too little', at: 'light: right', above: 'light: too much' },
      eye: { below: 'looks low', at: 'looks right', above: 'looks high' },
    } satisfies Record<MarkMethod, Record<MarkPlace, string>>,
    /** What to do so that it comes to its mark. */
    trim: {
      razor: { below: 'Add a little, then shave it.', above: 'Shave it.' },
      line: {
        below: 'Add a little: the tamper’s line belongs at the rim.',
        above: 'Take a little out: the tamper’s line belongs at the rim.',
      },
      'basket-line': {
        below: 'Add a little, up to the line.',
        above: 'Take a little out, down to the line.',
      },
      sweep: { below: 'Fill it to the rim and sweep it again.', above: 'Sweep it level.' },
      mound: { below: 'Add a little: the mound is flat.', above: 'Take a little off the mound.' },
      'machine-light': {
        below: 'Add a little, until the light says that it is right.',
        above: 'Take a little out, until the light says that it is right.',
      },
      eye: { below: 'Add a little.', above: 'Take a little out.' },
    } satisfies Record<MarkMethod, Record<Exclude<MarkPlace, 'at'>, string>>,
    count: {
      scoop: '{count} scoops | {count} scoop | {count} scoops',
      'lever-pulls': '{count} pulls | {count} pull | {count} pulls',
      seconds: '{count} s',
    } satisfies Record<CountMethod, string>,
    more: '{count} more.',
    fewer: '{count} fewer.',
    short: '{count} short',
    tooMany: '{count} too many',
    asWanted: 'As it should be. Go on.',
    grams: 'That is about {amount}, give or take {spread}.',
    where: 'Where does it stand?',
    notSeen: 'Not seen',
    counted: {
      scoop: 'Scoops',
      'lever-pulls': 'Pulls of the lever',
      seconds: 'Seconds',
    } satisfies Record<CountMethod, string>,
    wanted: 'The recipe’s dose is {count}.',
    countUnknown: 'The recipe doesn’t say how many make its dose, so this is recorded and not judged.',
    weighInstead: 'Weigh it this time',
    asTheRecipe: 'Measure it as the recipe says',
  },
}
