/** Fields that stand above a recipe's form in a way of their own. */
export const SHOWN_ABOVE = ['targets.doseG', 'targets.yieldG', 'targets.doseToleranceG'] as const
