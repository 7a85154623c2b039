import { barWords } from './bar.ts'
import { doseSeenWords } from './doseSeen.ts'
import { entryWords } from './entry.ts'
import { factsWords, signWords } from './facts.ts'
import { railsWords } from './rails.ts'
import { recordWords } from './record.ts'
import { stepsWords } from './steps.ts'
import { termWords } from './terms.ts'

/** What every place speaks that shows a shot, under way or recorded. */
export const shotWords = {
  ...barWords,
  ...doseSeenWords,
  ...entryWords,
  ...factsWords,
  ...signWords,
  ...railsWords,
  ...recordWords,
  ...stepsWords,
  ...termWords,
}
