import type { Channel, WordSign } from './evidenceTypes.ts'

/** A word that is a coarse reading of a channel: said when the value lies beyond `from`, give or take `spread`. */
export interface WordOfChannel {
  channel: Channel
  /** −1: said of low values, 1: of high ones. */
  side: -1 | 1
  from: number
  spread: number
}

/** Words that say again what a measurement says: they count only where it is missing. Units are the channels’. */
export const WORDS_OF_CHANNELS: Partial<Record<WordSign, WordOfChannel>> = {
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
}

/** Words for the balance of a cup: bitter − sour beyond this, give or take. */
export const BALANCE_WORDS: Partial<Record<WordSign, { side: -1 | 1; from: number; spread: number }>> = {
  'tastes-sour': { side: -1, from: -2, spread: 1 },
  'tastes-bitter': { side: 1, from: 2, spread: 1 },
}

/** A cup is called good when it is at least this sweet. */
export const GOOD_FROM_SWEET = 5.6
/** A cup is called harsh when bitter and dryness add up to this. */
export const HARSH_FROM = 8
/** Words are said by mistake, and left unsaid, this often. */
export const WORD_ERROR = 0.05
