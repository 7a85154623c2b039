export const MARK_PLACES = ['below', 'at', 'above'] as const
/** Where something stands to the mark that it is held against. */
export type MarkPlace = (typeof MARK_PLACES)[number]
