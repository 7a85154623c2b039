export const BAR_STEPS = ['ready', 'dose', 'tamp', 'pull', 'cup', 'look', 'taste'] as const
/** The steps in which a shot is entered at the bar, in the order of the work. */
export type BarStep = (typeof BAR_STEPS)[number]
