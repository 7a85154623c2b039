import { enApp } from './enApp.ts'
import { enBar } from './enBar.ts'
import { enEntry } from './enEntry.ts'
import { enRails } from './enRails.ts'
import { enRecord } from './enRecord.ts'
import { enSteps } from './enSteps.ts'

/** What is there from the start: Today and the bar, which must open quickly and without network. */
export const enFirst = { ...enApp, ...enBar, ...enEntry, ...enRails, ...enRecord, ...enSteps }
