import type { Channel, Shown } from './evidenceTypes.ts'

/**
 * A careful shot without a fault: where each value lies and how it is spread between shots. Dose in g from target;
 * time as ln(time ÷ middle of the window), with `spread` as a share of half the window; first drop as
 * ln(first drop ÷ its usual middle); yield as ln(yield ÷ target); taste 0–10; age as ln(1 + days).
 */
export const BASELINE: Record<Channel, { mean: number; spread: number }> = {
  dose: { mean: 0, spread: 0.12 },
  time: { mean: 0, spread: 0.6 },
  'first-drop': { mean: 0, spread: 0.06 },
  yield: { mean: 0, spread: 0.03 },
  sour: { mean: 2, spread: 0.45 },
  sweet: { mean: 7.2, spread: 0.65 },
  bitter: { mean: 2.6, spread: 0.5 },
  body: { mean: 6.75, spread: 0.25 },
  dryness: { mean: 2.1, spread: 0.4 },
  age: { mean: 0, spread: 0.5 },
}

/** How often each thing is noted though no fault makes it so. */
export const BY_ITSELF: Record<Shown, number> = {
  'seen-cold': 0.01,
  'seen-wet': 0.01,
  'seen-dirty': 0.01,
  'seen-wrong-basket': 0.01,
  'seen-unpurged': 0.01,
  'seen-uneven-bed': 0.015,
  'seen-unsettled': 0.015,
  'tilt:slight': 0.08,
  'tilt:clear': 0.01,
  'stream:spurting': 0.05,
  'stream:one-sided': 0.03,
  'puck:holes': 0.05,
  'puck:thin-side': 0.03,
  'puck:soup': 0.04,
  'puck:powder': 0.01,
  'pressure-low': 0.05,
  'pressure-high': 0.05,
  'several-streams': 0.06,
  'dry-patches': 0.05,
  'early-blonding': 0.08,
  'sides-change': 0.03,
  'thin-crema': 0.05,
  'foamy-crema': 0.04,
  'screen-mark': 0.03,
  'tastes-rancid': 0.04,
  'tastes-ashy': 0.05,
  'tastes-papery': 0.05,
  'tastes-flat': 0.08,
  'first-shot-of-day': 0.08,
  'steam-at-flush': 0.05,
  'oily-dark-beans': 0.07,
  'pre-ground-coffee': 0.01,
  'at-finest-setting': 0.03,
  'between-two-settings': 0.03,
  'same-at-every-grind': 0.07,
  'same-for-everyone': 0.1,
  'this-group-only': 0.04,
  'yield-off-every-time': 0.04,
  alternates: 0.01,
  'times-scatter': 0.05,
  'times-fall': 0.03,
}
