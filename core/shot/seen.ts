/** The tamp's tilt as seen from above. */
export const TILTS = ['level', 'slight', 'clear'] as const
export type Tilt = (typeof TILTS)[number]

/** Which side of a bed lies low, as whoever stands before the group sees it. */
export const SIDES = ['left', 'right', 'front', 'back'] as const
export type Side = (typeof SIDES)[number]

/** How the stream ran. */
export const STREAMS = ['even', 'spurting', 'one-sided'] as const
export type Stream = (typeof STREAMS)[number]

/** How the spent puck looks after knocking out. */
export const PUCKS = ['even', 'holes', 'thin-side', 'soup', 'powder'] as const
export type Puck = (typeof PUCKS)[number]

/** `missed`: it came and nobody marked it. `none`: the shot was stopped before any drop came. */
export const FIRST_DROPS = ['marked', 'missed', 'none'] as const
export type FirstDrop = (typeof FIRST_DROPS)[number]

/** Why a shot was given up without a cup worth weighing. */
export const ABANDONMENTS = ['choked', 'gushed', 'spilt'] as const
export type Abandonment = (typeof ABANDONMENTS)[number]

export const DISTRIBUTIONS = ['tap', 'palm', 'finger', 'needle', 'levelling-tool'] as const
/** How the grounds were spread. */
export type Distribution = (typeof DISTRIBUTIONS)[number]

export const POSTURES = ['in-line', 'bent'] as const
/** Wrist and elbow above the tamper, or the wrist bent. */
export type Posture = (typeof POSTURES)[number]

export const SERVED = ['serve', 'pull-again'] as const
/** The bar's first judgement of a shot, before its reading. */
export type Served = (typeof SERVED)[number]

export const MATCHES = ['matched', 'partly', 'not'] as const
/** How far a cup tasted of what its bag says. */
export type Match = (typeof MATCHES)[number]

export const CYCLE_PLACES = ['light-just-out', 'later', 'heating'] as const
/** Where in its cycle a simple machine was as the pump started. */
export type CyclePlace = (typeof CYCLE_PLACES)[number]

export const AFTER_FEELS = ['gone', 'clean', 'lingers', 'rough'] as const
/** What stays in the mouth once the cup is swallowed or spat. */
export type AfterFeel = (typeof AFTER_FEELS)[number]

export const LOW_DOSE_RULES = ['discard', 'top-up', 'more-grounds'] as const
/** What a house does when a dose turns out low after tamping. */
export type LowDoseRule = (typeof LOW_DOSE_RULES)[number]
