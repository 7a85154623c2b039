/**
 * Which rules a statement was made by. It moves whenever the same facts may be read otherwise; rulings and scored calls
 * keep the version they were made under.
 */
export const RULES_VERSION = 5
