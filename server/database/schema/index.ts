export { academy, bag, bar, coffee, grinder, person, vessel } from './academy.ts'
export { recipeRevision } from './recipe.ts'
export { shot, shotRevision } from './shot.ts'
