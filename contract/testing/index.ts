/** What the other rooms' tests take of the contract's. */
export { addToyKind } from './toyKind.ts'
export { HOUSES, factsOf, recipeOf } from './houses/index.ts'
export type { House } from './houses/index.ts'
