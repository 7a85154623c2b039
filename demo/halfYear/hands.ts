/** How somebody's hands are, and how they came to be so; amounts in g, chances 0–1. */
export interface Hands {
  /** By the number of the person in the demo. */
  who: number
  doseBiasG: number
  doseSdG: number
  /** Chance of a tamp that is tilted. */
  tilted: number
  yieldBiasG: number
  yieldSdG: number
  /** How much worse they were when they began, and after how many shots half of that is gone. */
  worseAtFirst: number
  halvedAfter: number
  /** In which weeks before today they pulled. */
  weeks: { from: number; until: number }
  /** Whether they set their own grind, and move it too far each time. */
  overCorrects: boolean
  /** From so many weeks before today their dose went off by so much; null: it did not. */
  slips: { weeks: number; byG: number } | null
  /** Chance that their call is right once they are as good as they get. */
  callsRight: number
}

const USUAL: Omit<Hands, 'who'> = {
  doseBiasG: 0,
  doseSdG: 0.16,
  tilted: 0.04,
  yieldBiasG: 0,
  yieldSdG: 1,
  worseAtFirst: 2.5,
  halvedAfter: 40,
  weeks: { from: 26, until: 0 },
  overCorrects: false,
  slips: null,
  callsRight: 0.85,
}

/** Eight who learn, each with a story that Progress should tell. */
export const HANDS: readonly Hands[] = [
  // Learns fast.
  { ...USUAL, who: 2, halvedAfter: 15, weeks: { from: 12, until: 0 } },
  // Doses heavily, and always as heavily.
  { ...USUAL, who: 3, doseBiasG: 0.5, doseSdG: 0.12 },
  // Tamps aslant.
  { ...USUAL, who: 4, tilted: 0.55 },
  // Sets the grind, and overdoes it.
  { ...USUAL, who: 5, overCorrects: true, yieldSdG: 1.3 },
  // Has not been here for five weeks.
  { ...USUAL, who: 8, weeks: { from: 26, until: 5 } },
  // Two who keep steady; of late one doses lightly.
  { ...USUAL, who: 9, doseSdG: 0.13, yieldSdG: 0.8, slips: { weeks: 1, byG: -0.45 } },
  { ...USUAL, who: 10, doseSdG: 0.12, yieldSdG: 0.7, tilted: 0.01, callsRight: 0.95 },
  // Has only just come.
  { ...USUAL, who: 11, weeks: { from: 0.4, until: 0 } },
]

/** How a trainer judges: what of a slight tilt they let pass, and how much milder a cup seems to them, in points. */
export interface Trainer {
  who: number
  letsPass: number
  milder: number
}

/** One who is exact, and one who is lenient. */
export const TRAINERS: readonly [Trainer, Trainer] = [
  { who: 1, letsPass: 0, milder: 0 },
  { who: 7, letsPass: 0.6, milder: 1 },
]
