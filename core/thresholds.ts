const DOSE_ELASTICITY = 3.6

/**
 * Every number that decides something, in one place. Shares of time are natural logarithms of a ratio of times
 * (0.15 ≈ 15 %), because faults multiply a shot's time rather than add to it.
 */
export const THRESHOLDS = {
  /** Water at the group, in °C, between too cold and too hot for espresso. */
  waterC: { min: 88, max: 96 },
  /** Two cups of one shot that differ by more than this share of their mean: the water went to one side. */
  cupsApartShare: 0.15,
  /** So many cups tire a tongue. */
  cupsBeforeRest: 10,
  /** "Near" reaches this many tolerances from the target. */
  nearInTolerances: 2,
  /**
   * The share by which the yield may fall short of its target, or run over it, and the time still be scaled to it. Over
   * it the target was passed on the way, so that less is guessed.
   */
  scalableUnderShare: 0.25,
  scalableOverShare: 0.5,
  /** A first drop or release that nobody marked came by this share of the pump's time, however slow the shot. */
  missedMarkShare: 0.4,
  /** A cup that nobody weighed ended within this factor of its target. */
  unweighedCupFactor: 1.25,
  /** Below this share of the window's start the shot gushes; beyond this many window ends it chokes. */
  gushBelowWindowShare: 0.5,
  chokeBeyondWindowEnds: 2,
  /** Slow and under this share of the target yield when it was stopped: choked. */
  chokeYieldShare: 0.5,
  /** No drop by this many times the latest usual first drop: choked. */
  chokeFirstDropTimes: 2,
  /** A puck that held the water back lets through no more than this once it breaks open, in g/s: an assumption of ours. */
  brokenOpenGPerS: 4,
  /** A miss smaller than this never moves the grind while the gate fails. */
  littleOffLn: 0.15,
  /** With signs of channelling the puck is mended first, up to this miss. */
  unevenPuckFirstLn: 0.3,
  /** Taste that points the other way than the flow holds the grind up to this miss. */
  tasteAgainstLn: 0.3,
  /** A fault that explains at least this share of a miss is mended alone. */
  explainsEnoughShare: 0.5,
  /** One per cent of dose moves the time by about this many: near 18 g some 2 % per 0.1 g. */
  doseElasticity: DOSE_ELASTICITY,
  /** The same per gram, for doses about 18 g. */
  doseLnPerG: DOSE_ELASTICITY / 18,
  /** Spread of ln time between two equal shots, where it was not estimated. */
  shotNoiseLn: 0.08,
  /** Sour and bitter both at or above this, on 0–10, in one cup: uneven. */
  bothStrong: 6,
  /** A cup that is sweet enough is bright, not sour, under this much sourness, where the recipe has no taste of its own. */
  brightUnder: 6,
  /** Dry from here on speaks for over-extraction even where bitter does not stand out. */
  drying: 7,
  /** A dose's method raises no fault within so many of its spreads. */
  doseFaultSpreads: 2,
  /** One step of a grinder moves ln time by no more than this. */
  grindStepMostLn: 0.12,
  /** Net doses anyone would put into an espresso basket, in g. */
  plausibleDoseG: { min: 5, max: 30 },
  /** How near a plausible dose must be to the target before a forgotten tare is offered, in g. */
  forgottenTareWithinG: 4,
  /** A dose suits its basket within this much of its nominal, in g. */
  basketToleranceG: 1,
  /** What a ml of espresso with its crema weighs, and its spread, where a coffee has no value of its own. */
  beverageGPerMl: 0.75,
  beverageGPerMlSd: 0.12,
} as const
