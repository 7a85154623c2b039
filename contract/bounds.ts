/** Bounds that catch slips of the finger, in base units. Whether a value is any good is the core's to say. */
export const BOUNDS = {
  doseNetG: { min: 0.1, max: 40 },
  cupNetG: { min: 0, max: 400 },
  scaleG: { min: 0, max: 3000 },
  instantS: { min: 0, max: 300 },
  grindSetting: { min: 0, max: 1000 },
  taste: { min: 0, max: 10 },
  reasonLength: { min: 3, max: 300 },
  /** No record of ours lies outside; a clock that says otherwise is wrong. */
  year: { min: 2000, max: 2199 },
  nameLength: { min: 1, max: 80 },
  signInNameLength: { min: 3, max: 120 },
  pinLength: { min: 4, max: 6 },
  passwordLength: { min: 10, max: 200 },
  pageSize: { min: 1, max: 100 },
} as const

/** Shots on one page of a list, unless the caller asks for another number. */
export const DEFAULT_PAGE_SIZE = 20

/** No record of ours comes near this; a larger body is refused unread. */
export const MAX_BODY_BYTES = 262_144
