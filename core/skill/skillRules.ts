import { RULES_VERSION } from '../diagnosis/rulesVersion.ts'

/** Of what a person's figures are and how they are worked out; raised with every change of either. */
const SKILL_VERSION = 5

/** By which rules kept figures were worked out: those of readings and those of skill. Kept ones of others stand no more. */
export const SKILL_RULES = RULES_VERSION * 1000 + SKILL_VERSION
