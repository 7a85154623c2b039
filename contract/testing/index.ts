/** What the other rooms' tests take of the contract's. */
export { addToyKind } from './toyKind.ts'
