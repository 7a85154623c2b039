// What each thread of the test runner begins with: it loads TypeScript for itself, and what is drawn at random is drawn
// alike in every run, so that no test passes or fails by luck.
import fc from 'fast-check'
import { register } from 'tsx/esm/api'

const SEED = 4180

register()
fc.configureGlobal({ seed: SEED })
