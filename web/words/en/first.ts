import { appWords } from './app.ts'
import { barWords } from './bar.ts'
import { entryWords } from './entry.ts'
import { factsWords, signWords } from './facts.ts'
import { railsWords } from './rails.ts'
import { recordWords } from './record.ts'
import { stepsWords } from './steps.ts'

/** What is there from the start: Today and the bar, which must open quickly and without network. */
export const firstWords = {
  ...appWords,
  ...barWords,
  ...entryWords,
  ...factsWords,
  ...signWords,
  ...railsWords,
  ...recordWords,
  ...stepsWords,
}
