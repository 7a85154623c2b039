import { appWords } from './app.ts'
import { startWords } from './start.ts'

/** What is there from the start: Today, and the bar until a shot is begun, which must open quickly. */
export const firstWords = { ...appWords, ...startWords }
