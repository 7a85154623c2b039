/** The acts at which someone can be hurt, each with a caution that an academy may reword and not empty. */
export const CAUTION_KEYS = [
  'manual-first',
  'hot-parts',
  'portafilter-pressure',
  'bottomless',
  'steam-wand',
  'grinder-unplug',
  'hopper',
  'licensed-work',
  'wet-floor',
  'wrist',
  'caffeine',
  'milk-allergen',
  'milk-cold',
  'chemicals',
  'backflush',
  'burrs-touching',
] as const
export type CautionKey = (typeof CAUTION_KEYS)[number]

export const ACTS = [
  'any',
  'machine',
  'pull',
  'knock-out',
  'grinder',
  'tamp',
  'taste',
  'milk',
  'clean',
] as const
/** Where in the work a caution is shown. */
export type Act = (typeof ACTS)[number]

/** Where each shipped caution is shown. */
export const ACT_OF_CAUTION: Record<CautionKey, Act> = {
  'manual-first': 'any',
  'hot-parts': 'machine',
  'portafilter-pressure': 'knock-out',
  bottomless: 'pull',
  'steam-wand': 'milk',
  'grinder-unplug': 'grinder',
  hopper: 'grinder',
  'licensed-work': 'machine',
  'wet-floor': 'any',
  wrist: 'tamp',
  caffeine: 'taste',
  'milk-allergen': 'milk',
  'milk-cold': 'milk',
  chemicals: 'clean',
  backflush: 'clean',
  'burrs-touching': 'grinder',
}
