import type { WordSign } from './evidenceTypes.ts'
import type { Placed } from './places.ts'

/** A word that is a coarse reading of a channel: said when the value lies beyond `from`, give or take `spread`. */
export interface WordOfChannel {
  channel: Placed
  /** −1: said of low values, 1: of high ones. */
  side: -1 | 1
  from: number
  spread: number
}

/** Words that say again what a measurement says: they count only where it is missing. Units are the channels’. */
export const WORD_OF: Record<Exclude<WordSign, 'tastes-good'>, WordOfChannel> = {
  'ran-fast': { channel: 'time', side: -1, from: -0.17, spread: 0.08 },
  'ran-slow': { channel: 'time', side: 1, from: 0.17, spread: 0.08 },
  'drips-only': { channel: 'time', side: 1, from: 0.9, spread: 0.15 },
  'early-first-drop': { channel: 'first-drop', side: -1, from: -0.35, spread: 0.1 },
  'late-first-drop': { channel: 'first-drop', side: 1, from: 0.35, spread: 0.1 },
  'dose-looks-low': { channel: 'dose', side: -1, from: -0.7, spread: 0.35 },
  'dose-looks-high': { channel: 'dose', side: 1, from: 0.7, spread: 0.35 },
  'tastes-salty': { channel: 'sour', side: 1, from: 4.5, spread: 1.2 },
  // A cup whose acids are called bright is sweet with them.
  'tastes-bright': { channel: 'sweet', side: 1, from: 6.2, spread: 0.9 },
  'tastes-watery': { channel: 'body', side: -1, from: 4.9, spread: 0.9 },
  'tastes-sour': { channel: 'lean', side: -1, from: -2, spread: 1 },
  'tastes-bitter': { channel: 'lean', side: 1, from: 2, spread: 1 },
  // Bitter and dryness add up to this.
  'tastes-harsh': { channel: 'harshness', side: 1, from: 8, spread: 1 },
}

/** A cup is called good whose balance leans no further than this, and that is at least this sweet. */
export const GOOD = { lean: 2.6, fromSweet: 5.6, variance: 0.6 } as const

/** Words are said by mistake, and left unsaid, this often. */
export const WORD_ERROR = 0.05
