import { FACT_BOUNDS } from '@calm-apron/core'

/** Bounds that catch slips of the finger, in base units. Whether a value is any good is the core's to say. */
export const BOUNDS = {
  ...FACT_BOUNDS,
  reasonLength: { min: 3, max: 300 },
  /** No record of ours lies outside; a clock that says otherwise is wrong. */
  year: { min: 2000, max: 2199 },
  nameLength: { min: 1, max: 80 },
  signInNameLength: { min: 3, max: 120 },
  pinLength: { min: 4, max: 6 },
  passwordLength: { min: 10, max: 200 },
  pageSize: { min: 1, max: 100 },
  searchLength: { min: 1, max: 100 },
  noteLength: { min: 0, max: 400 },
  stepTextLength: { min: 0, max: 300 },
  cautionLength: { min: 3, max: 500 },
  toleranceG: { min: 0.05, max: 20 },
  targetG: { min: 1, max: 300 },
  targetMl: { min: 5, max: 400 },
  gPerMl: { min: 0.2, max: 1.1 },
  gPerMlSd: { min: 0.01, max: 0.5 },
  forceN: { min: 20, max: 400 },
  temperatureC: { min: 70, max: 100 },
  days: { min: 0, max: 400 },
  bagG: { min: 20, max: 20_000 },
  money: { min: 0, max: 100_000 },
  pressureBar: { min: 0, max: 15 },
  warmUpMinutes: { min: 1, max: 120 },
  diameterMm: { min: 30, max: 70 },
  vesselG: { min: 1, max: 3000 },
  purgeG: { min: 0, max: 30 },
  dosingS: { min: 0.2, max: 60 },
  settingStep: { min: 0.001, max: 100 },
  lettersPerNumber: { min: 0, max: 26 },
  burr: { min: -100, max: 100 },
  resolutionG: { min: 0.01, max: 5 },
  hardnessDh: { min: 0, max: 60 },
  litres: { min: 0.1, max: 1000 },
  mgPerLitre: { min: 1, max: 5000 },
  timerS: { min: 1, max: 7200 },
  shotNoteLength: { min: 0, max: 500 },
  /** A minute of samples at 10 Hz takes about 4,000 signs. */
  seriesLength: { min: 0, max: 40_000 },
  /** A photo as it is sent, scaled down by the device: about 130 kB of picture. */
  photoLength: { min: 100, max: 180_000 },
  /** Of how many shots one is asked for first call and notes. */
  fullEvery: { min: 1, max: 10 },
  photosOfShot: { min: 0, max: 4 },
  alsoRecipes: { min: 0, max: 8 },
  shotCount: { min: 0, max: 500 },
  spentG: { min: 0, max: 10_000 },
  /** Parts in one list: groups of a machine, steps of a routine, things on a bench. */
  listLength: { min: 0, max: 60 },
  runShots: { min: 0, max: 200 },
  runDays: { min: 0, max: 30 },
  runBags: { min: 0, max: 10 },
  share: { min: 0, max: 1 },
  setShots: { min: 1, max: 20 },
  uncountedShots: { min: 0, max: 20 },
  holdsMonths: { min: 1, max: 60 },
  awayWeeks: { min: 1, max: 104 },
  importRows: { min: 1, max: 200 },
} as const

/** Shots on one page of a list, unless the caller asks for another number. */
export const DEFAULT_PAGE_SIZE = 20

/** No record of ours comes near this; a larger body is refused unread. */
export const MAX_BODY_BYTES = 262_144
