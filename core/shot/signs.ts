/** What can be said of a shot in a word or two, beyond what is weighed, timed and tasted on axes. */
export const SIGNS = [
  // flow
  'ran-fast',
  'ran-slow',
  'early-first-drop',
  'late-first-drop',
  'pressure-low',
  'pressure-high',
  'drips-only',
  // look
  'several-streams',
  'dry-patches',
  'early-blonding',
  'sides-change',
  'thin-crema',
  'foamy-crema',
  // dose
  'dose-looks-low',
  'dose-looks-high',
  'screen-mark',
  // taste
  'tastes-sour',
  'tastes-bright',
  'tastes-salty',
  'tastes-bitter',
  'tastes-watery',
  'tastes-harsh',
  'tastes-rancid',
  'tastes-ashy',
  'tastes-papery',
  'tastes-flat',
  'tastes-good',
  // situation
  'first-shot-of-day',
  'steam-at-flush',
  'oily-dark-beans',
  'pre-ground-coffee',
  'at-finest-setting',
  'between-two-settings',
  'same-at-every-grind',
  'same-for-everyone',
  'this-group-only',
  'yield-off-every-time',
  'alternates',
  'times-scatter',
  'times-fall',
] as const
export type Sign = (typeof SIGNS)[number]

/** True: seen. False: looked for and not there. Left out: nobody said. */
export type SignsSeen = Partial<Record<Sign, boolean>>
